/** A ratio in the workshop's words: "1 mm of seat = 2.0 mm at the wheel". `ratio` is damper per wheel. */
export function ratioText(ratio: number): string {
  return `1 mm of seat = ${(1 / ratio).toFixed(2)} mm at the wheel`;
}
