import { atItsEnd } from './runOut.ts';
import { whichKey } from '../document/which.ts';
import { axleOf, twinOf, type CornerId } from '../kinds/corners.ts';
import type { MarginKind } from '../margins/index.ts';
import { marginsFor, type Margin } from '../margins/margins.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import {
  answerSwapped,
  movedFurther,
  standingStill,
  swappedAsItIs,
  type Further,
} from '../planning/replan.ts';
import type { Swaps } from '../planning/swaps.ts';
import { once } from '../once.ts';
import { tolerances } from '../tolerances.ts';
import type { Finding, RunOut } from './finding.ts';

/** Something that may be done about a finding. */
export type RemedyDo =
  /** The adjuster turned so far, in its own count; its pitch where it is turned, mm; `both` where its twin goes as far. */
  | { do: 'seat'; corner: CornerId; by: number; pitchMm: number | null; both: boolean }
  /** The lower mount screwed out, mm; negative in. */
  | { do: 'mount'; corner: CornerId; mm: number; pitchMm: number }
  /** The mount screwed out and the seat back by as much of height, or the other way round. */
  | { do: 'mount-for-seat'; corner: CornerId; mountMm: number; seatBy: number }
  /** A helper on the spring that takes up so much, mm, and lies solid at ride height. */
  | { do: 'helper'; corner: CornerId; takesUpMm: number }
  /** Another spring: times the rate, mm longer unloaded. */
  | { do: 'spring'; corner: CornerId; rateTimes: number; longerMm: number }
  /** A spring of the same rate that can be squeezed so much further, mm. */
  | { do: 'spring-room'; corner: CornerId; moreMm: number }
  /** The height that can be had taken as the target, mm. */
  | { do: 'target'; corner: CornerId; toMm: number };

/** What something left comes down to when a remedy is done. */
export interface Cost {
  kind: MarginKind;
  corner: CornerId;
  fromMm: number;
  toMm: number;
}

/** A remedy with what the machine does with it in. */
export type Remedy = RemedyDo & {
  /** What is then left of what had run out, mm; null for a target, which then is met. */
  leftMm: number | null;
  /** mm that the corner then stands higher. */
  riseMm: number;
  /** What comes nearer to its end by it, the nearest first. */
  costs: Cost[];
};

/** mm of seat or mount that nobody turns further for a remedy. */
const MOST_MM = 60;
/** share of the range that a remedy leaves where being at the end is what is wrong. */
const RESERVE = 0.1;
/** mm. A margin that loses less is not worth a word. */
const SEEN_MM = 1;
/** mm of preload that keeps a spring seated. */
const SEATED_MM = 3;
/** share. No spring further from the one fitted is proposed. */
const MOST_STIFFER = 0.6;
/** share, mm. Springs come in such steps. */
const RATE_STEP = 0.05;
const LENGTH_STEP_MM = 5;

/** Kinds of which less is nearer to harm: those that a remedy may cost. */
const counted: readonly MarginKind[] = [
  'droop', 'bump-stop', 'bump-metal', 'coil', 'seated', 'thread-up', 'thread-down', 'engagement', 'clearance', 'joint', 'ground',
]; // prettier-ignore

/**
 * What would cure a finding, each tried on the machine as it is believed to be: what does not cure it is left out. Empty
 * where nothing is known that would, or where reading again is the cure.
 */
export function remediesFor(answer: Answer, finding: Finding): Remedy[] {
  const all = triedFor(answer, finding);
  // What breaks something else is told only where nothing better is known.
  const sound = all.filter(({ costs }) => costs.every(({ toMm }) => toMm > -tolerances.missedMm));
  return sound.length > 0 ? sound : all;
}

function triedFor(answer: Answer, finding: Finding): Remedy[] {
  switch (finding.code) {
    case 'run-out':
      return ofRunOut(finding.when === 'after' ? answer : standingStill(answer), finding);
    case 'unreachable':
      return ofUnreachable(answer, finding);
    case 'spring':
      return rightSpring(answer, finding.corner, finding.verdict === 'too soft' ? 1 : -1);
    default:
      return [];
  }
}

