import { cornerNames, twinOf, type CornerId } from '../machine/body.ts';
import { tolerances } from '../tolerances.ts';
import type { CornerAnswer } from './cornerAnswer.ts';

/** What stands in the way of a target, with what would lift it. */
export type Reason =
  /** The seat would have to go further than the thread lets it. mm at the seat and at the wheel. */
  | { kind: 'thread'; corner: CornerId; neededMm: number; roomMm: number; missingHeightMm: number }
  /** The target is higher than the body can go: the wheel is at full droop there. */
  | { kind: 'droop'; corner: CornerId; aboveMm: number }
  /** The four targets twist against the body: this much stays at each corner, alternating in sign. */
  | { kind: 'rigid-body'; mm: number }
  /** Left and right seats must move alike, but the sides want different moves. */
  | { kind: 'tied'; corner: CornerId; differenceMm: number };

interface Input {
  corners: readonly CornerAnswer[];
  /** Best seat moves with no limits, by corner. */
  neededMm: readonly number[];
  warpMm: readonly number[];
  tied: boolean;
  toleranceMm: number;
}

/** All that stands in the way, nearest cause first. Empty when every target can be had. */
export function reasonsFor(input: Input): Reason[] {
  return [...threadReasons(input), ...droopReasons(input), ...bodyReason(input), ...tiedReasons(input)];
}

function threadReasons({ corners, neededMm }: Input): Reason[] {
  return corners.flatMap((corner, i): Reason[] => {
    const needed = neededMm[i] ?? 0;
    const roomMm = needed > 0 ? corner.room.up : corner.room.down;
    if (Math.abs(needed) <= Math.abs(roomMm) + corner.spec.pitchMm.value * tolerances.turnStep) return [];
    const missingHeightMm = (corner.spec.targetMm ?? corner.specMm) - corner.specMm;
    return [{ kind: 'thread', corner: corner.id, neededMm: needed, roomMm, missingHeightMm }];
  });
}

function droopReasons({ corners }: Input): Reason[] {
  return corners.flatMap(({ id, spec, nowMm, travelNow }): Reason[] => {
    if (spec.targetMm === null || travelNow.source !== 'measured') return [];
    const aboveMm = spec.targetMm - (nowMm + travelNow.value);
    return aboveMm > tolerances.missedMm ? [{ kind: 'droop', corner: id, aboveMm }] : [];
  });
}

function bodyReason({ warpMm, toleranceMm }: Input): Reason[] {
  const mm = Math.max(0, ...warpMm.map(Math.abs));
  return mm > Math.max(tolerances.settledFrictionSdMm, toleranceMm / 3) ? [{ kind: 'rigid-body', mm }] : [];
}

function tiedReasons({ corners, tied, toleranceMm }: Input): Reason[] {
  if (!tied) return [];
  return corners.flatMap((corner): Reason[] => {
    const twin = corners.find(({ id }) => id === twinOf(corner.id));
    if (!twin || !corner.id.startsWith('L') || corner.spec.targetMm === null || twin.spec.targetMm === null)
      return [];
    const differenceMm = corner.specMm - corner.spec.targetMm - (twin.specMm - twin.spec.targetMm);
    return Math.abs(differenceMm) > toleranceMm ? [{ kind: 'tied', corner: corner.id, differenceMm }] : [];
  });
}

/** A reason in the workshop's words; `say` writes mm in the reader's units. */
export function reasonWords(reason: Reason, say: (mm: number) => string): { what: string; lift: string } {
  switch (reason.kind) {
    case 'thread':
      return {
        what: `The ${cornerNames[reason.corner]} seat would have to move ${say(Math.abs(reason.neededMm))}, and ${say(Math.abs(reason.roomMm))} of thread is left that way. This plan ends ${say(Math.abs(reason.missingHeightMm))} ${reason.missingHeightMm > 0 ? 'low' : 'high'} there.`,
        lift:
          reason.neededMm > 0
            ? 'A longer or stiffer spring, a spacer under the seat, or a lower target would lift this.'
            : 'A shorter or softer spring, or a higher target would lift this.',
      };
    case 'droop':
      return {
        what: `The ${cornerNames[reason.corner]} target is ${say(reason.aboveMm)} above full droop: the damper tops out first.`,
        lift: 'A longer damper or a lower target would lift this. More preload would not.',
      };
    case 'rigid-body':
      return {
        what: `The four targets twist against the body: about ${say(reason.mm)} stays at each corner, up on one diagonal and down on the other.`,
        lift: 'Check the floor and the measuring points first, then bring one target to the other three.',
      };
    case 'tied':
      return {
        what: `Equal seats leave ${say(Math.abs(reason.differenceMm))} between the sides at the ${cornerNames[reason.corner].split(' ')[0]}.`,
        lift: 'Let left and right differ, or accept the difference.',
      };
  }
}
