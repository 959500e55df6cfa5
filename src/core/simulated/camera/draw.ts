import { seededUniform, standardNormal, type Uniform } from '../../numerics/random.ts';
import type { Known } from '../../vision/wheelModel.ts';
import type { Look, Shot, WheelScene } from './scene.ts';

/** How wheels are rendered: washed and well lit, as in a workshop, or with one thing beyond what a picture may have. */
const pictureClasses = ['clean', 'workshop', 'beyond'] as const;
export type PictureClass = (typeof pictureClasses)[number];

/** What a picture of the class `beyond` has too much of. */
const beyondKinds = [
  'blurred',
  'moved',
  'aslant',
  'lens high',
  'lens low',
  'too far',
  'cut off',
  'covered',
  'dark',
  'glaring',
  'no wheel',
] as const;
type BeyondKind = (typeof beyondKinds)[number];

/** A wheel, pictures of it in two rounds, and what their reader is told. */
export interface DrawnWheel {
  rounds: { scene: WheelScene; shots: Shot[]; known: Known[] }[];
  beyond: BeyondKind | null;
}

const RADIANS = Math.PI / 180;
/** Standard deviation of what `within` draws, as a share of the limit: a bell cut off at two of its own. */
const SPREAD = 0.44;

/** A number within `limit` either way: half of that is one standard deviation. */
export function within(uniform: Uniform, limit: number): number {
  for (;;) {
    const value = standardNormal(uniform) * (limit / 2);
    if (Math.abs(value) <= limit) return value;
  }
}

/** What is hidden of a camera and of what was measured: how far each may be from what the reader is told. */
export const hiddenLimits = {
  diameterMm: 2,
  lipOutMm: 5,
  focalShare: 0.03,
  bend: 0.03,
  levelDeg: 1,
} as const;

/**
 * Draws a wheel with three pictures in each of two rounds. Hidden from the reader are the limits above; between rounds the body
 * moves, the camber by half a degree and the lens by 100 mm.
 * @param megapixels 3 or 12.
 */
export function drawWheel(seed: number, kind: PictureClass, megapixels: 3 | 12 = 3): DrawnWheel {
  const uniform = seededUniform(seed * 7919 + pictureClasses.indexOf(kind));
  const between = (low: number, high: number): number => low + (high - low) * uniform();
  const beyond = kind === 'beyond' ? (beyondKinds[seed % beyondKinds.length] as BeyondKind) : null;
  const rimDiameterMm = between(370, 545);
  const tyreRadiusMm = rimDiameterMm / 2 + between(70, 135);
  const archRadiusMm = tyreRadiusMm + between(45, 95);
  const lipOutMm = between(10, 55);
  const scene: WheelScene = {
    rimDiameterMm,
    tyreRadiusMm,
    archMm: tyreRadiusMm + between(22, 105),
    lipOutMm,
    archRadiusMm,
    archAlongMm: between(-25, 25),
    camberDeg: between(-3, 0.5),
    steerDeg: between(-1.5, 1.5),
    look: drawLook(uniform, kind, rimDiameterMm, beyond),
  };
  const [widthPx, heightPx] = megapixels === 3 ? [2048, 1536] : [4096, 3072];
  const focalPx = widthPx * between(0.68, 0.95);
  const bend = within(uniform, hiddenLimits.bend);
  const told = {
    diameterMm: rimDiameterMm + within(uniform, hiddenLimits.diameterMm),
    lipOutMm: lipOutMm + within(uniform, hiddenLimits.lipOutMm),
    focalPx: focalPx * (1 + within(uniform, hiddenLimits.focalShare)),
  };
  const levelOffDeg = [within(uniform, 0.8), within(uniform, 0.8)] as const;
  const first = between(-100, 100);
  const lensOff = [first, Math.max(-100, Math.min(100, first + between(-100, 100)))];
  const farMm = between(950, 1700);
  const rounds = [0, 1].map((round) => {
    const now: WheelScene =
      round === 0
        ? scene
        : {
            ...scene,
            archMm: scene.archMm + between(-15, 40),
            camberDeg: scene.camberDeg + between(-0.5, 0.5),
          };
    const shots = [0, 1, 2].map(() => {
      const shot = drawShot(uniform, now, { widthPx, heightPx, focalPx, bend, farMm, kind, beyond });
      return {
        ...shot,
        ...aimed(uniform, now, { ...shot, lensUpMm: shot.lensUpMm + (lensOff[round] as number) }, beyond),
      };
    });
    return {
      scene: now,
      shots,
      known: shots.map((shot): Known => ({
        camera: { widthPx, heightPx, focalPx: told.focalPx, bend: 0 },
        focalSdShare: hiddenLimits.focalShare * SPREAD,
        bendSd: hiddenLimits.bend * SPREAD,
        level: {
          pitchDeg: shot.pitchDeg + levelOffDeg[0] + within(uniform, 0.6),
          rollDeg: shot.rollDeg + levelOffDeg[1] + within(uniform, 0.6),
        },
        levelSdDeg: hiddenLimits.levelDeg * SPREAD,
        rimDiameterMm: told.diameterMm,
        rimDiameterSdMm: hiddenLimits.diameterMm * SPREAD,
        lipOutMm: told.lipOutMm,
        lipOutSdMm: hiddenLimits.lipOutMm * SPREAD,
      })),
    };
  });
  return { rounds, beyond };
}

