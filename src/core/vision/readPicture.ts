import { archNear, findArch, type EdgePlace } from './archEdge.ts';
import { lensAboveHubMm } from './bodyPoint.ts';
import { upOf } from './camera.ts';
import type { SheetSeen } from './findSheet.ts';
import { findWheel } from './findWheel.ts';
import { lengthNow, type Measure } from './measures.ts';
import { pictureLimits as limits } from './limits.ts';
import { halved, type GreyPicture } from './picture.ts';
import { edgeBlurPx, exposureOf } from './quality.ts';
import { traceRim, type TracedRim } from './rimEdge.ts';
import type { Ellipse } from './ellipse.ts';
import { circleThrough } from './circleThrough.ts';
import { sceneOf, type Known, type Scene } from './wheelModel.ts';
import { fitWheel, type WheelFit } from './wheelFit.ts';
import { type Reading } from './lengthIn.ts';

/** A place in the picture, pixels from its upper left corner. */
export type Place = readonly [number, number];

/** What somebody pointed at, where the picture alone does not show it. */
export interface Pointed {
  /** Three or more places on the rim's edge. */
  rim: readonly Place[];
  /** The point on the body. */
  point: Place | null;
  /** The other end, where a measure has one: tyre, floor or second mark. */
  other: Place | null;
}

/** Why a picture is not read, with what was found and what would be right. */
export type Refusal =
  | { kind: 'no-rim' | 'no-point' | 'no-mark' | 'no-other' | 'no-sheet' }
  | { kind: 'rim-unsure' }
  | { kind: 'rim-hidden'; share: number; leastShare: number }
  | { kind: 'off-circle' }
  | { kind: 'blurred'; px: number; mostPx: number }
  | { kind: 'glare'; share: number }
  | { kind: 'dark' }
  | { kind: 'aslant' | 'rolled'; deg: number; mostDeg: number }
  | { kind: 'lens-high' | 'lens-low'; mm: number; mostMm: number }
  | { kind: 'too-near'; mm: number; leastMm: number }
  | { kind: 'too-far'; px: number; leastPx: number }
  | { kind: 'unsure'; sdMm: number; mostMm: number };

/** What a picture shows, as far as it could be followed; the reading counts where nothing is refused. */
export interface PictureRead {
  refusals: Refusal[];
  outline: Ellipse | null;
  scene: Scene | null;
  /** The printed sheet, where that is the scale. */
  sheet: SheetSeen | null;
  /** Where the point on the body was found, and the other end. */
  point: Place | null;
  other: Place | null;
  reading: Reading | null;
  /** Lens above the point on the body, mm. */
  lensOffMm: number | null;
  blurPx: number | null;
  /** Share of the rim's round that shows an edge. */
  edgeShare: number | null;
}

export interface PictureTask {
  picture: GreyPicture;
  known: Known;
  measure: Measure;
  pointed: Pointed;
}

/** What a picture shows in which nothing was found. */
export const NOTHING_READ: PictureRead = {
  refusals: [],
  outline: null,
  scene: null,
  sheet: null,
  point: null,
  other: null,
  reading: null,
  lensOffMm: null,
  blurPx: null,
  edgeShare: null,
};

/**
 * Reads a length off a picture of a wheel: finds the rim, follows its edge, fits the wheel with what is known beforehand, finds the
 * point on the body, and says how far the length may be out and why; or says what is wrong with the picture.
 */
export function readPicture(task: PictureTask): PictureRead {
  const { picture, known, pointed } = task;
  if (Math.max(picture.widthPx, picture.heightPx) < LARGE_PX) return readAsItIs(task);
  // Edges are found to a tenth of a pixel: half the size loses nothing, and takes a quarter of the time.
  const small = halved(picture);
  const { widthPx, heightPx } = small;
  const camera = { ...known.camera, widthPx, heightPx, focalPx: known.camera.focalPx / 2 };
  const half = { ...task, picture: small, known: { ...known, camera }, pointed: pointedBy(pointed, 0.5) };
  return doubled(readAsItIs(half));
}

