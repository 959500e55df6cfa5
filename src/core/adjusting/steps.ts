import { collarAfter, thread } from './thread.ts';
import { stepOfCorner } from '../document/fitting.ts';
import type { CornerDocument } from '../document/types.ts';
import type { ThreadRoom } from './limits.ts';
import type { Standing, Way } from './way.ts';

/** In steps of a height that somebody gives: grooves, leaves, shims, spacers. */
export const steps: Way = {
  ...thread,
  room: (standing) => {
    const { up, down } = thread.room(standing);
    const left = placesLeft(standing);
    return left ? { up: Math.min(up, left.up), down: Math.max(down, left.down) } : { up, down };
  },
  oneMore: ({ spec }) => spec.stepMm.value,
  told: (standing, by) => ({
    ...thread.told(standing, by),
    steps: Math.round(by / standing.spec.stepMm.value),
    stopAtMm: collarAfter(standing, by),
  }),
};

/** mm to the last groove either way, where their number and the one in use are known. */
function placesLeft({ corner, spec, seatBy }: Standing): ThreadRoom | null {
  const { stepCount, stepNow } = corner;
  if (stepCount === null || stepNow === null) return null;
  const stepMm = spec.stepMm.value;
  return {
    up: Math.max((stepCount - stepNow) * stepMm - seatBy, 0),
    down: -Math.max((stepNow - 1) * stepMm + seatBy, 0),
  };
}

/** The groove in use once the seat has gone so far since the baseline; null where it was never said. */
export function stepPlace(
  corner: Pick<CornerDocument, 'stepMm' | 'stepMostMm' | 'stepNow'>,
  seatBy: number,
): number | null {
  const stepMm = stepOfCorner(corner);
  return corner.stepNow === null || stepMm === null ? null : corner.stepNow + Math.round(seatBy / stepMm);
}
