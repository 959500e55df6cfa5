const { abs, max, min } = Math;

/** Where a growing force passes zero between two ends; the end itself when it never does there. */
export function closeIn(low: number, high: number, guess: number, force: (value: number) => number): number {
  let [a, b] = [max(low, guess - 0.5), min(high, guess + 0.5)];
  for (let wide = 1; force(a) > 0; wide *= 4) {
    if (a <= low) return low;
    a = max(low, a - wide);
  }
  for (let wide = 1; force(b) < 0; wide *= 4) {
    if (b >= high) return high;
    b = min(high, b + wide);
  }
  let [fa, fb] = [force(a), force(b)];
  let side = 0;
  // Illinois' variant of false position.
  for (let k = 0; k < 80 && b - a > 1e-10; k++) {
    const usual = fb === fa ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
    const middle = k % 5 === 4 || !Number.isFinite(usual) ? (a + b) / 2 : usual;
    const value = force(middle);
    if (abs(value) < 1e-8) return middle;
    if (value < 0) {
      [a, fa] = [middle, value];
      if (side === -1) fb /= 2;
      side = -1;
    } else {
      [b, fb] = [middle, value];
      if (side === 1) fa /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
}