/** px. A picture with a longer side than this is read at half its size. */
const LARGE_PX = 3000;

/** A point of the small picture stands for four: its middle is half a pixel off theirs. */
const scaled = ([x, y]: Place, by: number): Place => [(x + 0.5) * by - 0.5, (y + 0.5) * by - 0.5];

const pointedBy = ({ rim, point, other }: Pointed, by: number): Pointed => ({
  rim: rim.map((place) => scaled(place, by)),
  point: point && scaled(point, by),
  other: other && scaled(other, by),
});

function doubled(read: PictureRead): PictureRead {
  const { outline, scene, point, other, blurPx } = read;
  const [x, y] = scaled([outline?.x ?? 0, outline?.y ?? 0], 2);
  const camera = scene && {
    ...scene.camera,
    widthPx: 2 * scene.camera.widthPx,
    heightPx: 2 * scene.camera.heightPx,
    focalPx: 2 * scene.camera.focalPx,
  };
  return {
    ...read,
    outline: outline && { ...outline, x, y, major: 2 * outline.major, minor: 2 * outline.minor },
    scene: scene && camera && { ...scene, camera },
    point: point && scaled(point, 2),
    other: other && scaled(other, 2),
    blurPx: blurPx === null ? null : 2 * blurPx,
  };
}

function readAsItIs({ picture, known, measure, pointed }: PictureTask): PictureRead {
  const rim = rimIn(picture, known, pointed);
  if ('refusals' in rim) return { ...NOTHING_READ, ...rim };
  const { traced, isPointed } = rim;
  const { outline } = traced;
  const fit = fitWheel(known, outline, traced);
  if (!fit) return { ...NOTHING_READ, outline, refusals: [{ kind: 'off-circle' }] };
  const scene = sceneOf(known, fit.values);
  const blurPx = edgeBlurPx(picture, outline);
  const refusals = [
    ...refusedByRim(picture, rim, fit, blurPx),
    ...refusedByExposure(picture, outline),
    ...refusedByPose(picture, known, scene, fit, outline),
  ];
  const shown = { ...NOTHING_READ, outline, scene, blurPx, edgeShare: traced.share };
  const point = pointIn({ picture, known, measure, pointed }, scene, traced.blurPx);
  if (!point)
    return { ...shown, refusals: [...refusals, { kind: measure === 'marks' ? 'no-mark' : 'no-point' }] };
  const places = { ...shown, point: [point.x, point.y] as const, other: pointed.other };
  const read = lengthNow(fit, measure, point, pointed.other);
  if (!read) return { ...places, refusals: [...refusals, { kind: 'no-other' }] };
  const lensOffMm = lensAboveHubMm(scene) - read.pointUpMm;
  const radii = read.pointUpMm / scene.radiusMm;
  if (!isPointed && !pointed.point && !(radii > limits.archRadii[0] && radii < limits.archRadii[1]))
    refusals.push({ kind: 'rim-unsure' });
  refusals.push(...refusedByLens(lensOffMm));
  if (read.reading.sdMm > limits.sdMm)
    refusals.push({ kind: 'unsure', sdMm: read.reading.sdMm, mostMm: limits.sdMm });
  return { ...places, refusals, lensOffMm, reading: read.reading };
}

interface Traced {
  traced: TracedRim;
  isPointed: boolean;
}

type RimIn = Traced | Pick<PictureRead, 'refusals' | 'outline'>;

function rimIn(picture: GreyPicture, known: Known, { rim }: Pointed): RimIn {
  if (rim.length >= 3) {
    const near = circleThrough(rim);
    const traced = near && traceRim(picture, near, 'pointed');
    return traced ? { traced, isPointed: true } : { refusals: [{ kind: 'no-rim' }], outline: near };
  }
  const [found] = findWheel(picture, known);
  if (!found) return { refusals: [{ kind: 'no-rim' }], outline: null };
  const traced = traceRim(picture, found.outline);
  if (!traced) return { refusals: [{ kind: 'no-rim' }], outline: found.outline };
  return found.score < limits.ringScore
    ? { refusals: [{ kind: 'rim-unsure' }], outline: traced.outline }
    : { traced, isPointed: false };
}