function ofRunOut(base: Answer, finding: RunOut): Remedy[] {
  const corner = base.corners.find(({ id }) => id === finding.corner);
  const margin = find(marginsFor(base), finding);
  if (!corner || !margin) return [];
  const at = { base, corner, finding, margin };
  switch (finding.kind) {
    case 'droop':
      return [...bySeat(at, -1), ...byMount(at, 1)];
    case 'bump-stop':
    case 'bump-metal':
      return [...bySeat(at, 1), ...byMount(at, 1), ...stiffer(at)];
    case 'coil':
      return [...roomier(at), ...mountForSeat(at, 1), ...bySeat(at, -1)];
    case 'seated':
      return [...helper(at), ...softer(at), ...mountForSeat(at, -1)];
    case 'clearance':
    case 'joint':
    case 'ground':
      return [...bySeat(at, 1), ...bySeat(at, -1), ...byMount(at, 1), ...byMount(at, -1)].slice(0, 2);
    case 'thread-up':
      return bySeat(at, -1);
    case 'thread-down':
      return bySeat(at, 1);
    case 'engagement':
      return byMount(at, -1);
    default:
      return [];
  }
}

interface At {
  base: Answer;
  corner: CornerAnswer;
  finding: RunOut;
  margin: Margin;
}

const find = (margins: readonly Margin[], { kind, corner, which }: RunOut) =>
  margins.find(
    (one) => one.kind === kind && one.corner === corner && whichKey(one.which) === whichKey(which),
  ) ?? null;

/** What has to be left: where being at the end is what is wrong a part of the range, else the end is enough. */
function enough({ finding, margin }: At): number {
  return atItsEnd.includes(finding.kind) ? RESERVE * margin.rangeMm : 0;
}

/** The fewest whole steps in a direction with which enough is left; null where none within reach has it. */
function leastMove(
  at: At,
  step: { by: number; most: number },
  further: (by: number) => Further,
): { by: number; then: Answer } | null {
  const wantedMm = enough(at) - tolerances.missedMm;
  const doneBy = (steps: number) => movedFurther(at.base, further(steps * step.by));
  const isEnough = (steps: number) =>
    (find(marginsFor(doneBy(steps)), at.finding)?.leftMm ?? Infinity) >= wantedMm;
  let most = Math.floor(step.most / step.by + 1e-9);
  if (most < 1 || !isEnough(most)) return null;
  for (let few = 0; most - few > 1;) {
    const middle = Math.floor((few + most) / 2);
    if (isEnough(middle)) most = middle;
    else few = middle;
  }
  return { by: most * step.by, then: doneBy(most) };
}

/** The smallest move that can be told of an adjuster, in its own count. */
function stepOf({ spec, steps }: CornerAnswer): number {
  return steps === null ? spec.pitchMm.value * tolerances.turnStep : spec.stepMm.value;
}

function bySeat(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const { id, room, seatBy, cam, airBar, steps, spec } = corner;
  if (!base.document.corners[id].adjustable || cam || airBar) return [];
  const roomMm = sign > 0 ? room.up - seatBy : seatBy - room.down;
  // A collar past the end of good thread may be turned back, whatever room it has beyond.
  const most = Math.min(Math.max(roomMm, at.finding.kind.startsWith('thread') ? MOST_MM : 0), MOST_MM);
  const both = at.finding.kind === 'ground' ? twinOf(id) : null;
  const further = (by: number): Further => ({
    [id]: { seatBy: sign * by },
    ...(both ? { [both]: { seatBy: sign * by } } : {}),
  });
  const found = leastMove(at, { by: stepOf(corner), most }, further);
  if (!found) return [];
  const pitchMm = steps === null ? spec.pitchMm.value : null;
  return [
    worked(at, { do: 'seat', corner: id, by: sign * found.by, pitchMm, both: both !== null }, found.then),
  ];
}

