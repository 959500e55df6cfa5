import type { JobDocument } from '../document/types.ts';
import { cornerSpec, toleranceOf } from '../estimate/corner.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';

/** A reading as it would be with two of its digits swapped, mm. */
export interface LikelyReading {
  corner: CornerId;
  mm: number;
}

interface PairApart {
  low: CornerId;
  high: CornerId;
  mm: number;
  twinMm: number;
  /** What was meant, where one swap of digits brings the axles together. */
  likely: LikelyReading | null;
}

/** mm, and share of the travel. How far two axles may lean apart by collars, bars and floor before a reading is doubted. */
const LEAN_APART = { mm: 30, travel: 0.15 };
/** mm. How near a reading with two digits swapped must bring the leans together to be what was meant. */
const SWAPPED_WITHIN = 10;

/**
 * The axle of which the baseline's readings, mm, lean further against the other axle's than a body on its springs can,
 * where one of the two was read only once and no collar explains it; none of a machine without four wheels.
 */
export function pairApart(document: JobDocument, state: RoundsState): PairApart[] {
  const round = state.rounds[state.current];
  const mean = (id: CornerId) => {
    const read = round?.heights[id];
    return read ? meanOf(read) : NaN;
  };
  // The tape may go to unlike points: heights are compared at the points that the sheet means.
  const meant = (id: CornerId, mm = mean(id)) => mm + document.corners[id].reference.offsetMm;
  // Where moves were made, the model knows better what to expect.
  if (state.current !== state.base || !ALL_WHEELS.every((id) => cornersIn(document).includes(id))) return [];
  const [front, rear] = [meant('LF') - meant('RF'), meant('LR') - meant('RR')];
  const most = Math.max(LEAN_APART.mm, LEAN_APART.travel * cornerSpec(document, 'LF').travelMm.value);
  if (!(Math.abs(front - rear) > most)) return [];
  const [left, right, other] = Math.abs(front) > Math.abs(rear) ? AXLES.front(rear) : AXLES.rear(front);
  const { kind } = document.corners[left].reference;
  if (kind !== document.corners[right].reference.kind) return [];
  const [low, high] = meant(left) < meant(right) ? [left, right] : [right, left];
  const once = [low, high].some((id) => round?.heights[id]?.length === 1);
  if (!once || collarsExplain(document, state, low, high)) return [];
  const swapped = [low, high].flatMap((corner) =>
    digitsSwapped(mean(corner))
      .filter((mm) => {
        const leans = corner === left ? meant(left, mm) - meant(right) : meant(left) - meant(right, mm);
        return Math.abs(leans - other) <= SWAPPED_WITHIN;
      })
      .map((mm) => ({ corner, mm })),
  );
  const likely = swapped.length === 1 ? (swapped[0] ?? null) : null;
  return [{ low, high, mm: mean(low), twinMm: mean(high), likely }];
}

const ALL_WHEELS: readonly CornerId[] = ['LF', 'RF', 'LR', 'RR'];

const AXLES = {
  front: (other: number) => ['LF', 'RF', other] as const,
  rear: (other: number) => ['LR', 'RR', other] as const,
};

/** Whether the collars as they were found stand as unlike as the heights. */
function collarsExplain(document: JobDocument, state: RoundsState, low: CornerId, high: CornerId): boolean {
  const read = state.rounds[state.base]?.collars ?? {};
  const [a, b] = [read[low], read[high]];
  return a !== undefined && b !== undefined && Math.abs(a - b) > toleranceOf(document).value;
}

/** What a whole number of mm reads with two neighbouring digits swapped. */
function digitsSwapped(mm: number): number[] {
  if (!Number.isInteger(mm)) return [];
  const digits = [...String(mm)];
  return digits.slice(1).map((digit, k) => {
    const other = [...digits];
    [other[k], other[k + 1]] = [digit, digits[k] ?? ''];
    return Number(other.join(''));
  });
}
