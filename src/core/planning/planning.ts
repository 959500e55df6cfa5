import { sagGoals, sagPrediction } from './sagGoals.ts';
import { isSagUnseen } from './sagUnseen.ts';
import { standIn, type SagStand } from './sagEnough.ts';
import { sagWish } from '../document/sagWish.ts';
import { canMove, hardEndOf } from '../document/fitting.ts';
import { isTurnedNow } from '../document/turnedPart.ts';
import type { JobMachine } from '../estimate/believed.ts';
import { toleranceOf } from '../estimate/corner.ts';
import type { RoundsState } from '../estimate/rounds.ts';
import type { JobDocument } from '../document/types.ts';
import type { Doubt, Otherwise } from '../estimate/estimate.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Fit } from '../estimate/fit.ts';
import type { Prediction } from '../estimate/predict.ts';
import { axleOf, sideOf, twinOf, type CornerId } from '../kinds/corners.ts';
import { standsOnFour } from '../kinds/classes/index.ts';
import { tolerances } from '../tolerances.ts';
import { adjustersOf, groupsOf, twinsOf } from './adjusters.ts';
import { aimFor, type Adjuster, type AimSolution } from './aim.ts';
import type { CornerAnswer } from './cornerAnswer.ts';
import { extraValue, type ExtraGoal } from './goals.ts';
import { ringsToGaps, wantsGaps } from './rings.ts';

/** pairs of machines drawn to plan on while somebody types. */
const PAGE_PAIRS = 1;
/** passes. Seats and rings set each other; two passes settle them, a third is for rings near their sliders. */
const RING_PASSES = 3;
/** dimensionless. What a move costs at an end that is hard to get at, against one at the other. */
const HARD_EFFORT = 20;
/** share of a tolerance. An end that was set once is left alone while the other brings everything within this of it. */
const LEFT_ALONE_SHARE = 0.5;

/** What one answer is worked out from. */
export interface Setting {
  document: JobDocument;
  machine: JobMachine;
  state: RoundsState;
  learnt: Fit;
  /** Corners whose heights were read, in the order of the references. */
  read: readonly CornerId[];
  now: Situation;
  /** What the targets are for. */
  specified: SpecifiedAs;
  predictAt: (situation: Situation) => Prediction;
  /** What does not agree. */
  doubt: Doubt;
  otherwise: readonly Otherwise[];
}

export type SpecifiedAs = Pick<Situation, 'km' | 'level' | 'aboard'>;

export type CornerNow = Pick<
  CornerAnswer,
  | 'id'
  | 'spec'
  | 'nowMm'
  | 'nowSdMm'
  | 'gain'
  | 'travelShiftMm'
  | 'travelNow'
  | 'travelSdMm'
  | 'collarMm'
  | 'room'
>;

/** A plan, with the adjusters it is by. */
export interface Plan extends AimSolution {
  adjusters: Adjuster[];
}

/** What somebody settles beside what the job asks for. */
export interface PlanChoice {
  /** How much the goal on the scales counts against the heights, in place of the job's. */
  scalesWeight?: number;
  /** Corners that are left as they are. */
  held?: readonly CornerId[];
}

/**
 * The moves that meet a job's targets best. An end that is hard to get at, and was set in an earlier round, is left alone
 * where the other end can bring everything well within tolerance by itself.
 */
export function planFor(
  setting: Setting,
  corners: readonly CornerNow[],
  { scalesWeight, held = [] }: PlanChoice = {},
): Plan {
  const { document, machine, now } = setting;
  const all = adjustersOf(document, machine, corners, now).map((one) => {
    const id = machine.corners[one.contact] as CornerId;
    const isHeld = isLeft(document, machine, one) || held.includes(id) || isGuessed(setting, one);
    return isHeld ? heldAt(one, 0) : one;
  });
  const extras = extrasOf(setting, scalesWeight ?? document.crossWeight ?? 1);
  const stands = all.map((one) => standsAt(setting, one));
  // While another end is out and turned anyway, one that reads in is left; else only what is surely in.
  const isLeftIn = (stand: SagStand | null) => stand === 'in' || (stand === 'edge' && stands.includes('out'));
  const once = all.map((one, j) =>
    isSetBefore(setting, one) || isLeftIn(stands[j] ?? null) ? heldAt(one, 0) : one,
  );
  if (once.some((one, j) => one !== all[j])) {
    const plan = planBy(setting, corners, { adjusters: once, extras });
    if (isWithin(setting, corners, plan, extras)) return { ...plan, adjusters: all };
  }
  return { ...planBy(setting, corners, { adjusters: all, extras }), adjusters: all };
}

