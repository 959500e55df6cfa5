import { sagWish } from '../document/sagWish.ts';
import { referenceKinds } from '../geometry/reference.ts';
import { canMove } from '../document/fitting.ts';
import type { JobDocument } from '../document/types.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';
import { scalesWanted, type CornerAnswer, type CrossAnswer } from './cornerAnswer.ts';
import { wayNamed } from '../adjusting/index.ts';
import type { Steps, ThreadRoom } from '../adjusting/limits.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';

/** A target that had to be raised, mm. */
export interface RaisedTarget {
  corner: CornerId;
  askedMm: number;
  toMm: number;
}

/** What stands in the way of a target, with what would lift it. */
export type Reason =
  /** The seat would have to go further than the thread lets it. mm at the seat and at the wheel. */
  | {
      kind: 'thread';
      corner: CornerId;
      neededMm: number;
      roomMm: number;
      /** mm by which the corner ends below its target; null where its height is not asked for. */
      missingHeightMm: number | null;
      /** Free length (mm, positive longer) or rate (share, positive stiffer) that would put the seat where it is needed. */
      spring: { longerMm: number; stiffer: number | null };
      mounted: boolean;
    }
  /** A cam would have to go past its first or last position. */
  | { kind: 'positions'; corner: CornerId; up: boolean; missingHeightMm: number | null }
  /** An air spring would need more than its second chamber holds, or less than nothing, bar. */
  | { kind: 'pressure'; corner: CornerId; neededBar: number; roomBar: number; missingHeightMm: number | null }
  /** The lower mount would have to go further than its thread lets it, mm; `met` where the seat does the rest. */
  | {
      kind: 'mount';
      corner: CornerId;
      neededMm: number;
      roomMm: number;
      missingHeightMm: number | null;
      met: boolean;
    }
  /** The target is higher than the body can go: the wheel is at full droop there. */
  | { kind: 'droop'; corner: CornerId; aboveMm: number; guessed: boolean }
  /** Nothing can be turned at a corner whose height is asked for. */
  | { kind: 'fixed'; corner: CornerId; missingHeightMm: number }
  /** The steps that can be had are too coarse for the target: one step, mm at the wheel. */
  | { kind: 'step'; corner: CornerId; missingHeightMm: number; stepMm: number }
  /** What is asked of the other corners leaves this one off. */
  | { kind: 'others'; corner: CornerId; missingHeightMm: number }
  /** It is pressed against an end of its travel: what its adjusters do there is not planned. */
  | { kind: 'pressed'; corner: CornerId; end: 'metal' | 'droop'; missingHeightMm: number }
  /** A low point that has to be kept over the ground decides: the corners were raised past their targets. */
  | { kind: 'ground'; corner: CornerId; name: string; leastMm: number; raised: RaisedTarget[] }
  /** A slider rests on its ring, so that the seat behind it does nothing. */
  | { kind: 'ring-holds'; corner: CornerId; missingHeightMm: number }
  /** At full droop the springs are loose by so much, mm. */
  | { kind: 'loose'; corner: CornerId; looseMm: number }
  /** The sag asked for is missed by so much, mm of wheel travel (positive: it sags too little). */
  | { kind: 'sag'; corner: CornerId; missingMm: number; because: 'height' | 'thread' | 'positions' | 'other' }
  /** The cross weight asked for is missed, shares of the total; or the right front's share of the front. */
  | { kind: 'cross'; what: 'cross' | 'front'; after: number; target: number; tied: boolean }
  /** The four targets twist against the body: this much stays at each corner, alternating in sign. */
  | { kind: 'rigid-body'; mm: number }
  /** Left and right seats must move alike, but the sides want different moves. */
  | { kind: 'tied'; corner: CornerId; differenceMm: number };

type AdjusterReason = Extract<Reason, { kind: 'thread' | 'positions' | 'pressure' | 'mount' }>;

/** What an adjuster would have to do if nothing ran out, in its own count: mm, or steps of pressure. */
interface Need extends Pick<Steps, 'stepBy'> {
  corner: CornerId;
  kind: 'seat' | 'mount';
  room: ThreadRoom;
  neededBy: number;
  /** Whether only a few positions can be had. */
  coarse: boolean;
}

/** Compression of a stack at full droop and at ride height, mm. */
interface SpringsAfter {
  preloadMm: number;
  stackMm: number;
}

