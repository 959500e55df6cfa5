import { placeOn } from '#core/vision/ellipse.ts';
import { hasOther, type Measure } from '#core/vision/measures.ts';
import type { Place, PictureRead, Pointed } from '#core/vision/readPicture.ts';

/** Something in the picture that can be taken hold of. */
export interface Handle {
  name: string;
  at: Place;
  kind: 'rim' | 'point' | 'other';
  /** What is pointed at once it was moved there. */
  moved: (to: Place) => Pointed;
}

/** Where the rim's handles stand on an outline that was found, rad. */
const ON_OUTLINE = [0.3, 2.4, 4.5];

/** Handles of all that was found or pointed at. */
export function handlesOf(read: PictureRead | null, pointed: Pointed, measure: Measure): Handle[] {
  const outline = read?.outline;
  const rim: readonly Place[] =
    pointed.rim.length > 0 || !outline
      ? pointed.rim
      : ON_OUTLINE.map((angle) => {
          const [x, y] = placeOn(outline, angle);
          return [x, y];
        });
  const body = pointed.point ?? read?.point ?? null;
  const all: Handle[] = rim.map((at, k) => ({
    name: `Rim ${k + 1}`,
    at,
    kind: 'rim',
    moved: (to) => ({ ...pointed, rim: rim.map((one, j) => (j === k ? to : one)) }),
  }));
  if (body)
    all.push({
      name: 'Point on the body',
      at: body,
      kind: 'point',
      moved: (point) => ({ ...pointed, point }),
    });
  if (hasOther[measure] && pointed.other)
    all.push({
      name: 'Other end',
      at: pointed.other,
      kind: 'other',
      moved: (other) => ({ ...pointed, other }),
    });
  return all;
}

/** What is pointed at once a place of a kind was tapped, and whether more taps of it are wanted. */
export function tapped(
  pointed: Pointed,
  kind: Handle['kind'],
  at: Place,
): { pointed: Pointed; more: boolean } {
  if (kind === 'point') return { pointed: { ...pointed, point: at }, more: false };
  if (kind === 'other') return { pointed: { ...pointed, other: at }, more: false };
  const rim = [...pointed.rim, at];
  return { pointed: { ...pointed, rim }, more: rim.length < 3 };
}