/** A seat of the hard end that was moved in an earlier round, as it is fitted now. */
function isSetBefore({ document, machine, state }: Setting, { contact }: Adjuster): boolean {
  const id = machine.corners[contact] as CornerId;
  return (
    hardEndOf(document) === axleOf(id) &&
    state.rounds.some(
      ({ round, moves, mounts }) => round > state.base && (moves[id] ?? mounts[id]) !== undefined,
    )
  );
}

/** Read, but not in the state that it is set by, and known too badly from what was. */
function isGuessed(setting: Setting, { contact }: Adjuster): boolean {
  const id = setting.machine.corners[contact] as CornerId;
  if (!setting.read.includes(id)) return false;
  return isSagUnseen(setting, id, sagPrediction(setting, id, setting.now).travelSd[contact] ?? Infinity);
}

/** How an end's sag stands to its window, the worse side where there are two; null where it is not set by one. */
function standsAt(setting: Setting, { contact }: Adjuster): SagStand | null {
  const { document, machine, now } = setting;
  const own = machine.corners[contact] as CornerId;
  const sides = [own, twinOf(own)].filter((id) => id !== null);
  const stands = sides.map((id) => {
    const window = sagWish(document, id)?.window;
    if (!window || document.corners[id].targetMm !== null) return null;
    const { travel, travelSd } = sagPrediction(setting, id, now);
    const i = machine.corners.indexOf(id);
    return standIn(window, travel[i] ?? NaN, travelSd[i] ?? 0);
  });
  return stands.includes(null)
    ? null
    : ((['out', 'edge', 'in'] as const).find((one) => stands.includes(one)) ?? null);
}

/** Whether a plan brings every height and what is wanted beside them well inside its tolerance. */
function isWithin(
  { document }: Setting,
  corners: readonly CornerNow[],
  { prediction }: AimSolution,
  extras: readonly ExtraGoal[],
): boolean {
  const mostMm = LEFT_ALONE_SHARE * toleranceOf(document).value;
  const off = corners.map(({ spec }, r) =>
    spec.targetMm === null ? 0 : Math.abs((prediction.mean[r] ?? 0) - spec.targetMm),
  );
  const { outcome } = prediction;
  return (
    off.every((mm) => mm <= mostMm) &&
    extras.every((goal) => {
      const value = extraValue(goal, outcome);
      if (goal.kind === 'sag' && goal.window) return goal.window.fromMm <= value && value <= goal.window.toMm;
      const most = goal.kind === 'share' ? LEFT_ALONE_SHARE * tolerances.crossShare : mostMm;
      return Math.abs(value - goal.target) <= most;
    })
  );
}

interface Means {
  adjusters: readonly Adjuster[];
  extras: readonly ExtraGoal[];
}

