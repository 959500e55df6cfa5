import type { CornerSpec, Sourced } from '../job/corner.ts';
import type { CornerId } from '../machine/body.ts';
import type { ThreadRoom } from './limits.ts';

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
  /** One standard deviation of the travel used, mm. */
  travelSdMm: number;
  collarMm: number | null;
  room: ThreadRoom;
  /** The move asked for; zero is "leave". */
  seatMm: number;
  turns: number;
  stopAtMm: number | null;
  predictedMm: number;
  predictedSdMm: number;
  travelAfterMm: number;
  /** Height now, were it loaded and settled as the specification means it. */
  nowSpecMm: number;
  /** Height after the plan as the specification means it: its load case, with new springs settled. */
  specMm: number;
  specSdMm: number;
}
