import type { Shot } from './scene.ts';

const RADIANS = Math.PI / 180;

/** Along, up, out. */
export type Triple = readonly [number, number, number];

/** Where a camera looks, and its own right and up. */
export function eyeOf({ turnDeg, pitchDeg, rollDeg }: Shot): { ahead: Triple; right: Triple; up: Triple } {
  const [t, p, r] = [turnDeg * RADIANS, pitchDeg * RADIANS, rollDeg * RADIANS];
  const right: Triple = [Math.cos(t), 0, Math.sin(t)];
  const up: Triple = [-Math.sin(t) * Math.sin(p), Math.cos(p), Math.cos(t) * Math.sin(p)];
  const mix = (a: Triple, ka: number, b: Triple, kb: number): Triple => [
    ka * a[0] + kb * b[0],
    ka * a[1] + kb * b[1],
    ka * a[2] + kb * b[2],
  ];
  return {
    ahead: [Math.sin(t) * Math.cos(p), Math.sin(p), -Math.cos(t) * Math.cos(p)],
    right: mix(right, Math.cos(r), up, -Math.sin(r)),
    up: mix(up, Math.cos(r), right, Math.sin(r)),
  };
}
