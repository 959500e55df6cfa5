import type { Level } from '#core/vision/camera.ts';
import type { LevelFrom } from '../../workers/vision.worker.ts';

/** A picture that is to be read: what shows it, where it came from and how the camera was held. */
export interface Shot {
  key: string;
  /** Address of the picture itself, for the page. */
  url: string;
  widthPx: number;
  heightPx: number;
  /** By the tablet's own level at the shutter; null where it came as a file. */
  level: Level | null;
  /** What that is by: a kept picture's may be by a sheet in it. */
  levelFrom: LevelFrom;
  /** What the file says of its lens. */
  focal35Mm: number | null;
  camera: string;
  blob: Blob;
}
