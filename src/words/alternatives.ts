import type { Way } from '#core/judgement/alternatives.ts';
import { cornerNames, type Axle, type CornerId } from '#core/kinds/corners.ts';
import type { Say } from './figures.ts';

/** What another way of doing it is called, and what it means in one line; `say` writes mm in the reader's units. */
export function wayWords(way: Way, say: Say): { title: string; why: string } {
  switch (way.id) {
    case 'plan':
      return { title: 'This plan', why: 'as it stands on this page' };
    case 'seats':
      return {
        title: 'Seats only',
        why: 'mounts stay where they are; preload and droop change with height',
      };
    case 'sides':
      return way.alike
        ? {
            title: 'Equal left and right',
            why: 'seats of an axle moved alike: fewer figures to keep, cross weight stays',
          }
        : {
            title: 'Each side by itself',
            why: 'seats of an axle may differ, to even out what they carry',
          };
    case 'easy':
      return {
        title: `Leave the ${way.hardEnd} alone`,
        why: 'only the end that is easier to reach is turned',
      };
    case 'longer':
      return {
        title: `Springs or spacers: ${places(way.parts, (mm) => `${say(Math.abs(mm))} ${mm > 0 ? 'longer' : 'shorter'}`)}`,
        why: 'the same rate; the seat comes back onto its thread, droop and bump are as in the plan wanted',
      };
    case 'stiffer':
      return {
        title: `Springs: ${places(way.parts, (share) => `${Math.round(100 * Math.abs(share))} % ${share > 0 ? 'stiffer' : 'softer'}`)}`,
        why: 'the load closes it by another amount, so that the seat comes back onto its thread; the ride changes with it',
      };
  }
}

function places(
  parts: readonly { where: Axle | CornerId; by: number }[],
  size: (by: number) => string,
): string {
  return parts
    .map(
      ({ where, by }) => `${where === 'front' || where === 'rear' ? where : cornerNames[where]} ${size(by)}`,
    )
    .join(', ');
}
