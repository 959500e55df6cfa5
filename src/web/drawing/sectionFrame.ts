/** Half widths of what is drawn in a section, mm: a look that serves any damper. */
export const halves = { coil: 34, seat: 43, slider: 40, ring: 28 } as const;

/** A dimension line before its text has found room. */
export interface Dimension {
  fromMm: number;
  toMm: number;
  text: string;
  tone: string;
}

/** The same lines with the place of each text, moved apart so that none stands on another. */
export function spreadLabels<T extends Dimension>(
  lines: readonly T[],
  leastMm: number,
): (T & { textMm: number })[] {
  const placed = lines
    .map((line) => ({ ...line, textMm: (line.fromMm + line.toMm) / 2 }))
    .sort((a, b) => a.textMm - b.textMm);
  for (let i = 1; i < placed.length; i++) {
    const [above, here] = [placed[i - 1], placed[i]];
    if (above && here) here.textMm = Math.max(here.textMm, above.textMm + leastMm);
  }
  return placed;
}

/** Turns of a drawn coil as half turns between its ends: [y at the left, y at the right], closed ends flat. */
export function halfTurns(fromMm: number, toMm: number, turns: number, wireMm: number): [number, number][] {
  const count = Math.max(Math.round(turns), 2);
  const top = fromMm + wireMm / 2;
  const pitch = (toMm - fromMm - wireMm) / count;
  return Array.from({ length: count + 1 }, (_, i): [number, number] => {
    const y = top + pitch * i;
    // The last turn is ground flat like the first.
    return i === 0 || i === count ? [y, y] : [y - pitch / 4, y + pitch / 4];
  });
}
