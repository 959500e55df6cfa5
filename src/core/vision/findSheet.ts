import { darkDiscs, type DarkDisc } from './darkDiscs.ts';
import type { GreyPicture } from './picture.ts';

/** Discs of the sheet as they are seen, in the order in which the sheet has them. */
export type SheetSeen = readonly DarkDisc[];

/** Height over width of the rectangle that the four large discs stand in. */
const TALL = 1.5;

/**
 * Looks for the printed sheet: two large discs with a small one between them, and two more below; null where it is not seen. Seen
 * aslant or a little turned it is found just as well.
 */
export function findSheet(picture: GreyPicture): SheetSeen | null {
  const discs = darkDiscs(picture);
  let best: SheetSeen | null = null;
  let least = 0.3;
  for (const small of discs)
    for (const a of discs)
      for (const b of discs) {
        if (a === b || a === small || b === small || !isSized(small, a, b)) continue;
        const [wx, wy] = [b.x - a.x, b.y - a.y];
        const wide = Math.hypot(wx, wy);
        if (Math.hypot((a.x + b.x) / 2 - small.x, (a.y + b.y) / 2 - small.y) > 0.1 * wide) continue;
        // Down the sheet, with the right of its upper two on the right.
        const [dx, dy] = [-wy * TALL, wx * TALL];
        const lowerRight = nearest(discs, b.x + dx, b.y + dy, 0.3 * wide, a);
        const lowerLeft = nearest(discs, a.x + dx, a.y + dy, 0.3 * wide, a);
        if (!lowerRight || !lowerLeft || lowerRight === lowerLeft) continue;
        const off =
          (Math.hypot(b.x + dx - lowerRight.x, b.y + dy - lowerRight.y) +
            Math.hypot(a.x + dx - lowerLeft.x, a.y + dy - lowerLeft.y)) /
          (2 * wide);
        if (off < least) {
          least = off;
          best = [a, b, lowerRight, lowerLeft, small];
        }
      }
  return best;
}

function isSized(small: DarkDisc, a: DarkDisc, b: DarkDisc): boolean {
  const share = small.areaPx / Math.sqrt(a.areaPx * b.areaPx);
  const alike = a.areaPx / b.areaPx;
  return share > 0.14 && share < 0.4 && alike > 0.6 && alike < 1.7;
}

function nearest(
  discs: readonly DarkDisc[],
  x: number,
  y: number,
  within: number,
  like: DarkDisc,
): DarkDisc | null {
  let best: DarkDisc | null = null;
  let least = within;
  for (const disc of discs) {
    const off = Math.hypot(disc.x - x, disc.y - y);
    const alike = disc.areaPx / like.areaPx;
    if (off < least && alike > 0.5 && alike < 2) [best, least] = [disc, off];
  }
  return best;
}