export function drawLook(
  uniform: Uniform,
  kind: PictureClass,
  rimDiameterMm: number,
  beyond: BeyondKind | null,
): Look {
  const between = (low: number, high: number): number => low + (high - low) * uniform();
  const clean = kind === 'clean';
  const draw = uniform();
  const rim = draw < 0.45 ? 'machined' : draw < (clean ? 0.95 : 0.87) ? 'silver' : 'dark';
  const tyreLight = between(0.018, clean ? 0.035 : 0.06);
  const seed = Math.floor(uniform() * 1e9);
  // A row of its own, so that no other thing is drawn otherwise for it.
  const groove = seededUniform(seed);
  return {
    seed,
    rim,
    lipLight:
      rim === 'machined' ? between(0.45, 0.8) : rim === 'silver' ? between(0.2, 0.45) : between(0.09, 0.16),
    lipWidthMm: between(6, 15),
    shineAt: between(-Math.PI, Math.PI),
    shineLessShare: between(0.1, clean ? 0.4 : 0.65),
    spokes: 5 + Math.floor(uniform() * 7),
    spokeTurn: between(0, Math.PI),
    spokeWidthMm: between(0.03, 0.08) * rimDiameterMm,
    spokeLight: rim === 'dark' ? between(0.03, 0.09) : between(0.15, 0.55),
    discLight: between(0.08, 0.3),
    tyreLight,
    grooveMm: 1 + 2.5 * groove(),
    grooveShare: 0.3 + 0.5 * groove(),
    ringLight: uniform() < 0.4 ? between(0.005, clean ? 0.02 : 0.05) : 0,
    lettered: uniform() < 0.4,
    bodyLight: uniform() < 0.2 ? between(0.03, 0.08) : between(0.12, 0.7),
    edgeLight: between(0.75, 1.5),
    gapLight: between(0.004, clean ? 0.01 : 0.018),
    floorLight: between(0.1, 0.5),
    dirt: clean ? between(0, 0.08) : between(0.05, 0.6),
    scuffed: clean ? 0 : uniform() < 0.5 ? between(0.05, 0.35) : 0,
    shadowShare: !clean && uniform() < 0.4 ? between(0.3, 0.8) : 1,
    shadowAlongMm: between(-200, 200),
    shadowTurn: between(-1.2, 1.2),
    coveredShare: beyond === 'covered' ? between(0.55, 0.85) : 0,
    sheet: null,
  };
}

interface Setting {
  widthPx: number;
  heightPx: number;
  focalPx: number;
  bend: number;
  farMm: number;
  kind: PictureClass;
  beyond: BeyondKind | null;
}

export function drawShot(uniform: Uniform, scene: WheelScene, setting: Setting): Shot {
  const { widthPx, heightPx, focalPx, bend, farMm, kind, beyond } = setting;
  const between = (low: number, high: number): number => low + (high - low) * uniform();
  const clean = kind === 'clean';
  const scale = widthPx / 2048;
  const away = farMm * between(0.9, 1.1) * (beyond === 'too far' ? between(3.5, 6) : 1);
  const side = uniform() < 0.5 ? -1 : 1;
  return {
    widthPx,
    heightPx,
    lensAlongMm: beyond === 'aslant' ? side * away * between(0.75, 1.2) : away * between(-0.17, 0.17),
    lensUpMm:
      scene.archMm +
      (beyond === 'lens high' ? between(260, 500) : beyond === 'lens low' ? -between(260, 420) : 0),
    lensOutMm: away,
    turnDeg: 0,
    pitchDeg: 0,
    rollDeg: between(-4, 4),
    focalPx,
    bend,
    bend4: -0.3 * bend * uniform(),
    axisOffPx: [scale * between(-8, 8), scale * between(-8, 8)],
    blurPx: scale * (beyond === 'blurred' ? between(9, 16) : clean ? between(0.6, 1.1) : between(0.7, 2)),
    movedPx: scale * (beyond === 'moved' ? between(30, 60) : clean ? 0 : between(0, 4)),
    movedTurn: between(0, Math.PI),
    exposure:
      beyond === 'dark'
        ? between(0.008, 0.02)
        : beyond === 'glaring'
          ? between(9, 18)
          : clean
            ? between(0.9, 1.3)
            : between(0.5, 1.5),
    noise: beyond === 'dark' ? between(9, 14) : clean ? between(1, 2) : between(1.5, 5),
    gamma: between(2.05, 2.35),
  };
}

/** The lens turned to what is to be measured: between the hub and the arch's edge, not quite. */
export function aimed(
  uniform: Uniform,
  scene: WheelScene,
  shot: Shot,
  beyond: BeyondKind | null,
): Pick<Shot, 'turnDeg' | 'pitchDeg' | 'lensUpMm'> {
  const between = (low: number, high: number): number => low + (high - low) * uniform();
  const [acrossMm, upMm] = [between(-50, 50), scene.archMm * between(0.15, 0.4)];
  const offDeg = cutOffDeg(uniform, scene, shot, beyond);
  return {
    lensUpMm: shot.lensUpMm,
    turnDeg: Math.atan2(acrossMm - shot.lensAlongMm, shot.lensOutMm) / RADIANS + offDeg,
    pitchDeg:
      Math.atan2(upMm - shot.lensUpMm, Math.hypot(shot.lensOutMm, shot.lensAlongMm - acrossMm)) / RADIANS,
  };
}

/** So far the lens is turned away that the picture's edge goes through the rim, or that there is no wheel at all. */
function cutOffDeg(uniform: Uniform, scene: WheelScene, shot: Shot, beyond: BeyondKind | null): number {
  if (beyond === 'no wheel') return 50;
  if (beyond !== 'cut off') return 0;
  const halfDeg = Math.atan2(shot.widthPx / 2, shot.focalPx) / RADIANS;
  const rimDeg = Math.atan2(scene.rimDiameterMm / 2, shot.lensOutMm) / RADIANS;
  return (halfDeg + (uniform() - 0.6) * rimDeg) * (uniform() < 0.5 ? -1 : 1);
}
