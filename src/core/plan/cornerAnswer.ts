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
  /** Wheel travel used now, from full droop: measured at some round and carried along, or assumed. */
  travelNow: Sourced;
  collarMm: number | null;
  room: ThreadRoom;
  /** The move asked for; zero is "leave". */
  seatMm: number;
  turns: number;
  stopAtMm: number | null;
  predictedMm: number;
  predictedSdMm: number;
  travelAfterMm: number;
}
