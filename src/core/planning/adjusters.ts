import { isTurnedNow } from '../document/turnedPart.ts';
import { wayOf } from '../adjusting/index.ts';
import type { JobMachine } from '../estimate/believed.ts';
import type { CornerSpec } from '../estimate/corner.ts';
import type { JobDocument, MountDocument } from '../document/types.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Adjuster } from './aim.ts';
import type { ThreadRoom } from '../adjusting/limits.ts';

/** thread diameters. A lower mount must keep this much engaged, unless the maker says more. */
const ENGAGED_DIAMETERS = 1.5;

/** A corner whose height was read, and what of it can be moved. */
export interface Adjustable {
  id: CornerId;
  spec: CornerSpec;
  room: ThreadRoom;
}

/** Least thread that a lower mount must keep, mm: what its sheet says, else one and a half diameters. */
export function leastEngaged({ leastMm, threadMm }: MountDocument): number {
  return leastMm ?? ENGAGED_DIAMETERS * (threadMm ?? 0);
}

/**
 * Everything that can be moved: seats of the corners read in their order, then seats of twins nobody has read, which
 * move as the read one does, then lower mounts.
 */
export function adjustersOf(
  document: JobDocument,
  machine: JobMachine,
  corners: readonly Adjustable[],
  now: Situation,
): Adjuster[] {
  const seat = ({ id, spec, room }: Adjustable, at: CornerId = id): Adjuster => {
    const corner = document.corners[id];
    const contact = machine.corners.indexOf(at);
    const seatBy = now.seatsBy[contact] ?? 0;
    return {
      contact,
      kind: 'seat',
      ...wayOf(corner).steps({ corner, spec, collarMm: null, seatBy }),
      room,
    };
  };
  const unread = corners.flatMap((corner) => {
    const twin = twinOf(corner.id);
    const goesAlong = twin && isTurnedNow(document, twin) && !corners.some(({ id }) => id === twin);
    return goesAlong ? [seat(corner, twin)] : [];
  });
  const mounts = corners.flatMap(({ id }): Adjuster[] => {
    const { mount } = document.corners[id];
    if (!mount) return [];
    const contact = machine.corners.indexOf(id);
    // What nobody has measured does not limit, and shows as a margin that is missing.
    const engaged = (mount.engagedMm ?? Infinity) - (now.mountsMm[contact] ?? 0);
    const most = mount.mostMm ?? Infinity;
    return [
      {
        contact,
        kind: 'mount',
        stepBy: mount.pitchMm * tolerances.turnStep,
        room: {
          down: Number.isFinite(engaged) ? Math.min(engaged - most, 0) : -Infinity,
          up: Math.max(engaged - leastEngaged(mount), 0),
        },
      },
    ];
  });
  return [...corners.map((corner) => seat(corner)), ...unread, ...mounts];
}

/** Adjusters that move alike: left and right where that is asked for, and an unread corner with its twin. */
export function groupsOf(
  { corners }: JobMachine,
  adjusters: readonly Adjuster[],
  tied: boolean,
  read: number,
): number[][] {
  const idOf = ({ contact }: Adjuster) => corners[contact] as CornerId;
  const groups: number[][] = [];
  adjusters.forEach((adjuster, j) => {
    const twin = groups.find((group) => {
      const other = adjusters[group[0] ?? -1] as Adjuster;
      const across = twinOf(idOf(adjuster)) === idOf(other);
      const unread = adjuster.kind === 'seat' && j >= read;
      // Grooves of unlike spacing cannot move alike: each goes in steps of its own.
      const alike = adjuster.kind === other.kind && adjuster.stepBy === other.stepBy;
      return alike && across && (tied || unread);
    });
    if (twin) twin.push(j);
    else groups.push([j]);
  });
  return groups;
}

/** Pairs of adjusters of one kind, left and right on one axle. */
export function twinsOf({ corners }: JobMachine, adjusters: readonly Adjuster[]): [number, number][] {
  return adjusters.flatMap(({ contact, kind }, j): [number, number][] => {
    const across = twinOf(corners[contact] as CornerId);
    const k = adjusters.findIndex((one) => one.kind === kind && corners[one.contact] === across);
    return k > j ? [[j, k]] : [];
  });
}