function byMount(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const mount = base.document.corners[corner.id].mount;
  if (!mount || !corner.mount) return [];
  const { afterMm, leastMm } = corner.mount;
  const outMm = afterMm === null ? MOST_MM : Math.max(afterMm - leastMm, 0);
  const inMm = afterMm === null || mount.mostMm === null ? MOST_MM : Math.max(mount.mostMm - afterMm, 0);
  const most = Math.min(sign > 0 ? outMm : inMm, MOST_MM);
  const found = leastMove(at, { by: mount.pitchMm * tolerances.turnStep, most }, (by) => ({
    [corner.id]: { mountMm: sign * by },
  }));
  if (!found) return [];
  const { pitchMm } = mount;
  return [worked(at, { do: 'mount', corner: corner.id, mm: sign * found.by, pitchMm }, found.then)];
}

/** The mount screwed out (or in) while the seat gives the height back: preload changes, the height does not. */
function mountForSeat(at: At, sign: 1 | -1): Remedy[] {
  const { base, corner } = at;
  const mount = base.document.corners[corner.id].mount;
  if (!mount || !corner.mount) return [];
  const { afterMm, leastMm } = corner.mount;
  const outMm = afterMm === null ? MOST_MM : Math.max(afterMm - leastMm, 0);
  const most = Math.min(sign > 0 ? outMm : (mount.mostMm ?? MOST_MM), MOST_MM);
  const step = mount.pitchMm * tolerances.turnStep;
  const further = (by: number): Further => ({ [corner.id]: { mountMm: sign * by, seatBy: -sign * by } });
  const found = leastMove(at, { by: step, most }, further);
  if (!found) return [];
  const moved = {
    do: 'mount-for-seat',
    corner: corner.id,
    mountMm: sign * found.by,
    seatBy: -sign * found.by,
  } as const;
  return [worked(at, moved, found.then)];
}

/** A helper that takes up what is loose, in the machine: where it does not keep the spring seated it is no cure. */
function helper(at: At): Remedy[] {
  const { base, corner, finding } = at;
  const takesUpMm = Math.ceil(-finding.leftMm + SEATED_MM);
  const then = swappedAsItIs(base, { [corner.id]: { rateScale: 1, longerMm: 0, helperMm: takesUpMm } });
  const told = worked(at, { do: 'helper', corner: corner.id, takesUpMm }, then);
  return (told.leftMm ?? -1) > 0 ? [told] : [];
}

/**
 * A softer spring with preload for one that is loose: at the height it stands now it is squeezed by as much more as it was
 * loose, so k' = k X / (X + loose + preload), X being what the load squeezes the one that is fitted.
 */
function softer(at: At): Remedy[] {
  const { base, corner, finding } = at;
  const i = base.machine.corners.indexOf(corner.id);
  const { solver } = base.predictAt(base.after).outcome;
  const model = solver.corners[i];
  if (!model?.stack || base.document.corners[corner.id].springs.length !== 1) return [];
  const squeezedMm = model.springAt(solver.z[i] ?? 0) + model.preloadMm;
  const moreMm = SEATED_MM - finding.leftMm;
  const rateTimes = squeezedMm / (squeezedMm + moreMm);
  if (rateTimes < 1 - MOST_STIFFER) return [];
  const swaps: Swaps = { [corner.id]: { rateScale: rateTimes, longerMm: moreMm } };
  const then = swappedAsItIs(base, swaps);
  return [worked(at, { do: 'spring', corner: corner.id, rateTimes, longerMm: moreMm }, then)];
}

/** The nearest stiffer spring, in steps as they are sold, with which enough is left. */
function stiffer(at: At): Remedy[] {
  const { base, corner, finding } = at;
  if (base.machine.sources[corner.id].springs === 'assumed') return [];
  for (let share = RATE_STEP; share <= MOST_STIFFER + 1e-9; share += RATE_STEP) {
    const then = swappedAsItIs(base, { [corner.id]: { rateScale: 1 + share, longerMm: 0 } });
    const leftMm = find(marginsFor(then), finding)?.leftMm ?? -Infinity;
    if (leftMm >= enough(at))
      return [worked(at, { do: 'spring', corner: corner.id, rateTimes: 1 + share, longerMm: 0 }, then)];
  }
  return [];
}