function planBy(
  setting: Setting,
  corners: readonly CornerNow[],
  { adjusters: all, extras }: Means,
): AimSolution {
  const { document, machine, learnt, now, specified, predictAt } = setting;
  const fitted = corners.some(({ id }) => machine.sources[id].springs !== 'assumed');
  const aimBy = (adjusters: readonly Adjuster[], from: Situation) =>
    aimFor({
      fit: learnt,
      from,
      meetAt: specified,
      targets: corners.map(({ spec }) => spec.targetMm),
      weights: corners.map(({ id }) => document.corners[id].weight ?? 1),
      extras,
      toleranceMm: toleranceOf(document).value,
      adjusters,
      efforts: adjusters.map(({ contact }) => effortOf(document, machine.corners[contact] as CornerId)),
      groups: groupsOf(machine, adjusters, areTied(document), corners.length),
      twins: twinsOf(machine, adjusters),
      // Drawn machines pull a little towards their own middle, which several goals at once would show.
      pairs: fitted && extras.length === 0 ? PAGE_PAIRS : 0,
      spareTwist: standsOnFour(document.machine.class),
      predictAt,
    });
  const aim = (from: Situation) => {
    // Height is the lower mount's business; the seat, and with it the preload, is touched where that runs out.
    const spared = all.map((one) => (isSpared(document, machine, one) ? heldAt(one, 0) : one));
    const first = aimBy(spared, from);
    const left = all.map((one, j) => (one.kind === 'mount' ? heldAt(one, first.movesBy[j] ?? 0) : one));
    const short = all.some((one, j) => one.kind === 'mount' && ranOut(one, first.freeBy[j] ?? 0));
    return short ? { ...aimBy(left, from), freeBy: first.freeBy } : first;
  };
  let plan = aim(now);
  if (wantsGaps(document))
    for (let pass = 0; pass < RING_PASSES; pass++) {
      const from = ringsToGaps(
        document,
        machine,
        { ...now, ringsMm: plan.to.ringsMm },
        plan.prediction.outcome,
      );
      plan = aim(from);
    }
  return plan;
}

/** Whether left and right move alike: not where one of them is only watched. */
function areTied({ equalSides, turnOnly }: JobDocument): boolean {
  return equalSides && turnOnly !== 'left' && turnOnly !== 'right';
}

/** How much a move costs there: seats that are hard to get at are spared where others do as well. */
function effortOf(document: JobDocument, id: CornerId): number {
  return hardEndOf(document) === axleOf(id) ? HARD_EFFORT : 1;
}

/** Where nothing can be moved, or only watched, or nothing is asked of a corner or its twin, it is left as it is. */
function isLeft(document: JobDocument, machine: JobMachine, { contact }: Adjuster): boolean {
  const { corners, crossTarget, frontEqual } = document;
  const id = machine.corners[contact] as CornerId;
  const twin = twinOf(id);
  const asks = (one: CornerId) => corners[one].targetMm !== null || sagWish(document, one) !== null;
  const asked = asks(id) || (twin !== null && asks(twin)) || crossTarget !== null || frontEqual;
  return !canMove(corners[id]) || !isTurnedNow(document, id) || !asked;
}

/** A seat beside a lower mount, where no sag is asked for. */
function isSpared(document: JobDocument, machine: JobMachine, { contact, kind }: Adjuster): boolean {
  const id = machine.corners[contact] as CornerId;
  return kind === 'seat' && document.corners[id].mount !== null && sagWish(document, id) === null;
}

function heldAt(adjuster: Adjuster, mm: number): Adjuster {
  return { ...adjuster, choicesBy: [mm], room: { down: mm, up: mm } };
}

function ranOut({ room, stepBy }: Adjuster, wantedMm: number): boolean {
  return wantedMm > room.up + stepBy || wantedMm < room.down - stepBy;
}

/** What is wanted beside heights: sag at corners, and how the weight shall stand. */
function extrasOf(setting: Setting, scalesWeight: number): ExtraGoal[] {
  const { document, machine } = setting;
  const sags = sagGoals(setting);
  const pads = padGoals(machine);
  if (!pads) return sags;
  const weight = scalesWeight;
  const { crossTarget, frontEqual } = document;
  if (frontEqual) return [...sags, { kind: 'share', ...pads.frontRight, target: 0.5, weight }];
  return crossTarget === null
    ? sags
    : [...sags, { kind: 'share', ...pads.cross, target: crossTarget, weight }];
}

/** Which pads make the shares that are asked for; null where the machine does not stand on four wheels. */
export function padGoals({ corners }: JobMachine) {
  if (corners.length !== 4 || !corners.every((id) => sideOf(id) !== 0)) return null;
  const at = (...ids: CornerId[]) => ids.map((id) => corners.indexOf(id));
  return {
    /** Right front and left rear over all four. */
    cross: { contacts: at('RF', 'LR'), of: at('LF', 'RF', 'LR', 'RR') },
    /** Right front over both fronts. */
    frontRight: { contacts: at('RF'), of: at('LF', 'RF') },
  };
}
