import { referenceKinds } from '../geometry/reference.ts';
import type { JobDocument } from '../document/types.ts';
import { cornerNames, twinOf, type CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';
import { scalesWanted, type CornerAnswer, type CrossAnswer } from './cornerAnswer.ts';
import type { ThreadRoom } from './limits.ts';

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
  /** The lower mount would have to go further than its thread lets it, mm. */
  | { kind: 'mount'; corner: CornerId; neededMm: number; roomMm: number; missingHeightMm: number | null }
  /** The target is higher than the body can go: the wheel is at full droop there. */
  | { kind: 'droop'; corner: CornerId; aboveMm: number }
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

/** What an adjuster would have to do if nothing ran out. */
interface Need {
  corner: CornerId;
  kind: 'seat' | 'mount';
  room: ThreadRoom;
  neededMm: number;
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
  warpMm: readonly number[];
  cross: CrossAnswer | null;
  toleranceMm: number;
}

/** All that stands in the way, nearest cause first. Empty when every target can be had. */
export function reasonsFor(input: Input): Reason[] {
  return [
    ...threadReasons(input),
    ...droopReasons(input),
    ...ringReasons(input),
    ...looseReasons(input),
    ...sagReasons(input),
    ...bodyReason(input),
    ...crossReason(input),
    ...tiedReasons(input),
  ];
}

/** mm by which a corner ends below its target; 0 where there is none. */
function missing({ spec, specMm }: CornerAnswer): number {
  return (spec.targetMm ?? specMm) - specMm;
}

function threadReasons({ corners, needs, document, springs }: Input): Reason[] {
  return corners.flatMap((corner) =>
    needs.flatMap((need): Reason[] => {
      if (need.corner !== corner.id) return [];
      const { kind, neededMm, room } = need;
      const roomMm = neededMm > 0 ? room.up : room.down;
      if (Math.abs(neededMm) <= Math.abs(roomMm) + corner.spec.stepMm.value) return [];
      const base = {
        corner: corner.id,
        neededMm,
        roomMm,
        missingHeightMm: corner.spec.targetMm === null ? null : missing(corner),
      };
      if (kind === 'mount') return [{ kind: 'mount', ...base }];
      const mounted = document.corners[corner.id].mount !== null;
      return [{ kind: 'thread', ...base, spring: otherSpring(document, springs[corner.id], base), mounted }];
    }),
  );
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
    if (spec.targetMm === null || travelNow.source !== 'measured' || mount) return [];
    // A shaft shows damper travel: its reading at full droop is further by the travel times the ratio.
    const perTravel = referenceKinds[document.corners[id].reference.kind].follows === 'damper' ? 1 / gain : 1;
    const aboveMm = (spec.targetMm - (nowMm + travelNow.value * perTravel)) / perTravel;
    return aboveMm > tolerances.missedMm ? [{ kind: 'droop', corner: id, aboveMm }] : [];
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

function sagReasons({ corners, document, needs, toleranceMm }: Input): Reason[] {
  return corners.flatMap((corner): Reason[] => {
    const { sagMm } = document.corners[corner.id];
    const missingMm = sagMm === null ? 0 : sagMm - corner.sagMm;
    if (Math.abs(missingMm) <= toleranceMm) return [];
    const own = needs.filter((need) => need.corner === corner.id);
    const short = own.some(
      ({ neededMm, room }) =>
        neededMm > room.up + corner.spec.stepMm.value || neededMm < room.down - corner.spec.stepMm.value,
    );
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

/** A reason in the workshop's words; `say` writes mm in the reader's units. */
export function reasonWords(reason: Reason, say: (mm: number) => string): { what: string; lift: string } {
  const abs = (mm: number) => say(Math.abs(mm));
  const where = 'corner' in reason ? cornerNames[reason.corner] : '';
  switch (reason.kind) {
    case 'thread':
      return {
        what: `The ${where} seat would have to move ${abs(reason.neededMm)}, and ${abs(reason.roomMm)} of thread is left that way. ${endsAt(reason.missingHeightMm, say)}`.trim(),
        lift: threadLift(reason, say),
      };
    case 'mount':
      return {
        what: `The ${where} lower mount would have to move ${abs(reason.neededMm)}, and ${abs(reason.roomMm)} is left before ${reason.neededMm > 0 ? 'it holds too little thread' : 'it is screwed in all the way'}. ${endsAt(reason.missingHeightMm, say)}`,
        lift:
          reason.neededMm > 0
            ? 'A longer damper body or a lower target would lift this; the rest can come from the seat if the preload may change.'
            : 'A shorter damper body or a higher target would lift this; the rest can come from the seat if the preload may change.',
      };
    case 'droop':
      return {
        what: `The ${where} target is ${say(reason.aboveMm)} above full droop: the damper tops out first.`,
        lift: 'A longer damper or a lower target would lift this. More preload would not.',
      };
    case 'ring-holds':
      return {
        what: `The ${where} slider rests on its crossover ring, so the seat behind it moves nothing. ${endsAt(reason.missingHeightMm, say)}`,
        lift: 'Let the ring follow the seat, set it to a gap, or fit a stiffer upper spring.',
      };
    case 'loose':
      return {
        what: `With the wheel hanging, the ${where} springs are ${say(reason.looseMm)} loose: they can leave their seats.`,
        lift: 'A helper spring, a longer spring or a softer one with more preload would lift this.',
      };
    case 'sag':
      return {
        what: `The ${where} would sag ${abs(reason.missingMm)} too ${reason.missingMm > 0 ? 'little' : 'much'}${sagCause[reason.because].why}`,
        lift: sagCause[reason.because].lift,
      };
    case 'cross':
      return {
        what: `${reason.what === 'front' ? 'The right front would carry' : 'Cross weight would be'} ${percent(reason.after)}${reason.what === 'front' ? ' of the front' : ''}, not ${percent(reason.target)}.`,
        lift: reason.tied
          ? 'Let left and right seats differ: only that moves it.'
          : 'The heights asked for, or a thread, hold it there: bring one height to the other three or give it more room. Scales shows what each costs the other.',
      };
    case 'rigid-body':
      return {
        what: `The four targets twist against the body: about ${say(reason.mm)} stays at each corner, up on one diagonal and down on the other.`,
        lift: 'Check the floor and the measuring points first, then bring one target to the other three.',
      };
    case 'tied':
      return {
        what: `Equal seats leave ${abs(reason.differenceMm)} between the sides at the ${where.split(' ')[0]}.`,
        lift: 'Let left and right differ, or accept the difference.',
      };
  }
}

const sagCause = {
  height: {
    why: ': no place of the adjuster gives height and sag together.',
    lift: 'A lower mount sets height without preload; failing that another spring, or the one target given up for the other.',
  },
  thread: {
    why: ' with its adjuster at the end.',
    lift: 'Another spring is the cure: preload moves the sag, it does not make the spring stiffer.',
  },
  positions: {
    why: ' in the nearest position.',
    lift: 'Accept it if it lies in the window, or fit springs of another rate.',
  },
  other: {
    why: ', whatever the adjuster does.',
    lift: 'Another spring, or another sag to aim at.',
  },
} as const;

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

function endsAt(missingHeightMm: number | null, say: (mm: number) => string): string {
  if (missingHeightMm === null) return '';
  return `This plan ends ${say(Math.abs(missingHeightMm))} ${missingHeightMm > 0 ? 'low' : 'high'} there.`;
}

function threadLift(
  { neededMm, spring, mounted }: Extract<Reason, { kind: 'thread' }>,
  say: (mm: number) => string,
): string {
  const up = neededMm > 0;
  const longer = `a spring ${say(Math.abs(spring.longerMm))} ${up ? 'longer' : 'shorter'}`;
  const rate =
    spring.stiffer === null
      ? `a ${up ? 'stiffer' : 'softer'} one`
      : `one about ${Math.abs(100 * spring.stiffer).toFixed(0)} % ${up ? 'stiffer' : 'softer'}`;
  const others = [
    ...(up ? ['a spacer under the seat'] : []),
    ...(mounted ? ['the lower mount, where it has thread left'] : ['a damper with a threaded lower mount']),
    `a ${up ? 'lower' : 'higher'} target`,
  ];
  const text = `${longer} or ${rate}, ${others.slice(0, -1).join(', ')}, or ${others.at(-1) ?? ''} would lift this.`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}