interface Input {
  corners: readonly CornerAnswer[];
  document: JobDocument;
  needs: readonly Need[];
  /** How the springs of each corner stand after the plan; null where nobody has named them. */
  springs: Partial<Record<CornerId, SpringsAfter>>;
  /** Corners that are pressed against an end of their travel after the plan. */
  pressed: Partial<Record<CornerId, 'metal' | 'droop'>>;
  warpMm: readonly number[];
  cross: CrossAnswer | null;
  toleranceMm: number;
}

/** All that stands in the way, nearest cause first. Empty when every target can be had. */
export function reasonsFor(input: Input): Reason[] {
  const sags = sagReasons(input);
  const reasons = [
    ...adjusterReasons(input),
    ...droopReasons(input),
    ...ringReasons(input),
    ...looseReasons(input),
    ...sags,
    ...bodyReason(input),
    ...crossReason(input),
    ...tiedReasons(input),
  ];
  return [...reasons, ...leftOver(input, reasons)];
}

/** Heights that are missed and of which no other reason speaks: each has its own. */
function leftOver(
  { corners, document, needs, pressed, toleranceMm }: Input,
  told: readonly Reason[],
): Reason[] {
  // What twists the body, ties the sides or weighs against the heights is told of all of them at once.
  if (told.some(({ kind }) => kind === 'rigid-body' || kind === 'cross' || kind === 'tied')) return [];
  return corners.flatMap((corner): Reason[] => {
    const { id, gain } = corner;
    const missingHeightMm = missing(corner);
    const isTold = told.some((one) => 'corner' in one && one.corner === id && one.kind !== 'loose');
    if (corner.spec.targetMm === null || Math.abs(missingHeightMm) <= toleranceMm || isTold) return [];
    if (!canMove(document.corners[id])) return [{ kind: 'fixed', corner: id, missingHeightMm }];
    const end = pressed[id];
    if (end) return [{ kind: 'pressed', corner: id, end, missingHeightMm }];
    const own = needs.find((need) => need.corner === id && need.kind === 'seat');
    const stepMm = (own?.stepBy ?? 0) * gain;
    return own && (own.coarse || stepMm > toleranceMm)
      ? [{ kind: 'step', corner: id, missingHeightMm, stepMm }]
      : [{ kind: 'others', corner: id, missingHeightMm }];
  });
}

/** mm by which a corner ends below its target; 0 where there is none. */
function missing({ spec, specMm }: CornerAnswer): number {
  return (spec.targetMm ?? specMm) - specMm;
}

/** An adjuster that would have to go further than it can; said only where its height is missed by it. */
function adjusterReasons({ corners, needs, document, springs, toleranceMm }: Input): AdjusterReason[] {
  return corners.flatMap((corner) =>
    needs.flatMap((need): AdjusterReason[] => {
      if (need.corner !== corner.id) return [];
      // Where sag alone is wanted, that it is missed says it all.
      if (corner.spec.targetMm === null && sagWish(document, corner.id) !== null) return [];
      const met = corner.spec.targetMm !== null && Math.abs(missing(corner)) <= toleranceMm;
      if (met && need.kind === 'seat' && sagWish(document, corner.id) === null) return [];
      const { kind, neededBy, room } = need;
      const roomBy = neededBy > 0 ? room.up : room.down;
      if (!isShort(need)) return [];
      const fitted = document.corners[corner.id];
      const base = {
        corner: corner.id,
        missingHeightMm: corner.spec.targetMm === null ? null : missing(corner),
      };
      const inMm = { ...base, neededMm: neededBy, roomMm: roomBy };
      if (kind === 'mount') return [{ kind: 'mount', ...inMm, met }];
      switch (wayNamed(fitted)) {
        case 'positions':
          return [{ kind: 'positions', ...base, up: neededBy > 0 }];
        case 'pressure':
          return [
            {
              kind: 'pressure',
              ...base,
              neededBar: AIR_STEP_BAR * neededBy,
              roomBar: AIR_STEP_BAR * roomBy,
            },
          ];
        case 'thread':
        case 'steps': {
          const spring = otherSpring(document, springs[corner.id], inMm);
          return [{ kind: 'thread', ...inMm, spring, mounted: fitted.mount !== null }];
        }
      }
    }),
  );
}

/** Whether an adjuster would have to go further than it can, by more than a step. */
function isShort({ neededBy, room, stepBy }: Need): boolean {
  return neededBy > room.up + stepBy || neededBy < room.down - stepBy;
}

/**
 * What spring would stand for the seat that runs out: one longer by what is missing, or, since a load F compresses it
 * F/k, one whose F/k is shorter by that: k' = F / (F/k - missing).
 */
