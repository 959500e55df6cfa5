import type { PerCorner } from '../estimate/rounds.ts';
import type { JobDocument } from '../document/types.ts';
import { axleOf, sideOf, type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import { tolerances } from '../tolerances.ts';

/** A share of the whole, 0 to 1, with one standard deviation from how well wheels are weighed. */
export interface Share {
  value: number;
  sd: number;
}

/** How a machine's weight stands on its four wheels. */
export interface Balance {
  totalKg: number;
  front: Share;
  left: Share;
  /** Right front and left rear: cross weight. */
  cross: Share;
  /** Right front more than left front, kg; positive where the right is heavier. */
  frontDifferenceKg: number;
}

const four: readonly CornerId[] = ['LF', 'RF', 'LR', 'RR'];

/**
 * Shares of four pads. With S the sum over a set of pads and T of all, the share s = S/T of independent readings with
 * deviation u each has variance [(1 - s)^2 sum over the set of u^2 + s^2 sum over the rest of u^2] / T^2. Null where a pad is missing.
 */
export function balanceOf(pads: PerCorner<readonly number[]>): Balance | null {
  const kg = four.map((id) => {
    const read = pads[id];
    return read && read.length > 0 ? meanOf(read) : null;
  });
  if (kg.some((one) => one === null)) return null;
  const known = kg as number[];
  const totalKg = known.reduce((sum, one) => sum + one, 0);
  if (totalKg <= 0) return null;
  const spread = known.map((one) => Math.max(tolerances.padRepeatSd * one, tolerances.padStepKg));
  const share = (has: (id: CornerId) => boolean): Share => {
    const value = known.reduce((sum, one, i) => (has(four[i] as CornerId) ? sum + one : sum), 0) / totalKg;
    const variance = spread.reduce((sum, u, i) => {
      const slope = (has(four[i] as CornerId) ? 1 - value : -value) / totalKg;
      return sum + (slope * u) ** 2;
    }, 0);
    return { value, sd: Math.sqrt(variance) };
  };
  return {
    totalKg,
    front: share((id) => axleOf(id) === 'front'),
    left: share((id) => sideOf(id) > 0),
    cross: share((id) => id === 'RF' || id === 'LR'),
    frontDifferenceKg: (known[1] ?? 0) - (known[0] ?? 0),
  };
}

/** How far repeats on the same pads lie apart. */
export interface RepeatSpread {
  times: number;
  /** Half of the range of the cross weight, as a share, and of the wheel that differs most, kg. */
  halfShare: number;
  halfKg: number;
}

/** What several settles agree to; null where the machine was not rolled on to all four pads at least twice. */
export function repeatSpread(pads: PerCorner<readonly number[]>): RepeatSpread | null {
  const lists = four.map((id) => pads[id] ?? []);
  const times = Math.min(...lists.map(({ length }) => length));
  if (times < 2) return null;
  const crosses = Array.from({ length: times }, (_, k) => {
    const [lf = 0, rf = 0, lr = 0, rr = 0] = lists.map((list) => list[k] ?? 0);
    return (rf + lr) / (lf + rf + lr + rr);
  });
  const half = (values: readonly number[]) => (Math.max(...values) - Math.min(...values)) / 2;
  return {
    times,
    halfShare: half(crosses),
    halfKg: Math.max(...lists.map((list) => half(list.slice(0, times)))),
  };
}

/** Pads as they are taken: divided by what each is known to show of what stands on it. */
export function takenPads({ corners }: JobDocument, pads: PerCorner<readonly number[]>): PerCorner<number[]> {
  return Object.fromEntries(
    (Object.entries(pads) as [CornerId, readonly number[]][]).map(([id, list]) => [
      id,
      list.map((kg) => kg / (corners[id].padFactor ?? 1)),
    ]),
  );
}

/** (RF + LR) over all of what stands on the pads of a machine, in the order of its corners. */
export function crossOn(pads: ArrayLike<number>, corners: readonly CornerId[]): number {
  const on = (ids: readonly CornerId[]) => ids.reduce((sum, id) => sum + (pads[corners.indexOf(id)] ?? 0), 0);
  return on(['RF', 'LR']) / on(corners);
}
