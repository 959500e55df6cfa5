import type { EdgePlace } from './archEdge.ts';
import { onBody } from './bodyPoint.ts';
import { metAt, rayAt } from './camera.ts';
import { dot3, plus3 } from './vector.ts';
import { type Scene } from './wheelModel.ts';
import { type WheelFit } from './wheelFit.ts';
import { lengthIn, type Reading } from './lengthIn.ts';

/**
 * What is measured: from the hub, from the rim's lower edge, from the top of the tyre or from the floor straight up to the point on the
 * body; or between two marks.
 */
export const measures = ['hub', 'rim', 'tyre', 'floor', 'marks'] as const;
export type Measure = (typeof measures)[number];

/** Measures that have another end in the picture, to be pointed at. */
export const hasOther: Record<Measure, boolean> = {
  hub: false,
  rim: false,
  tyre: true,
  floor: true,
  marks: true,
};

/** A place somebody pointed at may be out by this. */
const POINTED_SD_PX = 1.2;
/** Tyre and floor are met about in the plane of the rim's lip; so far may they stand out of it. */
const OTHER_OUT_SD_MM = 6;

/** A length and how far the point on the body lies above the hub; null where the other end is wanted and not given. */
export function lengthNow(
  fit: WheelFit,
  measure: Measure,
  point: EdgePlace,
  other: readonly [number, number] | null,
): { reading: Reading; pointUpMm: number } | null {
  if (hasOther[measure] && !other) return null;
  const pointUp = (scene: Scene, moved: number): number =>
    onBody(scene, point.x, point.y + moved * point.sdPx).upMm;
  const reading = lengthIn(fit, (scene, moved) => {
    const up = pointUp(scene, moved.point);
    if (measure === 'hub') return up;
    if (measure === 'rim') return up + scene.radiusMm * dot3(uprightInWheel(scene), scene.up);
    const [x, y] = [other?.[0] ?? 0, (other?.[1] ?? 0) + moved.other * POINTED_SD_PX];
    if (measure === 'marks') {
      const [a, b] = [onBody(scene, point.x, point.y + moved.point * point.sdPx), onBody(scene, x, y)];
      return Math.hypot(a.alongMm - b.alongMm, a.upMm - b.upMm);
    }
    return up - upInWheel(scene, x, y, moved.otherOut * OTHER_OUT_SD_MM);
  });
  return { reading, pointUpMm: lengthIn(fit, (scene, moved) => pointUp(scene, moved.point)).mm };
}

/** The direction in the wheel's own plane that is nearest to upwards. */
function uprightInWheel({ up, normal }: Scene): Scene['up'] {
  const lean = dot3(up, normal);
  const inPlane = plus3(up, normal, -lean);
  const length = Math.hypot(...inPlane);
  return [inPlane[0] / length, inPlane[1] / length, inPlane[2] / length];
}

/** How high above the hub something lies that is seen in the plane of the rim's lip, or so far out of it. */
function upInWheel({ hub, out, up, camera }: Scene, x: number, y: number, outMm: number): number {
  const place = metAt(rayAt(camera, x, y), plus3(hub, out, outMm), out);
  return dot3(plus3(place, hub, -1), up);
}
