import sharp from 'sharp';
import { limits } from '#contract/limits.ts';
import { ProblemError } from '../http/problem.ts';
import { inTurn } from './inTurn.ts';

/** What a camera writes. Others hold scripts, or many pictures, or need far more memory than their size tells. */
const FORMATS: readonly (string | undefined)[] = ['jpeg', 'png', 'webp'];

/** s. No picture of that size takes this long, and the next one waits. */
const MOST_S = 20;

/** One picture is drawn at a time: it takes tens of times its own size in memory. */
export const drawing = inTurn();

/** px, at most; and for a JPEG its quality of 100. */
interface Drawn {
  width: number;
  height: number;
  quality?: number;
}

/**
 * A picture turned the right way up and drawn anew, so that nothing but the picture is in it. A PNG keeps what is see-through. Throws
 * `not-a-picture`.
 */
export async function drawnAs(sent: Buffer, as: 'jpeg' | 'png', { width, height, quality }: Drawn) {
  try {
    const { format } = await sharp(sent, { limitInputPixels: limits.photoPixels }).metadata();
    if (!FORMATS.includes(format)) throw new ProblemError('not-a-picture');
    const upright = sharp(sent, { limitInputPixels: limits.photoPixels })
      .rotate()
      .resize({ width, height, fit: 'inside', withoutEnlargement: true })
      .timeout({ seconds: MOST_S });
    const drawn = as === 'png' ? upright.png() : upright.flatten({ background: '#ffffff' }).jpeg({ quality });
    return await drawn.toBuffer({ resolveWithObject: true });
  } catch {
    throw new ProblemError('not-a-picture');
  }
}
