/**
 * The printed sheet: five black discs on white. Four stand in the corners of a rectangle; the fifth, smaller, stands between the upper
 * two, so that it is seen which way is up. Places are from its middle, to the right and upwards.
 */
export const markerSheet = {
  widthMm: 190,
  heightMm: 250,
  discs: [
    { alongMm: -60, upMm: 90, diameterMm: 44 },
    { alongMm: 60, upMm: 90, diameterMm: 44 },
    { alongMm: 60, upMm: -90, diameterMm: 44 },
    { alongMm: -60, upMm: -90, diameterMm: 44 },
    { alongMm: 0, upMm: 90, diameterMm: 22 },
  ],
} as const;

/** How light the sheet is at a place, softened over `pxMm`; null beside it. */
export function sheetShadeAt(alongMm: number, upMm: number, pxMm: number): number | null {
  const { widthMm, heightMm, discs } = markerSheet;
  if (Math.abs(alongMm) > widthMm / 2 || Math.abs(upMm) > heightMm / 2) return null;
  let shade = 0.75;
  for (const disc of discs) {
    const apart = disc.diameterMm / 2 - Math.hypot(alongMm - disc.alongMm, upMm - disc.upMm);
    const cover = Math.max(0, Math.min(1, 0.5 + apart / pxMm));
    shade = shade * (1 - cover) + 0.03 * cover;
  }
  return shade;
}
