import { findSheet, type SheetSeen } from './findSheet.ts';
import { pictureLimits as limits } from './limits.ts';
import { marksBySheet, type LensKnown } from './marksBySheet.ts';
import type { GreyPicture } from './picture.ts';
import { NOTHING_READ, type Pointed, type PictureRead } from './readPicture.ts';

/**
 * Reads the way between two marks off a picture without a wheel: the printed sheet beside them is the scale. `seen` are its
 * discs where they were looked for already; or says what is wanting.
 */
export function readMarks(
  picture: GreyPicture,
  lens: LensKnown,
  { point, other }: Pointed,
  seen: SheetSeen | null = findSheet(picture),
): PictureRead {
  const read = { ...NOTHING_READ, point, other, sheet: seen };
  if (!seen) return { ...read, refusals: [{ kind: 'no-sheet' }] };
  if (!point) return { ...read, refusals: [{ kind: 'no-mark' }] };
  if (!other) return { ...read, refusals: [{ kind: 'no-other' }] };
  const reading = marksBySheet(lens, seen, point, other);
  if (!reading) return { ...read, refusals: [{ kind: 'no-sheet' }] };
  const unsure = reading.sdMm > limits.sdMm;
  return {
    ...read,
    reading,
    refusals: unsure ? [{ kind: 'unsure', sdMm: reading.sdMm, mostMm: limits.sdMm }] : [],
  };
}
