import { eyeOf } from './eye.ts';
import type { Shot, WheelScene } from './scene.ts';

/** Where in the picture a place is seen: along, up and out from the hub, mm. */
export function seenBy(shot: Shot, along: number, up: number, out: number): [number, number] {
  const eye = eyeOf(shot);
  const from = [along - shot.lensAlongMm, up - shot.lensUpMm, out - shot.lensOutMm] as const;
  const part = (way: readonly [number, number, number]): number =>
    from[0] * way[0] + from[1] * way[1] + from[2] * way[2];
  const ahead = part(eye.ahead);
  const [u, v] = [part(eye.right) / ahead, -part(eye.up) / ahead];
  let [x, y] = [u, v];
  for (let turn = 0; turn < 8; turn++) {
    const squared = x * x + y * y;
    const grow = 1 + squared * (shot.bend + shot.bend4 * squared);
    [x, y] = [u / grow, v / grow];
  }
  return [
    shot.widthPx / 2 + shot.axisOffPx[0] + shot.focalPx * x,
    shot.heightPx / 2 + shot.axisOffPx[1] + shot.focalPx * y,
  ];
}

/** A place on the rim's lip, by its angle from the machine's along direction. */
export function rimSeenBy(
  { rimDiameterMm, camberDeg, steerDeg }: WheelScene,
  shot: Shot,
  round: number,
): [number, number] {
  const [lean, steer] = [(camberDeg * Math.PI) / 180, (steerDeg * Math.PI) / 180];
  const [x, u] = [(rimDiameterMm / 2) * Math.cos(round), (rimDiameterMm / 2) * Math.sin(round)];
  return seenBy(
    shot,
    x * Math.cos(steer) + u * Math.sin(steer) * Math.sin(lean),
    u * Math.cos(lean),
    -x * Math.sin(steer) + u * Math.cos(steer) * Math.sin(lean),
  );
}
