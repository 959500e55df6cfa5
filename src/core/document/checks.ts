import { setEnds } from './sagWish.ts';
import { classDefaults, cornersIn, footingOf, ringsUsual } from '../kinds/classes/index.ts';
import type { CloseId, PrepId } from '../kinds/seeTo.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import type { JobDocument } from './types.ts';

/** By how much readings are blurred where something was not seen to: times the usual friction. */
const blurs: Record<PrepId, number> = {
  pressures: 1.3,
  floor: 1.3,
  load: 1.15,
  bars: 1.4,
  bushes: 1.3,
  track: 1.3,
  straight: 1.3,
  damping: 1.1,
  gas: 1.1,
};

/** What to see to before anything is measured, for this machine and what is set of it. */
export function prepFor(document: JobDocument): readonly PrepId[] {
  const all = classDefaults[document.machine.class].prep;
  return setsSkid(document) ? all : all.filter((id) => id !== 'track');
}

/** What to see to before it goes out, for this machine and what is set of it. */
export function closeFor(document: JobDocument): readonly CloseId[] {
  const idle: Record<string, boolean> = {
    strap: !setsSkid(document),
    // Skis alone are aligned; a chain turns a rear wheel alone.
    alignment: footingOf(document.machine.class) === 'sleds' && !sets(document, ['LS', 'RS']),
    chain: !sets(document, ['RW']) || document.machine.class === 'scooter',
    coils: !stacksSprings(document),
  };
  return classDefaults[document.machine.class].closeOut.filter((id) => !idle[id]);
}

/** Whether springs stand one on another, as far as anybody has said, or as is usual. */
const stacksSprings = (document: JobDocument) =>
  ringsUsual(document.machine.class) ||
  cornersIn(document).some((id) => document.corners[id].springs.length > 1);

const sets = (document: JobDocument, ids: readonly CornerId[]) =>
  setEnds(document).some((id) => ids.includes(id));

/** Whether a skid is set, on what has one; all others have no part of it to see to. */
const setsSkid = (document: JobDocument) =>
  footingOf(document.machine.class) !== 'sleds' || sets(document, ['FA', 'RA']);

/** Times the usual friction that readings are blurred by what was skipped. */
export function blurOf(document: JobDocument, skipped: readonly string[]): number {
  return prepFor(document).reduce((blur, id) => (skipped.includes(id) ? blur * blurs[id] : blur), 1);
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
