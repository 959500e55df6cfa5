import type { RoundsState } from './rounds.ts';
import { cornerSpec, toleranceOf } from './corner.ts';
import type { JobDocument } from '../document/types.ts';
import { cornersIn, standsOnFour } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { frictionPrior } from './prior.ts';
import { meanOf } from '../numerics/mean.ts';
import { tolerances } from '../tolerances.ts';

/** One corner that stands off while the other three are where they are wanted. */
export interface OneCorner {
  corner: CornerId;
  /** mm off its target, negative low. */
  offMm: number;
}

/** Standard deviations of the readings by which four heights must fail to lie in one plane. */
const OUT_OF_PLANE = 2.5;

/**
 * The single corner of four that is out of tolerance at the first readings, where the four do not lie in one plane by more
 * than the readings are good for: a rigid body on four wheels does not come to stand like that by its seats, and before
 * anything is turned somebody should ask why. Null where more than one is off, where weight is asked for, or once anything
 * was turned.
 */
export function oneCornerOff(
  document: JobDocument,
  { rounds, current, base }: RoundsState,
): OneCorner | null {
  const { machine, crossTarget, frontEqual } = document;
  if (current !== base || !standsOnFour(machine.class) || crossTarget !== null || frontEqual) return null;
  const ids = cornersIn(document);
  const offs = ids.flatMap((corner): OneCorner[] => {
    const { targetMm, offsetMm } = cornerSpec(document, corner);
    const read = rounds[base]?.heights[corner];
    return read && targetMm !== null ? [{ corner, offMm: meanOf(read) + offsetMm - targetMm }] : [];
  });
  const out = offs.filter(({ offMm }) => Math.abs(offMm) > toleranceOf(document).value);
  const [only] = out;
  if (offs.length !== ids.length || out.length !== 1 || !only) return null;
  const [lf, rf, lr, rr] = offs.map(({ offMm }) => offMm) as [number, number, number, number];
  const readSd = ids.map((id) =>
    Math.hypot(frictionPrior(cornerSpec(document, id).travelMm.value), tolerances.tapeSdMm),
  );
  return Math.abs(lf - rf - lr + rr) > OUT_OF_PLANE * Math.hypot(...readSd) ? only : null;
}
