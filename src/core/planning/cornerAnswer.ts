import type { CornerSpec, Sourced } from '../estimate/corner.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { ThreadRoom } from '../adjusting/limits.ts';

/** mm that a ring may stand off its gap: no block is cut finer. */
const RING_STEP_MM = 1;

/** What the sheet says of one measured corner. Heights are as the specification states them. */
export interface CornerAnswer {
  id: CornerId;
  spec: CornerSpec;
  /** Best estimate of the true height now, and its standard deviation. */
  nowMm: number;
  nowSdMm: number;
  /** mm at the wheel per mm at the seat, as known now. */
  gain: number;
  /** Wheel travel used now, from full droop: measured, computed from springs and loads, or assumed. */
  travelNow: Sourced;
  /** mm added to the model's travel where its rest is only assumed; 0 where it is measured or worked out. */
  travelShiftMm: number;
  /** One standard deviation of the travel used, mm. */
  travelSdMm: number;
  collarMm: number | null;
  room: ThreadRoom;
  /** The move asked for, mm; zero is "leave". Of air, steps of pressure. */
  seatBy: number;
  turns: number;
  /** The move in grooves or notches; null where it is turned. */
  steps: number | null;
  stopAtMm: number | null;
  /** Cam position now and after the plan, counted from 0; null where there is no cam. */
  cam: { now: number; after: number } | null;
  /** Gauge pressure now and after the plan, bar; null where there is no air. */
  airBar: { now: number; after: number } | null;
  /** Whether position or pressure now, or what a position does, is only assumed. */
  placeAssumed: boolean;
  /** Lower mount, mm screwed out by the plan, and thread engaged after it; null where there is none. */
  mount: MountAnswer | null;
  /** Mm screwed out: 0 where there is no mount. */
  mountMm: number;
  rings: RingAnswer[];
  riseMm: number;
  predictedMm: number;
  predictedSdMm: number;
  travelAfterMm: number;
  /** Height now, were it loaded and settled as the specification means it. */
  nowSpecMm: number;
  /** Height after the plan as the specification means it: its load case, with new springs settled. */
  specMm: number;
  specSdMm: number;
  /** Wheel travel used now, loaded and settled as the specification means it, and its standard deviation. */
  nowSagMm: number;
  nowSagSdMm: number;
  /** Wheel travel used after the plan as the specification means it, and its standard deviation. */
  sagMm: number;
  sagSdMm: number;
}

/** What is to be moved at a corner, and where to stop: all that an instruction needs. */
export type CornerMove = Pick<
  CornerAnswer,
  | 'id' | 'spec' | 'gain' | 'collarMm' | 'room' | 'seatBy' | 'turns' | 'steps' | 'stopAtMm' | 'cam' | 'airBar' | 'placeAssumed' | 'mount' | 'mountMm' | 'rings'
> & {
  /** What the whole plan raises this corner by, mm; negative lowers. */
  riseMm: number;
}; // oxfmt-ignore

interface MountAnswer {
  turns: number;
  /** Thread in the mount now and after the plan (null where nobody has measured it), and the least it must keep, mm. */
  nowMm: number | null;
  afterMm: number | null;
  leastMm: number;
}

export interface RingAnswer {
  /** Its slider, counted from the seat. */
  after: number;
  /** mm to move it towards the springs. */
  moveMm: number;
  /** Gap at ride height after the plan, along the damper, and the one wanted; null where none is. */
  gapMm: number;
  wantedMm: number | null;
  /** Whether it goes along with the seat. */
  follows: boolean;
}

/** How the weight stands as the targets are meant, now and after the plan. */
export interface CrossAnswer {
  /** Cross weight, (RF + LR) over the total, 0 to 1. */
  now: number;
  after: number;
  /** The one wanted; null where none is asked for. */
  target: number | null;
  /** Right front over both fronts, 0 to 1, and whether they are to be equal. */
  frontRight: { now: number; after: number; equal: boolean };
}

/** What is asked of the scales, where it stands and will stand; null where nothing is. */
export function scalesWanted(
  cross: CrossAnswer | null,
): { what: 'cross' | 'front'; target: number; now: number; after: number } | null {
  if (!cross) return null;
  const { now, after, target, frontRight } = cross;
  if (frontRight.equal) return { what: 'front', target: 0.5, now: frontRight.now, after: frontRight.after };
  return target === null ? null : { what: 'cross', target, now, after };
}

/** Whether a ring has to be moved to stand at the gap that is wanted. */
export function isOffItsGap({ wantedMm, moveMm }: RingAnswer): boolean {
  return wantedMm !== null && Math.abs(moveMm) > RING_STEP_MM;
}

/** Whether anything is to be moved at a corner. */
export function isMoved({
  seatBy,
  mountMm,
  rings,
}: Pick<CornerAnswer, 'seatBy' | 'mountMm' | 'rings'>): boolean {
  return seatBy !== 0 || mountMm !== 0 || rings.some(({ moveMm }) => moveMm !== 0);
}
