import { airTaken, camArcs } from '../document/taken.ts';
import type { JobMachine } from '../estimate/believed.ts';
import type { CornerSpec } from '../estimate/corner.ts';
import type { CornerDocument, JobDocument, MountDocument } from '../document/types.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { tolerances } from '../tolerances.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Adjuster } from './aim.ts';
import { threadRoom, type ThreadRoom } from './limits.ts';

/** thread diameters. A lower mount must keep this much engaged, unless the maker says more. */
const ENGAGED_DIAMETERS = 1.5;

/** A corner whose height was read, and what of it can be moved. */
export interface Adjustable {
  id: CornerId;
  spec: CornerSpec;
  room: ThreadRoom;
}

/** How far a corner's own adjuster can go from where it stands: thread, cam positions or pressure. */
export function seatRoom(
  corner: CornerDocument,
  spec: CornerSpec,
  collarMm: number | null,
  seatNowMm: number,
): ThreadRoom {
  if (corner.torsion) {
    const choices = camChoices(corner, seatNowMm);
    return { down: Math.min(...choices), up: Math.max(...choices) };
  }
  if (corner.air) {
    const { gaugeBar, second } = airTaken(corner.air);
    const now = gaugeBar + AIR_STEP_BAR * seatNowMm;
    return { down: -now / AIR_STEP_BAR, up: second ? (second.gaugeBar - now) / AIR_STEP_BAR : Infinity };
  }
  return threadRoom(spec, collarMm);
}

/** Moves from now to every cam position, mm at the leg. */
export function camChoices({ torsion, cam }: CornerDocument, seatNowMm: number): number[] {
  if (!torsion) return [];
  const arcs = camArcs(torsion);
  const base = arcs[cam ?? 0] ?? 0;
  return arcs.map((arc) => arc - base - seatNowMm);
}

/** The cam position after a seat has gone so far from the baseline, counted from 0. */
export function camAt(corner: CornerDocument, seatBy: number): number {
  const away = camChoices(corner, seatBy).map(Math.abs);
  return away.indexOf(Math.min(...away));
}

/** Least thread that a lower mount must keep, mm: one and a half diameters, or what the maker says if that is more. */
export function leastEngaged({ leastMm, threadMm }: MountDocument): number {
  return Math.max(leastMm ?? 0, ENGAGED_DIAMETERS * (threadMm ?? 0));
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
    return {
      contact,
      kind: 'seat',
      stepMm: corner.air ? 1 : spec.stepMm.value,
      ...(corner.torsion ? { choicesMm: camChoices(corner, now.seatsBy[contact] ?? 0) } : {}),
      room,
    };
  };
  const unread = corners.flatMap((corner) => {
    const twin = twinOf(corner.id);
    return twin && !corners.some(({ id }) => id === twin) ? [seat(corner, twin)] : [];
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
        stepMm: mount.pitchMm * tolerances.turnStep,
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
      return adjuster.kind === other.kind && across && (tied || unread);
    });
    if (twin) twin.push(j);
    else groups.push([j]);
  });
  return groups;
}
