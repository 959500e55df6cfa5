import { sagWish } from '../document/sagWish.ts';
import { type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { Answer } from './answerShape.ts';
import { isMoved, scalesWanted } from './cornerAnswer.ts';
import { askedCorners } from '../estimate/sagEvidence.ts';
import { isReadStanding, isReadWith } from '../document/sagReadings.ts';
import { meanOf } from '../numerics/mean.ts';
import { edgesToReadAgain, isBySag, sagEnough } from './sagEnough.ts';
import { tolerances } from '../tolerances.ts';

/** share. Told to stop when all heights are in with at least this probability. */
const STOP_CHANCE = 0.985;
/**
 * share, rounds. Enough where all reads in: with `twice` once it was settled and read twice everywhere; and where another
 * round gains next to nothing with `soon`, with `still` where hardly anything would move, with `late` from round `lateFrom`.
 */
const READ_IN_CHANCE = { twice: 0.93, soon: 0.975, still: 0.75, late: 0.6, lateFrom: 3 };
/** share. Another round that gains less than this is not worth taking a wheel off. */
const WORTHWHILE_GAIN = 0.01;
/** mm. Nobody turns for less than a tape can show. */
const UNSEEN_MM = 1;

/**
 * Whether to stop: the weight stands as asked, and all true heights are probably in, or they read in and another round would
 * hardly better the chance.
 */
export function goodEnough(answer: Answer): boolean {
  const { chanceNow, chanceAfter } = answer;
  if (chanceNow === null || chanceAfter === null || !scalesEnough(answer)) return false;
  if (unreadOf(answer).length > 0 || isToBeCleared(answer)) return false;
  if (isBySag(answer)) return sagEnough(answer);
  if (chanceNow >= STOP_CHANCE) return true;
  if (readsOut(answer).length > 0) return false;
  // Settled, read twice at every corner and in every time: it is left alone.
  if (scalesWanted(answer.cross) === null && readTwice(answer) && chanceNow >= READ_IN_CHANCE.twice)
    return true;
  // As it came, a second reading is had for nothing.
  if (isAsItCame(answer) && !readTwice(answer)) return false;
  return chanceNow >= leastChance(answer) && chanceAfter - chanceNow < WORTHWHILE_GAIN;
}

/** Whether something is suspected that has to be looked into first. A ratio or a bar that the plan goes by is no such thing. */
function isToBeCleared({ doubt }: Answer): boolean {
  const { code } = doubt.adopted ?? { code: null };
  return doubt.suspicions.length > 0 && code !== 'ratio' && code !== 'hooked-bar';
}

/** share. From this chance on a second reading is tried before anything is turned. */
const WORTH_READING_AGAIN = 0.85;
/** share. A machine as it came that reads in is not touched for less: a second reading shows as much. */
const WORTH_TURNING = 0.3;

/** Whether all heights read in, and reading every one once more may settle it as well as turning. */
export function wantsReadingAgain(answer: Answer): boolean {
  const { chanceNow, chanceAfter } = answer;
  if (isBySag(answer)) return unreadOf(answer).length === 0 && edgesToReadAgain(answer).length > 0;
  return (
    chanceNow !== null &&
    chanceAfter !== null &&
    (chanceNow >= WORTH_READING_AGAIN || (isAsItCame(answer) && chanceAfter - chanceNow < WORTH_TURNING)) &&
    !isToBeCleared(answer) &&
    answer.corners.some(({ spec }) => spec.targetMm !== null) &&
    scalesEnough(answer) &&
    readsOut(answer).length === 0 &&
    !readTwice(answer)
  );
}

/** Whether there is nothing to turn: it is good enough, or it came as wanted, or lies in its window, and is only read once more. */
export function isLeftAlone(answer: Answer): boolean {
  return goodEnough(answer) || ((isAsItCame(answer) || isBySag(answer)) && wantsReadingAgain(answer));
}

/** Whether nothing was turned yet, or not since something new went in. */
function isAsItCame({ state }: Answer): boolean {
  return state.current === state.base;
}

/** Whether the machine was settled in this round and every corner of which something is wanted was read at least twice. */
function readTwice({ state, document }: Answer): boolean {
  const round = state.rounds[state.current];
  const wanted = cornersIn(document).filter((id) => document.corners[id].targetMm !== null);
  return (
    round !== undefined &&
    round.settled !== null &&
    wanted.length > 0 &&
    wanted.every((id) => (round.heights[id]?.length ?? 0) >= 2)
  );
}

/** Early on another round is worth more than stopping; where hardly anything would move, or later, the tape has said what it can. */
function leastChance({ state, corners }: Answer): number {
  const { soon, still, late, lateFrom } = READ_IN_CHANCE;
  if (state.current >= lateFrom) return late;
  return corners.some((one) => isMoved(one) && Math.abs(one.riseMm) > UNSEEN_MM) ? soon : still;
}

/**
 * Corners of which something is wanted and nothing was read in this round: what was only predicted proves nothing. Set by a
 * sag, an end is read with whom on it is set.
 */
export function unreadOf({ state, document }: Pick<Answer, 'state' | 'document'>): CornerId[] {
  const round = state.rounds[state.current];
  return askedCorners(document, state).filter((id) => {
    if ((round?.heights[id] ?? round?.travelUsed[id]) !== undefined) return false;
    const wish = document.corners[id].targetMm === null ? sagWish(document, id) : null;
    return wish ? !isReadWith(round?.sag[id], wish.who) : !isReadStanding(round?.sag[id]);
  });
}

/** Whether the weight stands as it is asked to, or another round would hardly bring it nearer. */
function scalesEnough({ cross }: Answer): boolean {
  const wanted = scalesWanted(cross);
  if (!wanted) return true;
  const off = (share: number) => Math.abs(share - wanted.target);
  return (
    off(wanted.now) <= tolerances.crossShare ||
    off(wanted.now) - off(wanted.after) < tolerances.crossShare / 2
  );
}

/** What there still is to do before it may be locked, or what is not sure. */
export interface NotYet {
  /** Corners out of tolerance by the estimate, and not in by the tape. */
  out: CornerId[];
  /** Corners that the tape reads out of tolerance while the best estimate lies in. */
  tapeOut: CornerId[];
  /** What is asked of the scales and not there yet. */
  scales: ReturnType<typeof scalesWanted>;
  chanceNow: number;
  /** The chance after another round, where that is worth it. */
  betterBy: number | null;
}

/** What is not done yet; null where nothing is left, or nothing can be said. */
export function notYet(answer: Answer): NotYet | null {
  const { chanceNow, chanceAfter, cross } = answer;
  if (chanceNow === null || goodEnough(answer)) return null;
  const out = readsOut(answer);
  const better = chanceAfter !== null && chanceAfter - chanceNow >= WORTHWHILE_GAIN;
  return {
    // Nobody is told that a corner is out which the tape reads in: that is a matter of chance.
    out: out.filter((id) => tapeReads(answer, id) !== 'in'),
    tapeOut: answer.corners
      .map(({ id }) => id)
      .filter((id) => !out.includes(id) && tapeReads(answer, id) === 'out'),
    scales: scalesEnough(answer) ? null : scalesWanted(cross),
    chanceNow,
    betterBy: better ? chanceAfter : null,
  };
}

/** Where what was read of a corner in this round lies to its target, for the load it was read with; null with neither. */
function tapeReads({ state, document, corners, tolerance }: Answer, id: CornerId): 'in' | 'out' | null {
  const read = state.rounds[state.current]?.heights[id];
  const { targetMm, reference } = document.corners[id];
  const corner = corners.find((one) => one.id === id);
  if (!read || targetMm === null || !corner) return null;
  const otherLoadMm = corner.nowSpecMm - corner.nowMm;
  const offMm = meanOf(read) + reference.offsetMm + otherLoadMm - targetMm;
  return Math.abs(offMm) <= tolerance.value ? 'in' : 'out';
}

/** Corners of which the best estimate lies out of tolerance of what is wanted there. */
function readsOut(answer: Answer): CornerId[] {
  return answer.corners
    .filter(
      ({ id, nowSpecMm, spec, nowSagMm }) =>
        (spec.targetMm !== null && Math.abs(nowSpecMm - spec.targetMm) > answer.tolerance.value) ||
        !sagReadsIn(answer, id, nowSagMm),
    )
    .map(({ id }) => id);
}

/** Whether a sag lies in its window, or within tolerance of what is wanted where there is none. */
function sagReadsIn({ document, tolerance }: Answer, id: CornerId, nowSagMm: number): boolean {
  const wish = sagWish(document, id);
  if (!wish) return true;
  const { mm, window } = wish;
  return window
    ? nowSagMm >= window.fromMm && nowSagMm <= window.toMm
    : Math.abs(nowSagMm - mm) <= tolerance.value;
}
