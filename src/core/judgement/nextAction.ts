import type { Answer } from '../planning/answerShape.ts';
import { askedCorners } from '../estimate/sagEvidence.ts';
import { hardEndOf, lacksStep } from '../document/fitting.ts';
import { marginsFor, type Margin } from '../margins/margins.ts';
import { cornerHeight } from '../figures/cornerHeight.ts';
import { answerFor } from '../planning/answer.ts';
import { isMoved, isOffItsGap, type CornerAnswer } from '../planning/cornerAnswer.ts';
import { goodEnough, wantsReadingAgain } from '../planning/enough.ts';
import type { Reason } from '../planning/reasons.ts';
import { axleOf, cornerNames, type CornerId } from '../kinds/corners.ts';
import { cornersIn, footingOf, standsOnFour } from '../kinds/classes/index.ts';
import { tolerances } from '../tolerances.ts';
import { standingFacts } from '../document/facts.ts';
import { recheckOf, recheckWords } from '../document/recheck.ts';
import { isRidden } from '../document/riders.ts';
import { readRounds, type RoundsState } from '../estimate/rounds.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';

/** The stages of a job that the sheet has, in the order of the work. */
export const stages = [
  'intake',
  'prep',
  'sag',
  'baseline',
  'scales',
  'plan',
  'turn',
  'measure',
  'rings',
  'stance',
  'close-out',
  'ride',
] as const;
export type Stage = (typeof stages)[number];

/** The stages that a job has: rings only where some are fitted, sag only where somebody rides, scales only for four pads. */
export function stagesOf(document: JobDocument): Stage[] {
  const ringed = cornersIn(document).some((id) => document.corners[id].rings.length > 0);
  const ridden = isRidden(document.machine.class);
  const wheels = footingOf(document.machine.class) === 'wheels';
  const scales = standsOnFour(document.machine.class);
  const has: Partial<Record<Stage, boolean>> = { rings: ringed, sag: ridden, scales, stance: wheels };
  return stages.filter((stage) => has[stage] ?? true);
}

export interface NextAction {
  stage: Stage;
  /** What to do now, in the workshop's words. */
  words: string;
}

/** The one thing to do next on a job. */
export function nextAction(record: JobRecord, answer: Answer | null = answerFor(record)): NextAction {
  const state = answer?.state ?? readRounds(record);
  if (state.locked) {
    const due = recheckOf(standingFacts(record));
    return { stage: 'close-out', words: due ? recheckWords(due) : 'locked at its heights' };
  }
  const corners = cornersIn(record.document);
  const untold = corners.filter((id) => isUntold(record.document, id));
  if (untold.length === corners.length || (answer !== null && answer.chanceNow === null))
    return { stage: 'intake', words: 'set the target heights' };
  const stepless = corners.find(
    (id) => lacksStep(record.document.corners[id]) && !isUntold(record.document, id),
  );
  if (stepless) return { stage: 'intake', words: `say how far one step goes, ${cornerNames[stepless]}` };
  if (state.turning) {
    const { left } = state.turning;
    const [first] = turningOrder(record.document).filter((id) => left.includes(id));
    return { stage: 'turn', words: `turn ${first ? cornerNames[first] : ''}` };
  }
  if (isOnSagBench(record.document, state)) return nextOnSagBench(record.document, state, answer);
  const asked = corners.filter((id) => !isUntold(record.document, id));
  const unread = asked.filter((id) => state.rounds[state.current]?.heights[id] === undefined);
  if (state.current === 0 && unread.length > 0)
    return { stage: 'baseline', words: `measure ${namesOf(unread, corners)}` };
  if (unread.length > 0) {
    const settled = state.rounds[state.current]?.settled ?? null;
    return { stage: 'measure', words: measureWords(settled, unread, corners) };
  }
  return answer ? afterReadings(answer) : { stage: 'baseline', words: 'measure' };
}

/** Whether a job is worked by sag: somebody is in its book of riders, and no height was ever read. */
function isOnSagBench({ riders }: JobDocument, { rounds }: RoundsState): boolean {
  return riders.length > 0 && Object.keys(rounds[0]?.heights ?? {}).length === 0;
}

function nextOnSagBench(document: JobDocument, state: RoundsState, answer: Answer | null): NextAction {
  const key = document.riders[0]?.key ?? '';
  const here = state.rounds[state.current]?.sag ?? {};
  const all = askedCorners(document, state).filter((id) => document.corners[id].sagMm !== null);
  const unread = all.filter((id) => here[id]?.states[key] === undefined);
  if (unread.length > 0 || !answer) {
    const where = unread.length === all.length ? '' : `, ${namesOf(unread, all)}`;
    return { stage: 'sag', words: `read the sag, rider on${where}` };
  }
  const next = afterReadings(answer);
  return next.stage === 'plan' ? { ...next, stage: 'sag' } : next;
}

/** Nothing is asked of the corner yet: neither a height nor a sag. A skid's front arm need not be asked for either. */
export function isUntold(document: JobDocument, id: CornerId): boolean {
  const { targetMm, sagMm, adjustable } = document.corners[id];
  return targetMm === null && sagMm === null && adjustable && id !== 'FA';
}