function otherSpring(
  { corners }: JobDocument,
  after: SpringsAfter | undefined,
  { corner, neededMm, roomMm }: { corner: CornerId; neededMm: number; roomMm: number },
): { longerMm: number; stiffer: number | null } {
  const longerMm = neededMm - roomMm;
  // At the end of the thread the load compresses the spring as much as it ever does.
  const left = (after?.stackMm ?? 0) - longerMm;
  const told = after !== undefined && corners[corner].springs.length === 1 && left > 0.2 * after.stackMm;
  return { longerMm, stiffer: told ? after.stackMm / left - 1 : null };
}

function droopReasons({ corners, document }: Input): Reason[] {
  return corners.flatMap(({ id, spec, nowMm, travelNow, mount, gain }): Reason[] => {
    if (spec.targetMm === null || mount) return [];
    // A shaft shows damper travel: its reading at full droop is further by the travel times the ratio.
    const perTravel = referenceKinds[document.corners[id].reference.kind].follows === 'damper' ? 1 / gain : 1;
    const aboveMm = (spec.targetMm - (nowMm + travelNow.value * perTravel)) / perTravel;
    const guessed = travelNow.source === 'assumed' || spec.travelMm.source === 'assumed';
    return aboveMm > tolerances.missedMm ? [{ kind: 'droop', corner: id, aboveMm, guessed }] : [];
  });
}

function ringReasons({ corners, toleranceMm, document }: Input): Reason[] {
  return corners.flatMap((corner): Reason[] => {
    const missingHeightMm = missing(corner);
    const held = corner.rings.some(
      ({ gapMm }, j) => gapMm <= tolerances.missedMm && document.corners[corner.id].rings[j]?.on === 'body',
    );
    return held && Math.abs(missingHeightMm) > toleranceMm / 2
      ? [{ kind: 'ring-holds', corner: corner.id, missingHeightMm }]
      : [];
  });
}

function looseReasons({ corners, springs }: Input): Reason[] {
  return corners.flatMap(({ id }): Reason[] => {
    const looseMm = -(springs[id]?.preloadMm ?? 0);
    return looseMm > tolerances.missedMm ? [{ kind: 'loose', corner: id, looseMm }] : [];
  });
}

type SagReason = Extract<Reason, { kind: 'sag' }>;

function sagReasons({ corners, document, needs, toleranceMm }: Input): SagReason[] {
  return corners.flatMap((corner): SagReason[] => {
    const wish = sagWish(document, corner.id);
    if (!wish) return [];
    const { mm: sagMm, window: sagWindow } = wish;
    // Anywhere in its window is right; nobody chases the middle of it.
    const nearestMm = sagWindow ? Math.min(Math.max(corner.sagMm, sagWindow.fromMm), sagWindow.toMm) : sagMm;
    const missingMm = nearestMm - corner.sagMm;
    if (Math.abs(missingMm) <= (sagWindow ? 0 : toleranceMm)) return [];
    const own = needs.filter((need) => need.corner === corner.id);
    const short = own.some(isShort);
    const because = short
      ? 'thread'
      : own.some(({ coarse }) => coarse)
        ? 'positions'
        : corner.spec.targetMm === null
          ? 'other'
          : 'height';
    return [{ kind: 'sag', corner: corner.id, missingMm, because }];
  });
}

function bodyReason({ warpMm, toleranceMm }: Input): Reason[] {
  const mm = Math.max(0, ...warpMm.map(Math.abs));
  return mm > Math.max(tolerances.settledFrictionSdMm, toleranceMm / 3) ? [{ kind: 'rigid-body', mm }] : [];
}

function crossReason({ cross, document }: Input): Reason[] {
  const wanted = scalesWanted(cross);
  if (!wanted) return [];
  const { what, after, target } = wanted;
  return Math.abs(after - target) > tolerances.crossShare
    ? [{ kind: 'cross', what, after, target, tied: document.equalSides }]
    : [];
}

function tiedReasons({ corners, document, toleranceMm }: Input): Reason[] {
  if (!document.equalSides) return [];
  return corners.flatMap((corner, i): Reason[] => {
    const twin = corners.slice(i + 1).find(({ id }) => id === twinOf(corner.id));
    if (!twin || corner.spec.targetMm === null || twin.spec.targetMm === null) return [];
    const differenceMm = missing(twin) - missing(corner);
    return Math.abs(differenceMm) > toleranceMm ? [{ kind: 'tied', corner: corner.id, differenceMm }] : [];
  });
}
