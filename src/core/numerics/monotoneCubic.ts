/** Points of a curve and its slopes there. */
export interface Knots {
  x: Float64Array;
  y: Float64Array;
  slopes: Float64Array;
}

/** Abscissas must grow strictly, ordinates must not fall: check before. At least two points. */
export function knotsThrough(x: Float64Array, y: Float64Array): Knots {
  const n = x.length;
  const run = (i: number) => (x[i + 1] as number) - (x[i] as number);
  const secant = (i: number) => ((y[i + 1] as number) - (y[i] as number)) / run(i);
  const slopes = Float64Array.from({ length: n }, (_, i) => {
    if (n === 2) return secant(0);
    if (i === 0) return endSlope(run(0), run(1), secant(0), secant(1));
    if (i === n - 1) return endSlope(run(n - 2), run(n - 3), secant(n - 2), secant(n - 3));
    return innerSlope(run(i - 1), run(i), secant(i - 1), secant(i));
  });
  return { x, y, slopes };
}

/**
 * Smooth curve through growing points that never turns back (Fritsch and Carlson, SIAM J. Numer. Anal. 17, 1980, with
 * Fritsch and Butland's weighted harmonic mean for the slopes). Straight beyond both ends.
 */
export class MonotoneCubic {
  value = 0;
  slope = 0;
  curvature = 0;
  private readonly x: Float64Array;
  private readonly y: Float64Array;
  private readonly slopes: Float64Array;

  constructor({ x, y, slopes }: Knots) {
    this.x = x;
    this.y = y;
    this.slopes = slopes;
  }

  /** Leaves value, first and second derivative at x in the fields. */
  evaluate(at: number): void {
    const last = this.x.length - 1;
    if (at <= (this.x[0] as number)) return this.straight(0, at);
    if (at >= (this.x[last] as number)) return this.straight(last, at);
    let i = last - 1;
    while ((this.x[i] as number) > at) i--;
    const h = (this.x[i + 1] as number) - (this.x[i] as number);
    const t = (at - (this.x[i] as number)) / h;
    const [y0, y1] = [this.y[i] as number, this.y[i + 1] as number];
    const [m0, m1] = [(this.slopes[i] as number) * h, (this.slopes[i + 1] as number) * h];
    // Hermite's cubic y0 + m0 t + c t^2 + d t^3.
    const c = 3 * (y1 - y0) - 2 * m0 - m1;
    const d = 2 * (y0 - y1) + m0 + m1;
    this.value = y0 + t * (m0 + t * (c + t * d));
    this.slope = (m0 + t * (2 * c + 3 * d * t)) / h;
    this.curvature = (2 * c + 6 * d * t) / (h * h);
  }

  private straight(end: number, at: number): void {
    this.slope = this.slopes[end] as number;
    this.value = (this.y[end] as number) + this.slope * (at - (this.x[end] as number));
    this.curvature = 0;
  }
}

function innerSlope(before: number, after: number, left: number, right: number): number {
  if (Math.sign(left) !== Math.sign(right)) return 0;
  const [w1, w2] = [2 * after + before, after + 2 * before];
  return (w1 + w2) / (w1 / left + w2 / right);
}

/** Three-point slope at an end, kept from turning the curve back. */
function endSlope(near: number, far: number, nearSlope: number, farSlope: number): number {
  const slope = ((2 * near + far) * nearSlope - near * farSlope) / (near + far);
  return Math.min(Math.max(slope, 0), 3 * nearSlope);
}