/** A spring that may be squeezed further, of the same rate and length, in the machine. */
function roomier(at: At): Remedy[] {
  const { base, corner, finding } = at;
  const moreMm = Math.ceil(-finding.leftMm + tolerances.missedMm);
  const then = swappedAsItIs(base, { [corner.id]: { rateScale: 1, longerMm: 0, roomierMm: moreMm } });
  const told = worked(at, { do: 'spring-room', corner: corner.id, moreMm }, then);
  return (told.leftMm ?? -1) >= 0 ? [told] : [];
}

/** A remedy with what is left then, what the corner rises by, and what comes nearer to its end. */
function worked({ base, corner, finding }: At, what: RemedyDo, then: Answer): Remedy {
  const margins = marginsFor(then);
  return {
    ...what,
    leftMm: find(margins, finding)?.leftMm ?? null,
    riseMm: riseAt(base, then, corner.id),
    costs: costsOf(base, margins, finding.kind),
  };
}

function riseAt(base: Answer, then: Answer, id: CornerId): number {
  const at = (answer: Answer) => answer.corners.find((one) => one.id === id)?.predictedMm ?? 0;
  return at(then) - at(base);
}

/** Margins that are nearer to their end than before and need a look then, the nearest first. */
function costsOf(base: Answer, then: readonly Margin[], cured: MarginKind | null): Cost[] {
  const before = marginsFor(base);
  return then
    .flatMap((one): Cost[] => {
      const was = before.find(
        ({ kind, corner, which }) =>
          kind === one.kind && corner === one.corner && whichKey(which) === whichKey(one.which),
      );
      if (!was || one.kind === cured || !counted.includes(one.kind)) return [];
      return was.leftMm - one.leftMm > SEEN_MM && one.state !== 'clear'
        ? [{ kind: one.kind, corner: one.corner, fromMm: was.leftMm, toMm: one.leftMm }]
        : [];
    })
    .sort((a, b) => a.toMm - b.toMm);
}

function ofUnreachable(answer: Answer, { reason }: Extract<Finding, { code: 'unreachable' }>): Remedy[] {
  switch (reason.kind) {
    case 'thread':
      return [...otherSprings(answer, reason.corner, reason.spring), ...nearestTarget(answer, reason.corner)];
    case 'sag':
      // It sags too much where the sag that is wanted is less.
      return rightSpring(answer, reason.corner, reason.missingMm < 0 ? 1 : -1);
    case 'mount':
      // The seat does the rest of it: nothing is missed.
      return reason.met ? [] : nearestTarget(answer, reason.corner);
    case 'positions':
    case 'droop':
    case 'pressure':
      return nearestTarget(answer, reason.corner);
    default:
      return [];
  }
}

/**
 * The nearest rate, in steps as they are sold, with which the sags of a corner come into their windows, preload set for it: both
 * where that can be had, else the rider's. Preload and thread are no cure for it.
 */
function rightSpring(answer: Answer, id: CornerId, sign: 1 | -1): Remedy[] {
  const ids = [id, twinOf(id)].filter((one): one is CornerId => one !== null);
  const tried = Array.from({ length: Math.round(MOST_STIFFER / RATE_STEP) }, (_, k) => {
    const rateTimes = 1 + sign * (k + 1) * RATE_STEP;
    const swaps = Object.fromEntries(ids.map((at) => [at, { rateScale: rateTimes, longerMm: 0 }]));
    return { rateTimes, then: once(() => answerSwapped(answer, swaps)) };
  });
  const found =
    tried.find(({ then }) => sagsLeft(then(), id).both >= 0) ??
    tried.find(({ then }) => sagsLeft(then(), id).ridden >= 0);
  if (!found) return [];
  const then = found.then();
  const costs = costsOf(answer, marginsFor(then), 'sag');
  const { rateTimes } = found;
  const leftMm = sagsLeft(then, id).ridden;
  return [
    { do: 'spring', corner: id, rateTimes, longerMm: 0, leftMm, riseMm: riseAt(answer, then, id), costs },
  ];
}

