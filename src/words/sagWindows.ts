import { sagWindows, type SagWindow, type UsualWindow } from '#core/sag/sagWindows.ts';
import type { Say } from './figures.ts';

/** Windows with a name of their own; the others are called by their figures. */
const titles: Partial<Record<UsualWindow, string>> = {
  third: 'a third',
  road: 'a quarter to a third',
  plush: 'Soft (50 %)',
};

const reasons: Record<UsualWindow, string> = {
  third: 'dual-purpose: room to extend into holes, two thirds for hits',
  road: 'road: keeps the geometry where it was drawn',
  sport: 'sport road machines',
  scooter: 'short travel: a percentage would leave nothing',
  'sled-rear': 'sled rear from topped out; less for hard riding',
  'sled-rear-deep': 'sled rear, deeper: lighter skis, more comfort',
  ski: 'ski shocks, machine alone',
  plush: 'comfort first, smooth ground',
  firm: 'smooth tracks and big loads',
  'static-road': 'road bikes, machine alone',
  'static-scooter': 'scooters, machine alone: enough that it does not top out',
  'static-offroad': 'off-road bikes, machine alone',
};

/** What a window of sag is called, and what for; one that a shop has made its own has its name. `say` writes mm in the reader's units. */
export function windowWords(
  window: SagWindow & { title?: string },
  say: Say,
): { title: string; why: string } {
  const usual = sagWindows.find(({ id }) => id === window.id)?.id;
  if (!usual) return { title: window.title ?? '', why: 'your own' };
  const figures = `${say(window.low)} to ${say(window.high)}${window.at === 'shaft' ? ' at the shaft' : ''}`;
  return { title: usual === 'firm' ? `Firm (${figures})` : (titles[usual] ?? figures), why: reasons[usual] };
}
