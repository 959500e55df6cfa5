import type { PictureRead } from '#core/vision/readPicture.ts';

/** A part of a picture, pixels. */
export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The part of a picture that the wheel and what is measured fill; the whole of it while nothing is found. */
export function frameOf(size: { widthPx: number; heightPx: number }, read: PictureRead | null): Frame {
  const all = { x: 0, y: 0, width: size.widthPx, height: size.heightPx };
  if (!read?.outline) return all;
  const { x, y, major } = read.outline;
  const ends = [read.point, read.other].flatMap((one) => (one ? [one] : []));
  const margin = 0.45 * major;
  const left = Math.max(0, Math.min(x - 1.7 * major, ...ends.map(([px]) => px - margin)));
  const right = Math.min(size.widthPx, Math.max(x + 1.7 * major, ...ends.map(([px]) => px + margin)));
  const top = Math.max(0, Math.min(y - 1.4 * major, ...ends.map(([, py]) => py - margin)));
  const bottom = Math.min(size.heightPx, Math.max(y + 1.4 * major, ...ends.map(([, py]) => py + margin)));
  return right - left > 40 && bottom - top > 40
    ? { x: left, y: top, width: right - left, height: bottom - top }
    : all;
}