function measureWords(
  settled: string | null,
  unread: readonly CornerId[],
  corners: readonly CornerId[],
): string {
  if (settled === null) return 'settle, then measure';
  return unread.length === corners.length ? 'measure again' : `measure ${namesOf(unread, corners)}`;
}

/** Reasons that the owner has to decide on. */
const outOfReach: readonly Reason['kind'][] = ['thread', 'droop', 'mount', 'ring-holds', 'sag', 'cross'];

function afterReadings(answer: Answer): NextAction {
  if (goodEnough(answer)) {
    const ring = answer.corners.find(({ rings }) => rings.some(isOffItsGap));
    return ring
      ? { stage: 'rings', words: `set the ring ${cornerNames[ring.id]}` }
      : { stage: 'close-out', words: 'in tolerance: lock it' };
  }
  const asked = answer.doubt.suspicions[0]?.misfit;
  if (asked?.code === 'one-corner')
    return { stage: 'plan', words: `find out why ${cornerNames[asked.corner]} is off` };
  if (wantsReadingAgain(answer))
    return { stage: answer.state.current === 0 ? 'baseline' : 'measure', words: 'read once more to be sure' };
  const first = firstToTurn(answer);
  if (!first) return { stage: 'plan', words: 'nearest heights reached: decide' };
  if (answer.reasons.some(({ kind }) => outOfReach.includes(kind)))
    return { stage: 'plan', words: 'target out of reach: decide' };
  return { stage: 'plan', words: `turn ${cornerNames[first]}` };
}

/**
 * mm by which a machine stands high all round, where that is what new springs usually lose: between 1 and 8 mm, alike
 * within the tolerance. Null where there is nothing to leave to settling.
 */
export function settlesBy(answer: Answer): number | null {
  const over = answer.corners.flatMap(({ spec, nowSpecMm }) =>
    spec.targetMm === null ? [] : [nowSpecMm - spec.targetMm],
  );
  if (over.length === 0) return null;
  const [least, most] = [Math.min(...over), Math.max(...over)];
  const { leastMm, mostMm } = tolerances.leftToSettle;
  if (least < leastMm || most > mostMm || most - least > answer.tolerance.value) return null;
  return Math.round((least + most) / 2);
}

/** The order to turn corners in: the end that is hard to get at first, then as they are measured. */
export function turningOrder(document: JobDocument): CornerId[] {
  const late = (id: CornerId) => Number(hardEndOf(document) !== null && axleOf(id) !== hardEndOf(document));
  return [...cornersIn(document)].sort((a, b) => late(a) - late(b));
}

/** The corner to start with: at the hard end, else the largest move first, since it carries the others most. */
export function firstToTurn(answer: Answer): CornerId | null {
  const size = ({ seatBy, mountMm, gain }: CornerAnswer) => Math.abs(seatBy + mountMm) * gain;
  const hardEnd = hardEndOf(answer.document);
  const all = answer.corners.filter(isMoved);
  const hard = all.filter(({ id }) => axleOf(id) === hardEnd);
  const moving = hard.length > 0 ? hard : all;
  return [...moving].sort((a, b) => size(b) - size(a))[0]?.id ?? null;
}

function namesOf(some: readonly CornerId[], corners: readonly CornerId[]): string {
  if (some.length === corners.length) return corners.length === 4 ? 'all four corners' : 'both ends';
  return some.map((id) => cornerNames[id]).join(', ');
}

/** What Bays shows of a job. */
export interface JobSummary {
  id: string;
  version: number;
  name: string;
  machineClass: JobRecord['document']['machine']['class'];
  title: string;
  round: number;
  locked: boolean;
  next: NextAction;
  worst: Margin | null;
  /** Height to go per corner where it was measured out of tolerance, mm; 0 where it is in, null where it was not read since. */
  toGoMm: Partial<Record<CornerId, number | null>>;
  updatedAt: string;
}

/** Computes a job's line on Bays. */
export function summarise(record: JobRecord, updatedAt: string): JobSummary {
  const answer = answerFor(record);
  const state = answer?.state ?? readRounds(record);
  const toGo = (id: CornerId): number | null => {
    const corner = answer?.corners.find((one) => one.id === id);
    if (!answer || !corner || corner.spec.targetMm === null) return null;
    const { measured } = cornerHeight(answer, id);
    if (!measured) return null;
    // As it would read with on board what the target is for.
    const togo = corner.spec.targetMm - measured.value - (corner.nowSpecMm - corner.nowMm);
    return Math.abs(togo) > answer.tolerance.value ? togo : 0;
  };
  return {
    id: record.id,
    version: record.version,
    name: record.document.name,
    machineClass: record.document.machine.class,
    title: record.document.machine.title,
    round: state.current,
    locked: state.locked,
    next: nextAction(record, answer),
    worst: answer ? (marginsFor(answer)[0] ?? null) : null,
    toGoMm: Object.fromEntries(cornersIn(record.document).map((id) => [id, toGo(id)])),
    updatedAt,
  };
}
