import type { Answer } from '../planning/answerShape.ts';
import { isOf, type FactEntry } from '../document/facts.ts';
import { totalToe } from './toe.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { meanOf } from '../numerics/mean.ts';

/** How an angle of a wheel goes with height, and what the plan makes of it. */
export interface Shift {
  /** As last read; null where it was not. */
  now: number | null;
  /** Per mm that the corner (or the axle) comes down, and where that is from; null where it is not known. */
  perMm: number | null;
  source: 'sheet' | 'learnt' | null;
  /** mm that it comes down by the plan from where it was last read. */
  downMm: number;
  /** What the plan adds, and where it will then be. */
  shift: number | null;
  after: number | null;
}

/** Two readings this far apart in height at least tell how an angle goes with it, mm. */
const APART_MM = 3;

/** Camber of a corner, degrees: as read, and as the plan will leave it. */
export function camberShift(answer: Answer, facts: readonly FactEntry[], id: CornerId): Shift {
  const read = facts.flatMap(({ fact }) =>
    fact.kind === 'camber' && fact.corner === id ? [{ round: fact.round, value: fact.degrees }] : [],
  );
  return shiftOf(answer, [id], read, answer.document.corners[id].camberPerMm);
}

/** Total toe of the front axle, mm across the tyres, in positive. */
export function toeShift(answer: Answer, facts: readonly FactEntry[]): Shift {
  const of = (round: number, slot: string) =>
    facts
      .map(({ fact }) => fact)
      .filter(isOf('toe'))
      .find((fact) => fact.round === round && fact.slot === slot)?.mm ?? null;
  const read = answer.state.rounds.flatMap(({ round }) => {
    const [frontMm, rearMm] = [of(round, 'front'), of(round, 'rear')];
    return frontMm === null || rearMm === null ? [] : [{ round, value: totalToe({ frontMm, rearMm }) }];
  });
  const front = cornersIn(answer.document).filter((one) => axleOf(one) === 'front');
  return shiftOf(answer, front, read, answer.document.steering.toePerMm);
}

interface Read {
  round: number;
  value: number;
}

/**
 * An angle against height: by the rate that is given, else by the straight line through its readings in two rounds (least
 * squares through more), where these lie far enough apart.
 */
function shiftOf(
  answer: Answer,
  ids: readonly CornerId[],
  read: readonly Read[],
  given: number | null,
): Shift {
  const travelIn = (travel: readonly number[]) =>
    meanOf(ids.map((id) => travel[answer.machine.corners.indexOf(id)] ?? 0));
  const points = [...read]
    .sort((a, b) => a.round - b.round)
    .map(({ round, value }) => ({ value, down: travelIn(answer.fit.rounds[round]?.travel ?? []) }));
  const learnt = slopeOf(points);
  const perMm = given ?? learnt;
  const last = points.at(-1) ?? null;
  const then = travelIn(answer.predictAt(answer.after).travel);
  const now = travelIn(answer.predictAt(answer.now).travel);
  const downMm = then - (last?.down ?? now);
  const shift = perMm === null ? null : perMm * downMm;
  return {
    now: last?.value ?? null,
    perMm,
    source: given !== null ? 'sheet' : learnt !== null ? 'learnt' : null,
    downMm,
    shift,
    after: last === null || shift === null ? null : last.value + shift,
  };
}

/** Slope of the line of least squares: sum of (d - mean d) v over sum of (d - mean d)^2. Null where the points lie too near. */
function slopeOf(points: readonly { value: number; down: number }[]): number | null {
  if (points.length < 2) return null;
  const downs = points.map(({ down }) => down);
  if (Math.max(...downs) - Math.min(...downs) < APART_MM) return null;
  const middle = meanOf(downs);
  const across = points.reduce((sum, { value, down }) => sum + (down - middle) * value, 0);
  return across / points.reduce((sum, { down }) => sum + (down - middle) ** 2, 0);
}
