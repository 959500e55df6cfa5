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
  let least = MOST_OFF;
  for (const small of discs)
    for (const a of discs)
      for (const b of discs) {
        if (a === b || a === small || b === small || !isSized(small, a, b)) continue;
        const [wx, wy] = [b.x - a.x, b.y - a.y];
        const wide = Math.hypot(wx, wy);
        if (Math.hypot((a.x + b.x) / 2 - small.x, (a.y + b.y) / 2 - small.y) > 0.1 * wide) continue;
        const below = lowerTwo(discs, a, b);
        if (below && below.off < least) {
          least = below.off;
          best = [a, b, below.right, below.left, small];
        }
      }
  return best;
}

/** Seen far from the picture's middle the sheet leans, so that its lower two stand off their places, by shares of its width: */
const MOST_LEAN = 0.6;
/** Yet they stand beside each other as the upper two do. */
const MOST_OFF = 0.3;

/** The lower two discs, below the upper two where `a` is the left one, and how far off they stand as a share of their width. */
function lowerTwo(
  discs: readonly DarkDisc[],
  a: DarkDisc,
  b: DarkDisc,
): { left: DarkDisc; right: DarkDisc; off: number } | null {
  const [wx, wy] = [b.x - a.x, b.y - a.y];
  const wide = Math.hypot(wx, wy);
  const [dx, dy] = [-wy * TALL, wx * TALL];
  let best: { left: DarkDisc; right: DarkDisc; off: number } | null = null;
  for (const left of discs) {
    const lean = Math.hypot(a.x + dx - left.x, a.y + dy - left.y) / wide;
    if (left === b || !isAlike(left, a) || lean > MOST_LEAN) continue;
    const right = nearest(discs, left.x + wx, left.y + wy, MOST_OFF * wide, a);
    if (!right || right === left || right === b) continue;
    const off = Math.hypot(left.x + wx - right.x, left.y + wy - right.y) / wide + 0.2 * lean;
    if (!best || off < best.off) best = { left, right, off };
  }
  return best;
}

const isAlike = ({ areaPx }: DarkDisc, like: DarkDisc): boolean =>
  areaPx > 0.5 * like.areaPx && areaPx < 2 * like.areaPx;

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
    if (off < least && isAlike(disc, like)) [best, least] = [disc, off];
  }
  return best;
}
