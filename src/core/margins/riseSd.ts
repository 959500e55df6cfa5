import { tolerances } from '../tolerances.ts';

/** Share of a rise by which it may be off, mostly by the ratio. */
const OFF_SHARE = 0.1;

/**
 * One standard deviation of how far a body has risen since something was measured, mm: by what a tape tells, and by a share
 * of the rise itself. Where it stands in its travel plays no part in that.
 */
export function riseSdMm(risenMm: number): number {
  return Math.hypot(tolerances.tapeSdMm, OFF_SHARE * risenMm);
}
