/** A ratio in the workshop’s words, in no unit: "the wheel goes 2.00 times as far as the seat". `ratio` is damper per wheel. */
export function ratioText(ratio: number): string {
  return `the wheel goes ${(1 / ratio).toFixed(2)} times as far as the seat`;
}
