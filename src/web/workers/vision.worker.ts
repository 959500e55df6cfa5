import { expose } from 'comlink';
import type { Camera, Level } from '#core/vision/camera.ts';
import { findSheet, type SheetSeen } from '#core/vision/findSheet.ts';
import { findWheel } from '#core/vision/findWheel.ts';
import type { Ellipse } from '#core/vision/ellipse.ts';
import { pictureLimits } from '#core/vision/limits.ts';
import type { Measure } from '#core/vision/measures.ts';
import { greyOf, type GreyPicture } from '#core/vision/picture.ts';
import { readMarks } from '#core/vision/readMarks.ts';
import { readPicture, type PictureRead, type Pointed } from '#core/vision/readPicture.ts';
import { levelBySheet, sheetPose } from '#core/vision/sheetPose.ts';
import type { Known } from '#core/vision/wheelModel.ts';

/** A picture is kept here while it is worked with, so that pointing at it again costs no decoding. */
let held: { key: string; grey: GreyPicture; sheet: SheetSeen | null | undefined } | null = null;

/** Takes a picture in; its size. */
function open(key: string, bitmap: ImageBitmap): { widthPx: number; heightPx: number } {
  const grey = greyIn(bitmap);
  bitmap.close();
  held = { key, grey, sheet: undefined };
  return { widthPx: grey.widthPx, heightPx: grey.heightPx };
}

function greyIn(bitmap: ImageBitmap): GreyPicture {
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('expected a canvas to draw on, got none');
  context.drawImage(bitmap, 0, 0);
  const { data } = context.getImageData(0, 0, bitmap.width, bitmap.height);
  return greyOf(data, bitmap.width, bitmap.height);
}

/** By what it is known which way is up. */
export type LevelFrom = 'camera' | 'sheet';

/** What is known of a wheel beforehand. */
export type WheelKnownOf = Pick<Known, 'rimDiameterMm' | 'rimDiameterSdMm' | 'lipOutMm' | 'lipOutSdMm'>;

/** What is known beforehand; no level where the picture came without one, no wheel where its rim was not measured. */
export type KnownOf = Pick<Known, 'focalSdShare' | 'bendSd'> & {
  wheel: WheelKnownOf | null;
  focalPx: number;
  bend: number;
  level: Level | null;
  /** What a level that is known is by. */
  levelFrom: LevelFrom;
};

export interface ReadAs {
  key: string;
  known: KnownOf;
  measure: Measure;
  pointed: Pointed;
}

/** How a picture was read, and by what it was known which way is up. */
export interface ReadBack {
  /** Of which picture. */
  key: string;
  read: PictureRead;
  /** What the lengths in it go by; nothing is wanted of the level where that is the sheet. */
  scale: 'rim' | 'sheet';
  level: Level | null;
  levelFrom: LevelFrom | null;
}

/** One standard deviation of a tablet's own level, and of a sheet that hangs by its upper edge, degrees. */
const LEVEL_SD_DEG = { camera: 0.5, sheet: 1 };

/** Reads the picture that was taken in; null where another was taken in since. */
function read(as: ReadAs): ReadBack | null {
  if (held?.key !== as.key) return null;
  const byRim = as.known.wheel && readByRim(held.grey, as, as.known.wheel);
  // The way between two marks has either scale: the surer one counts.
  const bySheet = as.measure === 'marks' && (sheetHeld() || !byRim) ? readBySheet(held.grey, as) : null;
  return bySheet && (!byRim || sdOf(bySheet) <= sdOf(byRim)) ? bySheet : byRim;
}

/** mm; endless where nothing was read. */
const sdOf = ({ read }: ReadBack): number =>
  read.refusals.length === 0 ? (read.reading?.sdMm ?? Infinity) : Infinity;

const cameraOf = ({ widthPx, heightPx }: GreyPicture, { focalPx, bend }: KnownOf): Camera => ({
  widthPx,
  heightPx,
  focalPx,
  bend,
});

function readBySheet(grey: GreyPicture, { key, known, pointed }: ReadAs): ReadBack {
  const lens = { camera: cameraOf(grey, known), focalSdShare: known.focalSdShare, bendSd: known.bendSd };
  const { level, levelFrom } = known;
  return {
    key,
    scale: 'sheet',
    level,
    levelFrom: level && levelFrom,
    read: readMarks(grey, lens, pointed, sheetHeld()),
  };
}

function readByRim(
  grey: GreyPicture,
  { key, known, measure, pointed }: ReadAs,
  wheel: WheelKnownOf,
): ReadBack {
  const camera = cameraOf(grey, known);
  const fromSheet = known.level ? null : levelIn(camera);
  const level = known.level ?? fromSheet;
  const levelFrom = known.level ? known.levelFrom : fromSheet ? 'sheet' : null;
  const { focalSdShare, bendSd } = known;
  return {
    key,
    scale: 'rim',
    level,
    levelFrom,
    read: readPicture({
      picture: grey,
      // Without a level the outline can still be shown; the page refuses the reading.
      known: {
        ...{ ...wheel, focalSdShare, bendSd, camera },
        level: level ?? { pitchDeg: 0, rollDeg: 0 },
        levelSdDeg: LEVEL_SD_DEG[levelFrom ?? 'sheet'],
      },
      measure,
      pointed,
    }),
  };
}

/** The sheet in the picture that was taken in. Not found is an answer too: it is looked for once. */
function sheetHeld(): SheetSeen | null {
  if (!held) return null;
  if (held.sheet === undefined) held.sheet = findSheet(held.grey);
  return held.sheet;
}

function levelIn(camera: Camera): Level | null {
  const seen = sheetHeld();
  const pose = seen && sheetPose(camera, seen);
  return pose && levelBySheet(pose);
}

/** The printed sheet in a picture of it, for a camera to be measured by; null where it is not seen. */
function sheet(bitmap: ImageBitmap): { seen: SheetSeen; widthPx: number; heightPx: number } | null {
  const grey = greyIn(bitmap);
  bitmap.close();
  const seen = findSheet(grey);
  return seen && { seen, widthPx: grey.widthPx, heightPx: grey.heightPx };
}

/** The wheel in a frame of the camera, while it is being held: quickly, for the eye only. */
function look(bitmap: ImageBitmap, focalPx: number, level: Level | null): Ellipse | null {
  const grey = greyIn(bitmap);
  bitmap.close();
  const camera = { widthPx: grey.widthPx, heightPx: grey.heightPx, focalPx, bend: 0 };
  const [found] = findWheel(grey, { camera, level: level ?? { pitchDeg: 0, rollDeg: 0 } });
  return found && found.score >= pictureLimits.ringScore ? found.outline : null;
}

const api = { open, read, sheet, look };
export type VisionApi = typeof api;

expose(api);
