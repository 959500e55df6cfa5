import type { Footing } from '../geometry/reference.ts';
import { cornersIn, footingOf } from '../kinds/classes/index.ts';
import { twinOf } from '../kinds/corners.ts';
import type { JobDocument } from './types.ts';

/** Something to see to, and on what it is met. */
interface Check {
  id: string;
  on: readonly Footing[];
}

interface Prep extends Check {
  /** By how much readings are blurred where it was skipped: times the usual friction. */
  blurs: number;
}

const everywhere: readonly Footing[] = ['wheels', 'sleds', 'bikes'];

const prepChecks = [
  { id: 'pressures', on: ['wheels', 'bikes'], blurs: 1.3 },
  { id: 'floor', on: everywhere, blurs: 1.3 },
  { id: 'load', on: everywhere, blurs: 1.15 },
  { id: 'bars', on: ['wheels'], blurs: 1.4 },
  { id: 'bushes', on: ['wheels'], blurs: 1.3 },
  { id: 'track', on: ['sleds'], blurs: 1.3 },
  { id: 'straight', on: ['bikes'], blurs: 1.3 },
  { id: 'damping', on: everywhere, blurs: 1.1 },
  { id: 'gas', on: everywhere, blurs: 1.1 },
] as const satisfies readonly Prep[];

const closeChecks = [
  { id: 'locked', on: everywhere },
  { id: 'bushes', on: ['wheels'] },
  { id: 'links', on: ['wheels'] },
  { id: 'clear', on: everywhere },
  { id: 'travel', on: everywhere },
  { id: 'strap', on: ['sleds'] },
  { id: 'lamps', on: ['wheels', 'bikes'] },
  { id: 'gas', on: everywhere },
  { id: 'alignment', on: ['wheels', 'sleds'] },
] as const satisfies readonly Check[];

export type PrepId = (typeof prepChecks)[number]['id'];
export type CloseId = (typeof closeChecks)[number]['id'];

const isMet = ({ on }: Check, document: JobDocument) => on.includes(footingOf(document.machine.class));

/** What to see to before anything is measured, for this machine. */
export function prepFor(document: JobDocument): { id: PrepId; blurs: number }[] {
  return prepChecks.filter((one) => isMet(one, document));
}

/** What to see to before it goes out, for this machine. */
export function closeFor(document: JobDocument): { id: CloseId }[] {
  return closeChecks.filter((one) => isMet(one, document));
}

/** Times the usual friction that readings are blurred by what was skipped. */
export function blurOf(document: JobDocument, skipped: readonly string[]): number {
  return prepFor(document).reduce((blur, { id, blurs }) => (skipped.includes(id) ? blur * blurs : blur), 1);
}

/** Tyre pressures of an axle that differ by more than a twentieth, which can roll a machine over by itself. */
export function unequalPressures(
  document: JobDocument,
  bars: Partial<Record<string, number>>,
): { left: string; right: string; differenceBar: number }[] {
  return cornersIn(document).flatMap((left) => {
    const right = twinOf(left);
    const [a, b] = [bars[left], right ? bars[right] : undefined];
    if (!right || !left.startsWith('L') || a === undefined || b === undefined) return [];
    const differenceBar = Math.abs(a - b);
    return differenceBar > 0.05 * Math.max(a, b) ? [{ left, right, differenceBar }] : [];
  });
}
