import type { Level } from '#core/vision/camera.ts';
import { levelBySheet } from '#core/vision/sheetPose.ts';
import type { Vector3 } from '#core/vision/vector.ts';

const RADIANS = Math.PI / 180;

/**
 * How the camera at a tablet's back is held, by the tablet's own angles (DeviceOrientation Event Specification: beta about its right,
 * gamma about its long side) and by how far its picture is turned on it.
 */
export function levelOf(betaDeg: number, gammaDeg: number, screenDeg: number): Level {
  const [beta, gamma, screen] = [betaDeg * RADIANS, gammaDeg * RADIANS, screenDeg * RADIANS];
  // Upwards along the tablet's right side, its top, and out of its screen.
  const right = -Math.cos(beta) * Math.sin(gamma);
  const top = Math.sin(beta);
  const out = Math.cos(beta) * Math.cos(gamma);
  const up: Vector3 = [
    right * Math.cos(screen) - top * Math.sin(screen),
    -(right * Math.sin(screen) + top * Math.cos(screen)),
    -out,
  ];
  return levelBySheet({ up });
}
