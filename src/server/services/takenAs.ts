import { setImmediate } from 'node:timers/promises';
import sharp from 'sharp';
import type { GreyPicture } from '#core/vision/picture.ts';

/** Runs something long step by step, with all that waits in between. */
export async function unhurried<T>(steps: Generator<void, T>): Promise<T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    await setImmediate();
  }
}

/** Diagonal of a 35 mm frame. */
const DIAGONAL_MM = Math.hypot(36, 24);

/** A rendered picture as a camera would write it, with the lens's focal length in it as cameras say it: for 35 mm, whole. */
export function asJpeg({ widthPx, heightPx, shades }: GreyPicture, focalPx: number): Promise<Buffer> {
  const focal35Mm = Math.round((focalPx * DIAGONAL_MM) / Math.hypot(widthPx, heightPx));
  return sharp(Buffer.from(shades), { raw: { width: widthPx, height: heightPx, channels: 1 } })
    .jpeg({ quality: 92 })
    .withExif({ IFD2: { FocalLengthIn35mmFilm: String(focal35Mm) } })
    .toBuffer();
}