function refusedByRim(
  picture: GreyPicture,
  { traced, isPointed }: Traced,
  fit: WheelFit,
  blurPx: number,
): Refusal[] {
  const mostPx = limits.blurShare * Math.max(picture.widthPx, picture.heightPx);
  const { minor } = traced.outline;
  const leastShare = isPointed ? limits.pointedEdgeShare : limits.edgeShare;
  return [
    ...(blurPx > mostPx ? [{ kind: 'blurred' as const, px: blurPx, mostPx }] : []),
    ...(traced.share < leastShare ? [{ kind: 'rim-hidden' as const, share: traced.share, leastShare }] : []),
    ...(fit.leftPx > Math.max((isPointed ? limits.pointedOffCircleShare : limits.offCircleShare) * minor, 0.5)
      ? [{ kind: 'off-circle' as const }]
      : []),
  ];
}

function refusedByExposure(picture: GreyPicture, outline: Ellipse): Refusal[] {
  const { glareShare, middleShade } = exposureOf(picture, outline);
  if (glareShare > limits.glareShare) return [{ kind: 'glare', share: glareShare }];
  return middleShade < limits.darkShade ? [{ kind: 'dark' }] : [];
}

const DEGREES = 180 / Math.PI;

function refusedByPose(
  { widthPx, heightPx }: GreyPicture,
  known: Known,
  scene: Scene,
  fit: WheelFit,
  { minor }: Ellipse,
): Refusal[] {
  const turnDeg = Math.abs((fit.values[3] as number) * DEGREES);
  const up = upOf(known.level);
  const rollDeg = Math.abs(Math.atan2(up[0], -up[1]) * DEGREES);
  const leastPx = limits.rimRadiusShare * Math.max(widthPx, heightPx);
  const farMm = Math.hypot(...scene.hub);
  return [
    ...(turnDeg > limits.turnDeg ? [{ kind: 'aslant' as const, deg: turnDeg, mostDeg: limits.turnDeg }] : []),
    ...(rollDeg > limits.rollDeg ? [{ kind: 'rolled' as const, deg: rollDeg, mostDeg: limits.rollDeg }] : []),
    ...(farMm < limits.leastDistanceMm
      ? [{ kind: 'too-near' as const, mm: farMm, leastMm: limits.leastDistanceMm }]
      : []),
    ...(minor < leastPx ? [{ kind: 'too-far' as const, px: minor, leastPx }] : []),
  ];
}

function refusedByLens(lensOffMm: number): Refusal[] {
  if (Math.abs(lensOffMm) <= limits.lensOffMm) return [];
  return [
    {
      kind: lensOffMm > 0 ? 'lens-high' : 'lens-low',
      mm: Math.abs(lensOffMm),
      mostMm: limits.askedLensOffMm,
    },
  ];
}

/**
 * The point on the body: the edge near where somebody pointed, the very place where there is none or where it is a mark; else the arch's
 * edge.
 */
function pointIn(
  { picture, measure, pointed: { point } }: PictureTask,
  scene: Scene,
  blurPx: number,
): EdgePlace | null {
  if (measure === 'marks' && !point) return null;
  if (!point) return findArch(picture, scene, blurPx);
  if (measure === 'marks') return { x: point[0], y: point[1], sdPx: 1.5, blurPx };
  const near = archNear(picture, scene, point[0], point[1], blurPx);
  const isNear = near && Math.hypot(near.x - point[0], near.y - point[1]) < 10;
  return isNear ? near : { x: point[0], y: point[1], sdPx: 1.5, blurPx };
}
