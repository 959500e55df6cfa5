import type { SheetSeen } from '#core/vision/findSheet.ts';
import type { Place, PictureRead } from '#core/vision/readPicture.ts';

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
  if (!read) return all;
  const ends = [read.point, read.other].flatMap((one) => (one ? [one] : []));
  if (read.sheet) return aroundSheet(all, read.sheet, ends);
  if (!read.outline) return all;
  const { x, y, major } = read.outline;
  const margin = 0.45 * major;
  const left = Math.max(0, Math.min(x - 1.7 * major, ...ends.map(([px]) => px - margin)));
  const right = Math.min(size.widthPx, Math.max(x + 1.7 * major, ...ends.map(([px]) => px + margin)));
  const top = Math.max(0, Math.min(y - 1.4 * major, ...ends.map(([, py]) => py - margin)));
  const bottom = Math.min(size.heightPx, Math.max(y + 1.4 * major, ...ends.map(([, py]) => py + margin)));
  return right - left > 40 && bottom - top > 40
    ? { x: left, y: top, width: right - left, height: bottom - top }
    : all;
}

/** The sheet with both marks; the whole picture until both are pointed at. */
function aroundSheet(all: Frame, sheet: SheetSeen, ends: readonly Place[]): Frame {
  if (ends.length < 2) return all;
  const places = [...ends, ...sheet.map(({ x, y }): Place => [x, y])];
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const margin = 0.2 * Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const [left, top] = [Math.max(0, Math.min(...xs) - margin), Math.max(0, Math.min(...ys) - margin)];
  return {
    x: left,
    y: top,
    width: Math.min(all.width, Math.max(...xs) + margin) - left,
    height: Math.min(all.height, Math.max(...ys) + margin) - top,
  };
}
