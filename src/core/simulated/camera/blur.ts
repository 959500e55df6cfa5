import type { Shot } from './scene.ts';

/**
 * Blurs a picture in place: by a bell of standard deviation `blurPx` (three boxes: Wells, "Efficient synthesis of Gaussian
 * filters by cascaded uniform filters", 1986), then along a straight way of `movedPx` at `movedTurn` (rad).
 */
export function* blur(
  light: Float32Array,
  widthPx: number,
  heightPx: number,
  { blurPx: sdPx, movedPx, movedTurn }: Pick<Shot, 'blurPx' | 'movedPx' | 'movedTurn'>,
): Generator<void, void> {
  const spare = new Float32Array(light.length);
  if (sdPx > 0.2) {
    // A box of real width: whole points and shares of one at either side.
    const half = (Math.sqrt(4 * sdPx * sdPx + 1) - 1) / 2;
    for (let pass = 0; pass < 3; pass++) {
      across(light, spare, widthPx, heightPx, half);
      yield;
      down(spare, light, widthPx, heightPx, half);
      yield;
    }
  }
  if (movedPx >= 1) moved(light, spare, widthPx, heightPx, movedPx, movedTurn);
}

/** Mean over `half` points to the left and right. */
function across(
  from: Float32Array,
  into: Float32Array,
  widthPx: number,
  heightPx: number,
  half: number,
): void {
  const whole = Math.floor(half);
  const share = half - whole;
  const scale = 1 / (2 * half + 1);
  const padded = new Float32Array(widthPx + 2 * whole + 2);
  for (let y = 0; y < heightPx; y++) {
    const row = y * widthPx;
    padded.fill(from[row] as number, 0, whole + 1);
    padded.set(from.subarray(row, row + widthPx), whole + 1);
    padded.fill(from[row + widthPx - 1] as number, widthPx + whole + 1);
    let sum = 0;
    for (let k = 1; k <= 2 * whole + 1; k++) sum += padded[k] as number;
    for (let x = 0; x < widthPx; x++) {
      const after = padded[x + 2 * whole + 2] as number;
      into[row + x] = (sum + share * ((padded[x] as number) + after)) * scale;
      sum += after - (padded[x + 1] as number);
    }
  }
}

/** Mean over `half` points above and below, whole rows at a time. */
function down(from: Float32Array, into: Float32Array, widthPx: number, heightPx: number, half: number): void {
  const whole = Math.floor(half);
  const share = half - whole;
  const scale = 1 / (2 * half + 1);
  const sums = new Float64Array(widthPx);
  const rowAt = (y: number): number => Math.max(0, Math.min(heightPx - 1, y)) * widthPx;
  for (let k = -whole; k <= whole; k++) {
    const row = rowAt(k);
    for (let x = 0; x < widthPx; x++) sums[x] = (sums[x] as number) + (from[row + x] as number);
  }
  for (let y = 0; y < heightPx; y++) {
    const [before, after, leaves] = [rowAt(y - whole - 1), rowAt(y + whole + 1), rowAt(y - whole)];
    const row = y * widthPx;
    for (let x = 0; x < widthPx; x++) {
      const next = from[after + x] as number;
      const sum = sums[x] as number;
      into[row + x] = (sum + share * ((from[before + x] as number) + next)) * scale;
      sums[x] = sum + next - (from[leaves + x] as number);
    }
  }
}

/** Mean along the way that the camera moved while the shutter was open. */
function moved(
  light: Float32Array,
  spare: Float32Array,
  widthPx: number,
  heightPx: number,
  movedPx: number,
  turn: number,
): void {
  spare.set(light);
  light.fill(0);
  const steps = Math.ceil(movedPx) + 1;
  for (let k = 0; k < steps; k++) {
    const way = movedPx * (k / (steps - 1) - 0.5);
    const [ox, oy] = [Math.round(way * Math.cos(turn)), Math.round(way * Math.sin(turn))];
    for (let y = 0; y < heightPx; y++) {
      const from = Math.max(0, Math.min(heightPx - 1, y + oy)) * widthPx;
      const row = y * widthPx;
      const [first, last] = [Math.max(0, -ox), Math.min(widthPx, widthPx - ox)];
      for (let x = 0; x < first; x++) light[row + x] = (light[row + x] as number) + (spare[from] as number);
      for (let x = first; x < last; x++)
        light[row + x] = (light[row + x] as number) + (spare[from + x + ox] as number);
      for (let x = last; x < widthPx; x++)
        light[row + x] = (light[row + x] as number) + (spare[from + widthPx - 1] as number);
    }
  }
  for (let i = 0; i < light.length; i++) light[i] = (light[i] as number) / steps;
}