/** mm by which the rider's sag, and the nearer of both sags, lies inside its window once all is turned; negative outside. */
function sagsLeft(
  { document, corners, machine, specifiedAfter, predictAt, tolerance }: Answer,
  id: CornerId,
): { ridden: number; both: number } {
  const { sagWindow, sagMm, staticWindow } = document.corners[id];
  const wanted = sagWindow ?? {
    fromMm: (sagMm ?? 0) - tolerance.value,
    toMm: (sagMm ?? 0) + tolerance.value,
  };
  const inside = (mm: number, window: { fromMm: number; toMm: number }) =>
    Math.min(mm - window.fromMm, window.toMm - mm);
  const i = machine.corners.indexOf(id);
  const ridden = inside(corners.find((one) => one.id === id)?.sagMm ?? NaN, wanted);
  if (document.riders.length === 0 || staticWindow === null) return { ridden, both: ridden };
  const alone = predictAt({ ...specifiedAfter, aboard: machine.alone }).travel[i] ?? NaN;
  return { ridden, both: Math.min(ridden, inside(alone, staticWindow)) };
}

/** Springs, in steps as they are sold, with which the height can be had; a sag is not had by a longer one. */
function otherSprings(
  answer: Answer,
  id: CornerId,
  { longerMm, stiffer }: { longerMm: number; stiffer: number | null },
): Remedy[] {
  if (answer.document.corners[id].sagMm !== null) return [];
  const away = (value: number, step: number) => Math.sign(value) * Math.ceil(Math.abs(value) / step) * step;
  const tries: { rateTimes: number; longerMm: number }[] = [
    { rateTimes: 1, longerMm: away(longerMm, LENGTH_STEP_MM) },
    ...(stiffer === null || Math.abs(stiffer) > MOST_STIFFER
      ? []
      : [{ rateTimes: 1 + away(stiffer, RATE_STEP), longerMm: 0 }]),
  ];
  const ids = [id, twinOf(id)].filter(
    (one): one is CornerId =>
      one !== null && answer.reasons.some((reason) => reason.kind === 'thread' && reason.corner === one),
  );
  return tries.flatMap((one): Remedy[] => {
    const swaps: Swaps = Object.fromEntries(
      ids.map((at) => [at, { rateScale: one.rateTimes, longerMm: one.longerMm }]),
    );
    const then = answerSwapped(answer, swaps);
    const corner = then.corners.find((at) => at.id === id);
    if (!corner || !isReached(then, corner)) return [];
    const margins = marginsFor(then);
    return [
      {
        do: 'spring',
        corner: id,
        ...one,
        leftMm:
          find(margins, {
            code: 'run-out',
            kind: 'thread-up',
            corner: id,
            which: null,
            loadCase: null,
            leftMm: 0,
          })?.leftMm ?? null,
        riseMm: corner.specMm - (answer.corners.find((at) => at.id === id)?.specMm ?? corner.specMm),
        costs: costsOf(answer, margins, 'thread-up'),
      },
    ];
  });
}

function isReached({ tolerance, reasons }: Answer, { id, spec, specMm }: CornerAnswer): boolean {
  const near = spec.targetMm === null || Math.abs(specMm - spec.targetMm) <= tolerance.value;
  return near && !reasons.some((one) => one.kind === 'thread' && axleOf(one.corner) === axleOf(id));
}

/** The height that the plan gets to, as a target of its own. */
function nearestTarget(answer: Answer, id: CornerId): Remedy[] {
  const corner = answer.corners.find((one) => one.id === id);
  if (!corner || corner.spec.targetMm === null) return [];
  const toMm = corner.specMm;
  return [{ do: 'target', corner: id, toMm, leftMm: null, riseMm: toMm - corner.spec.targetMm, costs: [] }];
}
