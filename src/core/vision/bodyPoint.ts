import { metAt, rayAt, seenAt } from './camera.ts';
import { dot3, plus3, type Vector3 } from './vector.ts';
import type { Scene } from './wheelModel.ts';

/** Places on the plane of the body's edge, from the hub: along the machine to the right, and upwards, mm. */
export interface OnBody {
  alongMm: number;
  upMm: number;
}

/** What is seen at a place in the picture, taken to lie as far out of the rim's plane as the body's edge does. */
export function onBody(scene: Scene, x: number, y: number): OnBody {
  const { hub, out, up, along, lipOutMm, camera } = scene;
  const place = metAt(rayAt(camera, x, y), plus3(hub, out, lipOutMm), out);
  const from = plus3(place, hub, -1);
  return { alongMm: dot3(from, along), upMm: dot3(from, up) };
}

/** Where in the picture a place on the plane of the body's edge is seen. */
export function bodySeenAt(scene: Scene, { alongMm, upMm }: OnBody): [number, number] {
  return seenAt(scene.camera, fromHub(scene, alongMm, upMm, scene.lipOutMm));
}

/** Where in the picture a place is seen that lies so far from the hub. */
function fromHub({ hub, along, up, out }: Scene, alongMm: number, upMm: number, outMm: number): Vector3 {
  return plus3(plus3(plus3(hub, along, alongMm), up, upMm), out, outMm);
}

/** How far the lens stands above the hub, mm. */
export const lensAboveHubMm = ({ hub, up }: Scene): number => -dot3(hub, up);
