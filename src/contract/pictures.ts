import type { CornerId } from '#core/kinds/corners.ts';
import type { Level } from '#core/vision/camera.ts';
import type { Measure } from '#core/vision/measures.ts';
import type { Pointed } from '#core/vision/readPicture.ts';

/** How a picture was read, whole enough to read it again. Places and sizes are in pixels of the whole picture. */
export interface PictureMeta {
  widthPx: number;
  heightPx: number;
  /** Which part of it is kept: from its upper left corner. */
  leftPx: number;
  topPx: number;
  lens: { focalPx: number; sdShare: number; bend: number; bendSd: number };
  /** How the camera was held; null where nothing says so, and the printed sheet is the scale. */
  level: Level | null;
  levelFrom: 'camera' | 'sheet' | null;
  /** The rim, which is the scale; null where that is the printed sheet. */
  rimMm: number | null;
  lipOutMm: number | null;
  /** Whether somebody measured how far the arch stands out. */
  isLipGiven: boolean;
  measure: Measure;
  pointed: Pointed;
  /** What it showed. */
  mm: number;
  sdMm: number;
  /** Where on the body that was: along from the hub, and above it; null without a wheel. */
  alongMm: number | null;
  upMm: number | null;
}

/** A picture that a height was read off, kept with its job. */
export interface ReadingPicture {
  id: string;
  jobId: string;
  corner: CornerId;
  round: number;
  /** When it was sent, ISO 8601. */
  at: string;
  meta: PictureMeta;
}

/** What is sent to have one kept: `jpeg` is the kept part, in base64; one that comes out of a file brings its time. */
export interface NewReadingPicture extends Omit<ReadingPicture, 'at'> {
  at?: string;
  jpeg: string;
}

/** Pictures that heights of a machine were read off, newest first. */
export interface ReadingPictureList {
  pictures: ReadingPicture[];
}
