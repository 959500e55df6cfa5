import { sagWish } from '../document/sagWish.ts';
import { askedLater, askedNow } from '../document/turnedPart.ts';
import { isUntold } from '../document/untold.ts';
import { firstToTurn, toldOrder } from './turningOrder.ts';
import { type Stage } from './stages.ts';
import type { Answer } from '../planning/answerShape.ts';
import { askedCorners } from '../estimate/sagEvidence.ts';
import { lacksStep } from '../document/fitting.ts';
import { ringsOff } from '../planning/ringWork.ts';
import { goodEnough, wantsReadingAgain } from '../planning/enough.ts';
import { edgesToReadAgain } from '../planning/sagEnough.ts';
import { heldBackBy } from '../planning/heldBack.ts';
import type { Reason } from '../planning/reasons.ts';
import { type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { standingFacts } from '../document/facts.ts';
import { recheckOf, type Recheck } from '../document/recheck.ts';
import { readRounds, type RoundsState } from '../estimate/rounds.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';

/** What to do now. Corners of which something is asked are named with how many there are. */
export type NextDo =
  | { code: 'locked'; due: Recheck | null }
  | {
      code:
        | 'set-targets'
        | 'settle-and-measure'
        | 'measure'
        | 'lock'
        | 'decide-nearest'
        | 'decide-out-of-reach';
    }
  /** Every height reads in: read once more, after it was settled where it was not. */
  | { code: 'read-again'; settle: boolean }
  /** Heights are in, and so many points are open all the same. */
  | { code: 'open-points'; open: number }
  | { code: 'say-step' | 'set-ring' | 'find-out-why' | 'check-reading' | 'turn'; corner: CornerId }
  /** Adjusters that seem to have been turned the other way: looked at before anything is turned again. */
  | { code: 'check-collars'; corners: CornerId[] }
  /** The part that was chosen stands right; these, of which something is asked too, were only watched. */
  | { code: 'the-rest'; corners: CornerId[] }
  /** Sags that read in their windows, too near an edge to be sure of: read once more. */
  | { code: 'read-sag-again'; corners: CornerId[]; of: number }
  /** Sags that are to be read; `alone` where all of them are wanted with nobody on. */
  | { code: 'read-sag'; corners: CornerId[]; of: number; alone: boolean }
  | { code: 'measure-corners' | 'measure-corners-again'; corners: CornerId[]; of: number };

export type NextAction = NextDo & { stage: Stage };

/** The one thing to do next on a job. */
export function nextAction(asWritten: JobRecord, answer: Answer | null): NextAction {
  const record = { ...asWritten, document: askedNow(asWritten.document) };
  const state = answer?.state ?? readRounds(record);
  if (state.locked) {
    return { stage: 'close-out', code: 'locked', due: recheckOf(standingFacts(record)) };
  }
  const corners = cornersIn(record.document);
  const untold = corners.filter((id) => isUntold(record.document, id));
  if (untold.length === corners.length || (answer !== null && answer.chanceNow === null))
    return { stage: 'intake', code: 'set-targets' };
  const stepless = corners.find(
    (id) => lacksStep(record.document.corners[id]) && !isUntold(record.document, id),
  );
  if (stepless) return { stage: 'intake', code: 'say-step', corner: stepless };
  if (state.turning) {
    const { left, told } = state.turning;
    const [first] = toldOrder(record.document, told).filter((id) => left.includes(id));
    if (first) return { stage: 'turn', code: 'turn', corner: first };
  }
  if (isOnSagBench(record.document, state)) return nextOnSagBench(record.document, state, answer);
  const asked = corners.filter((id) => !isUntold(record.document, id));
  const unread = asked.filter((id) => state.rounds[state.current]?.heights[id] === undefined);
  if (state.current === 0 && unread.length > 0)
    return { stage: 'baseline', code: 'measure-corners', corners: unread, of: corners.length };
  if (unread.length > 0) {
    const settled = state.rounds[state.current]?.settled ?? null;
    return settled === null
      ? { stage: 'measure', code: 'settle-and-measure' }
      : { stage: 'measure', code: 'measure-corners-again', corners: unread, of: corners.length };
  }
  if (!answer) return { stage: 'baseline', code: 'measure' };
  const next = afterReadings(answer);
  // Once the part that was chosen stands right, the rest is next where something is asked of it; rings come after every seat.
  const isDone = next.code === 'lock' || next.code === 'set-ring';
  const later = isDone ? askedLater(asWritten.document) : [];
  return later.length > 0 ? { stage: 'plan', code: 'the-rest', corners: later } : next;
}

/** Whether a job is worked by sag: somebody is in its book of riders, and no height was ever read. */
function isOnSagBench(document: JobDocument, { rounds }: RoundsState): boolean {
  const bySag =
    document.riders.length > 0 || cornersIn(document).some((id) => sagWish(document, id) !== null);
  return bySag && Object.keys(rounds[0]?.heights ?? {}).length === 0;
}

function nextOnSagBench(document: JobDocument, state: RoundsState, answer: Answer | null): NextAction {
  const key = document.riders[0]?.key ?? '';
  const here = state.rounds[state.current]?.sag ?? {};
  const wished = askedCorners(document, state).flatMap((id) => {
    const wish = sagWish(document, id);
    return wish ? [{ id, who: wish.who }] : [];
  });
  const unread = wished.filter(({ id, who }) => here[id]?.states[who === 'alone' ? who : key] === undefined);
  if (unread.length > 0 || !answer) {
    // One state at a time: with the rider on first.
    const alone = unread.length > 0 && unread.every(({ who }) => who === 'alone');
    const corners = unread.filter(({ who }) => (who === 'alone') === alone).map(({ id }) => id);
    return { stage: 'sag', code: 'read-sag', corners, of: wished.length, alone };
  }
  const next = afterReadings(answer);
  if (next.code === 'read-again')
    return { stage: 'sag', code: 'read-sag-again', corners: edgesToReadAgain(answer), of: wished.length };
  return next.stage === 'close-out' || next.stage === 'rings' ? next : { ...next, stage: 'sag' };
}

/** Reasons that the owner has to decide on. */
const outOfReach: readonly Reason['kind'][] = [
  'thread', 'positions', 'pressure', 'droop', 'mount', 'ring-holds', 'sag', 'cross',
]; // oxfmt-ignore

function blocks(reason: Reason): boolean {
  const had = 'met' in reason && reason.met;
  const onGuess = 'guessed' in reason && reason.guessed;
  return outOfReach.includes(reason.kind) && !had && !onGuess;
}

function afterReadings(answer: Answer): NextAction {
  if (goodEnough(answer)) {
    const [ring] = ringsOff(answer);
    return ring ? { stage: 'rings', code: 'set-ring', corner: ring } : { stage: 'close-out', code: 'lock' };
  }
  const stage = answer.state.current === 0 ? 'baseline' : 'measure';
  const held = heldBackBy(answer.doubt, answer.state);
  if (held?.code === 'one-corner') return { stage: 'plan', code: 'find-out-why', corner: held.corner };
  if (held?.code === 'odd-reading') return { stage, code: 'check-reading', corner: held.corner };
  if (wantsReadingAgain(answer)) {
    const settle = answer.state.rounds[answer.state.current]?.settled === null;
    return { stage, code: 'read-again', settle };
  }
  const first = firstToTurn(answer);
  if (!first) return { stage: 'plan', code: 'decide-nearest' };
  if (answer.reasons.some(blocks)) return { stage: 'plan', code: 'decide-out-of-reach' };
  return { stage: 'plan', code: 'turn', corner: first };
}
