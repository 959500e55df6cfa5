import { airTaken } from '../document/taken.ts';
import type { CornerDocument } from '../document/types.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { untold, type Way } from './way.ts';

/** By gauge pressure, counted in steps of a tenth of a bar. */
export const pressure: Way = {
  // The main chamber cannot hold more than a second one behind it.
  room: ({ corner, seatBy }) => {
    const now = barAt(corner, seatBy) / AIR_STEP_BAR;
    const second = corner.air?.second ?? null;
    return { down: -now, up: second ? second.gaugeBar / AIR_STEP_BAR - now : Infinity };
  },
  steps: () => ({ stepBy: 1 }),
  oneMore: () => 1,
  told: ({ corner, seatBy }, by) => ({
    ...untold,
    airBar: { now: barAt(corner, seatBy), after: barAt(corner, seatBy + by) },
  }),
  // Where nobody said what it was filled to it is known once it was set.
  carried: ({ corner, corner: { preloadMm, cam, air }, seatBy }) => ({
    preloadMm,
    cam,
    air: air && (air.gaugeBar !== null || seatBy !== 0) ? { ...air, gaugeBar: barAt(corner, seatBy) } : air,
  }),
  cautions: ['gas'],
  preloadByCollar: false,
};

/** Gauge pressure after so many steps of it since the baseline, bar; 0 where there is no air. */
function barAt({ air }: Pick<CornerDocument, 'air'>, seatBy: number): number {
  return (air ? airTaken(air).gaugeBar : 0) + AIR_STEP_BAR * seatBy;
}
