import { seededUniform, standardNormal } from '#core/numerics/random.ts';
import { drawWheel, type PictureClass } from '#core/simulated/camera/draw.ts';
import { renderWheel } from '#core/simulated/camera/render.ts';
import { rimSeenBy, seenBy } from '#core/simulated/camera/seenBy.ts';
import type { Shot, WheelScene } from '#core/simulated/camera/scene.ts';
import { readPicture, type PictureRead, type Pointed } from '#core/vision/readPicture.ts';
import type { Known } from '#core/vision/wheelModel.ts';

const NOTHING: Pointed = { rim: [], point: null, other: null };

/** One picture of a wheel, read. */
export interface PictureTried {
  round: number;
  /** Why it was not read by itself, or what somebody who looks would see to be wrong; empty where it was read without a tap. */
  taps: string;
  /** Why it was refused even with taps. */
  refused: string;
  errorMm: number;
  sdMm: number;
  readMs: number;
}

/**
 * Reads pictures of one wheel. Where the rim or the arch is not found, or where the outline plainly lies beside them (3 % of the
 * rim, 12 pixels at the arch), three places on the rim and one on the arch are pointed at, a few pixels off.
 * @param each how many pictures in each of how many rounds.
 */
export function tryWheel(
  seed: number,
  kind: PictureClass,
  megapixels: 3 | 12,
  each: { rounds: number; pictures: number },
): { beyond: string | null; pictures: PictureTried[] } {
  const drawn = drawWheel(seed, kind, megapixels);
  const pictures = drawn.rounds.slice(0, each.rounds).flatMap(({ scene, shots, known }, round) =>
    shots.slice(0, each.pictures).map((shot, k): PictureTried => {
      const rendered = renderWheel(scene, shot, seed * 100 + round * 10 + k);
      return { round, ...tryPicture(rendered, scene, shot, known[k] as Known, seed) };
    }),
  );
  return { beyond: drawn.beyond, pictures };
}

function tryPicture(
  picture: ReturnType<typeof renderWheel>,
  scene: WheelScene,
  shot: Shot,
  known: Known,
  seed: number,
): Omit<PictureTried, 'round'> {
  const began = performance.now();
  let read = readPicture({ picture, known, measure: 'hub', pointed: NOTHING });
  const readMs = performance.now() - began;
  const isBeyond = shot.lensOutMm > 2500;
  const taps = read.refusals.length > 0 ? whyOf(read) : plainlyWrong(read, scene, shot);
  const canHelp = /rim-unsure|no-rim|no-point|seen|off-circle/.test(taps) && !isBeyond;
  if (taps && canHelp)
    read = readPicture({ picture, known, measure: 'hub', pointed: pointedAt(scene, shot, seed) });
  return {
    taps,
    refused: whyOf(read),
    errorMm: read.reading ? read.reading.mm - scene.archMm : NaN,
    sdMm: read.reading?.sdMm ?? NaN,
    readMs,
  };
}

const whyOf = ({ refusals }: PictureRead): string => refusals.map(({ kind }) => kind).join(' + ');

/** What somebody who looks at the outline sees. */
function plainlyWrong({ outline, point }: PictureRead, scene: WheelScene, shot: Shot): string {
  if (!outline || !point) return '';
  const [left] = rimSeenBy(scene, shot, Math.PI);
  const [right] = rimSeenBy(scene, shot, 0);
  const [, top] = rimSeenBy(scene, shot, Math.PI / 2);
  const [, low] = rimSeenBy(scene, shot, -Math.PI / 2);
  const radius = (right - left + low - top) / 4;
  if (Math.abs((outline.major + outline.minor) / 2 / radius - 1) > 0.03) return 'seen: rim';
  const [x, y] = seenBy(shot, 0, scene.archMm, scene.lipOutMm);
  return Math.hypot(point[0] - x, point[1] - y) > 12 * (shot.widthPx / 2048) ? 'seen: arch' : '';
}

function pointedAt(scene: WheelScene, shot: Shot, seed: number): Pointed {
  const uniform = seededUniform(seed + 5);
  const scale = shot.widthPx / 2048;
  const off = ([x, y]: [number, number]): [number, number] => [
    x + 4 * scale * standardNormal(uniform),
    y + 4 * scale * standardNormal(uniform),
  ];
  return {
    rim: [0.5, 2.6, 4.7].map((round) => off(rimSeenBy(scene, shot, round + 0.3 * uniform()))),
    point: off(seenBy(shot, 0, scene.archMm, scene.lipOutMm)),
    other: null,
  };
}
