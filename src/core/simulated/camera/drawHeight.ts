import { seededUniform } from '../../numerics/random.ts';
import type { Level } from '../../vision/camera.ts';
import { aimed, drawLook, drawShot, hiddenLimits, within } from './draw.ts';
import type { Shot, WheelScene } from './scene.ts';

/** A picture to be taken of a wheel with its arch at a given height, and what the tablet and the one who tapes the rim say of it. */
export interface DrawnHeight {
  scene: WheelScene;
  shot: Shot;
  rimMm: number;
  level: Level;
  focalPx: number;
}

const WIDTH_PX = 2048;
const HEIGHT_PX = 1536;
/** mm. A tyre's side is at least so high, and over the tyre there is so much where the arch stands as it is to. */
const LEAST_SIDE_MM = 70;
const GAP_MM = 60;

/**
 * Draws a picture of a machine's wheel as it is taken in a workshop. Wheels, look, lens and who holds it are the machine's, by `seed`; how the
 * tablet is held differs each time, by `count`.
 * @param usualMm the arch's height where it is to stand, which wheels fit under; `archMm` where it stands now.
 */
export function drawHeight(
  seed: number,
  count: number,
  { usualMm, archMm, camberDeg }: { usualMm: number; archMm: number; camberDeg: number },
): DrawnHeight {
  const machine = seededUniform(seed * 613 + 29);
  const between = (low: number, high: number): number => low + (high - low) * machine();
  const mostRim = 2 * (usualMm - GAP_MM - LEAST_SIDE_MM);
  const rimDiameterMm = between(Math.min(370, 0.8 * mostRim), Math.min(545, mostRim));
  const tyreRadiusMm = Math.min(rimDiameterMm / 2 + between(LEAST_SIDE_MM, 120), usualMm - GAP_MM);
  const scene: WheelScene = {
    rimDiameterMm,
    tyreRadiusMm,
    archMm,
    lipOutMm: between(10, 50),
    archRadiusMm: tyreRadiusMm + between(55, 95),
    archAlongMm: between(-20, 20),
    camberDeg,
    steerDeg: between(-1, 1),
    look: drawLook(machine, 'workshop', rimDiameterMm, null),
  };
  const focalPx = WIDTH_PX * between(0.72, 0.9);
  const bend = within(machine, hiddenLimits.bend);
  const told = {
    rimMm: Math.round(rimDiameterMm + within(machine, 1)),
    focalPx: focalPx * (1 + within(machine, hiddenLimits.focalShare)),
  };
  const off = [within(machine, 0.8), within(machine, 0.8)] as const;
  const uniform = seededUniform(seed * 613 + count * 7927 + 31);
  for (let k = 0; k < 4; k++) uniform();
  const setting = { focalPx, bend, farMm: 1250, kind: 'workshop', beyond: null } as const;
  const held = drawShot(uniform, scene, { ...setting, widthPx: WIDTH_PX, heightPx: HEIGHT_PX });
  const high = { ...held, lensUpMm: held.lensUpMm + within(uniform, 100) };
  const shot = { ...high, ...aimed(uniform, scene, high, null) };
  return {
    ...told,
    scene,
    shot,
    level: {
      pitchDeg: shot.pitchDeg + off[0] + within(uniform, 0.6),
      rollDeg: shot.rollDeg + off[1] + within(uniform, 0.6),
    },
  };
}
