import type { Situation } from '../estimate/belief.ts';
import { crossOf } from './crossAnswer.ts';
import { withMoves, unreadMoves } from './moved.ts';
import { predict } from '../estimate/predict.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Answer } from './answerShape.ts';
import { cornersNow } from './cornersNow.ts';
import { remembered } from './remembered.ts';
import { withSwaps, type Swaps } from './swaps.ts';
import { standingInTheWay } from './unplanned.ts';
import { chanceIn } from './landing.ts';
import { planFor, type PlanChoice, type Setting } from './planning.ts';
import { withTried, type Tried } from './tried.ts';

/**
 * The answer with seats and rings where somebody tries them by hand, in place of the plan's. What was read and learnt
 * stays.
 */
export function triedAnswer(answer: Answer, tried: Tried): Answer {
  return movedTo(settingOf(answer), answer, withTried(answer.after, answer.machine.corners, tried));
}

/** The answer with nothing turned: everything as it stands now. */
export function standingStill(answer: Answer): Answer {
  return movedTo(settingOf(answer), answer, answer.now);
}

/**
 * What is moved at a corner beyond where an answer leaves it: seats in their own count, mounts mm screwed out, rings mm
 * towards the springs, in the order of the corner's rings.
 */
export type Further = Partial<
  Record<CornerId, { seatBy?: number; mountMm?: number; ringsMm?: readonly number[] }>
>;

/** The answer with some adjusters moved further than it leaves them. */
export function movedFurther(answer: Answer, further: Further): Answer {
  const { corners } = answer.machine;
  const { after } = answer;
  const of = (i: number) => further[corners[i] as CornerId] ?? {};
  return movedTo(settingOf(answer), answer, {
    ...after,
    seatsBy: after.seatsBy.map((by, i) => by + (of(i).seatBy ?? 0)),
    mountsMm: after.mountsMm.map((mm, i) => mm + (of(i).mountMm ?? 0)),
    ringsMm: corners.map((id, i) =>
      answer.document.corners[id].rings.map(
        (_, j) => (after.ringsMm?.[i]?.[j] ?? 0) + (of(i).ringsMm?.[j] ?? 0),
      ),
    ),
  });
}

/** The answer with other springs in and nothing turned for them: everything stands where the answer leaves it. */
export function swappedAsItIs(answer: Answer, swaps: Swaps): Answer {
  const { setting, corners } = swappedSetting(answer, swaps);
  const { predictAt, learnt: fit } = setting;
  return movedTo(
    setting,
    { ...answer, fit, predictAt, corners: withMoves(setting, corners, answer.now) },
    answer.after,
  );
}

function swappedSetting(answer: Answer, swaps: Swaps) {
  const learnt = withSwaps(answer.fit, answer.machine.corners, swaps);
  const setting: Setting = {
    ...settingOf(answer),
    learnt,
    otherwise: [],
    predictAt: remembered((at) => predict(learnt, at)),
  };
  return { setting, corners: cornersNow(setting) };
}

/**
 * The answer planned anew with other springs in; what the readings taught of the machine stays. Its reasons are those that
 * still stand in the way.
 */
export function answerSwapped(answer: Answer, swaps: Swaps): Answer {
  const { setting, corners } = swappedSetting(answer, swaps);
  const plan = planFor(setting, corners);
  const { km, level, aboard } = answer.now;
  const swapped = {
    ...answer,
    fit: setting.learnt,
    predictAt: setting.predictAt,
    corners: withMoves(setting, corners, answer.now),
  };
  const then = movedTo(setting, swapped, { ...plan.to, km, level, aboard });
  return { ...then, reasons: standingInTheWay(setting, corners, plan, then) };
}

/** The answer with everything that is turned where it then is; reasons are the plan's own and are left out. */
function movedTo(setting: Setting, answer: Answer, after: Situation): Answer {
  const specifiedAfter = { ...after, ...setting.specified };
  return {
    ...answer,
    corners: withMoves(setting, answer.corners, after),
    unread: unreadMoves(setting, answer.corners, after),
    chanceAfter: chanceIn(setting, specifiedAfter),
    cross: crossOf(setting, after),
    reasons: [],
    after,
    specifiedAfter,
  };
}

/** The answer planned anew as somebody settles it: the scales weighed otherwise against the heights, or corners left alone. */
export function answerBy(answer: Answer, choice: PlanChoice): Answer {
  return plannedIn(settingOf(answer), answer, choice);
}

/** The answer planned anew for what else may be aboard when its targets are to be met: another rider, luggage. */
export function answerRidden(answer: Answer, aboard: readonly boolean[]): Answer {
  const setting = settingOf(answer);
  return plannedIn({ ...setting, specified: { ...setting.specified, aboard } }, answer);
}

function plannedIn(setting: Setting, answer: Answer, choice?: PlanChoice): Answer {
  const plan = planFor(setting, answer.corners, choice);
  const { km, level, aboard } = answer.now;
  return movedTo(setting, answer, { ...plan.to, km, level, aboard });
}

function settingOf({
  document,
  machine,
  state,
  fit: learnt,
  now,
  specifiedAfter,
  predictAt,
  corners,
  doubt,
  otherwise,
}: Answer): Setting {
  const { km, level, aboard } = specifiedAfter;
  const read = corners.map(({ id }) => id);
  const specified = { km, level, aboard };
  return { document, machine, state, learnt, read, now, specified, predictAt, doubt, otherwise };
}
