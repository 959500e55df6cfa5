import { FaultList, type Fault } from '../faults.ts';
import type { Elastic } from './elastic.ts';
import { checkSpring, springCurve, type SpringCurve, type SpringDescription } from './spring.ts';

/** A crossover ring that stops the slider between spring `after` and the next (0 is the spring at the seat). */
export interface RingDescription {
  after: number;
  /** mm: springs 0..after are frozen once their compressions add up to this, at zero preload. */
  limitMm: number;
  /** A ring fixed on the body lets the seat go without it: its limit grows with preload. One on the seat follows. */
  on: 'body' | 'seat';
}

/** Springs in series, from the seat outwards, with what stops them. */
export interface StackDescription {
  springs: readonly SpringDescription[];
  rings: readonly RingDescription[];
}

/** What happens to a stack as it is compressed. */
export interface StackEvent {
  kind: 'ring' | 'solid';
  /** Index of the ring's slider or of the spring that went solid. */
  index: number;
  compressionMm: number;
  forceN: number;
}

/** Every fault of a stack's description. */
export function checkStack(path: string, stack: StackDescription): Fault[] {
  const faults = new FaultList();
  if (stack.springs.length < 1 || stack.springs.length > 6)
    faults.add(`${path}.springs`, stack.springs, { be: 'count', of: 'springs', least: 1, most: 6 });
  stack.springs.forEach((spring, i) => checkSpring(`${path}.springs[${i}]`, spring, faults));
  stack.rings.forEach((ring, i) => {
    const at = `${path}.rings[${i}]`;
    const most = stack.springs.length - 2;
    if (!Number.isInteger(ring.after) || ring.after < 0 || ring.after > most)
      faults.add(`${at}.after`, ring.after, { be: 'slider', last: most });
    if (stack.rings.findIndex(({ after }) => after === ring.after) !== i)
      faults.add(`${at}.after`, ring.after, { be: 'one-ring-a-slider' });
    faults.number(`${at}.limitMm`, ring.limitMm, { min: -1000, max: 5000 });
  });
  return faults.faults;
}

/**
 * Springs in series share one force, so their compressions add. Each is a line of straight pieces, so the sum is one
 * too, and is exact: the stack is marched from slack upwards, from one event to the next, where an event is a table
 * row, a spring going solid (its compression stays) or a ring stopping a slider (all springs on its seat side stay).
 * With compliances 1/k_i of the springs still moving, dx/dF = sum 1/k_i.
 */
export class Stack implements Elastic {
  forceN = 0;
  rateNPerMm = 0;
  solidMm = Infinity;
  readonly size: number;
  private readonly curves: SpringCurve[];
  private readonly rings: readonly RingDescription[];
  private count = 0;
  private readonly knotX: Float64Array;
  private readonly knotF: Float64Array;
  private readonly knotU: Float64Array;
  /** Rate of the piece that begins at each knot. */
  private readonly knotK: Float64Array;
  /** Each spring's compression at each knot, then its compliance (mm/N) from there on. */
  private readonly shareX: Float64Array;
  private readonly shareC: Float64Array;
  private readonly piece: Int32Array;
  private readonly moving: Uint8Array;
  private readonly held: Uint8Array;
  /** By knot: 0 nothing to tell, 1 a ring, 2 a spring gone solid; and which. */
  private readonly eventKind: Uint8Array;
  private readonly eventIndex: Uint8Array;

  /** `scales` multiplies each spring's forces. */
  constructor(description: StackDescription, scales: readonly number[] = []) {
    this.curves = description.springs.map((spring, i) => springCurve(spring, scales[i] ?? 1));
    this.rings = description.rings;
    this.size = this.curves.length;
    const rows = this.curves.reduce((sum, { forceN }) => sum + forceN.length, 0);
    const most = rows + this.size + this.rings.length + 1;
    this.knotX = new Float64Array(most);
    this.knotF = new Float64Array(most);
    this.knotU = new Float64Array(most);
    this.knotK = new Float64Array(most);
    this.shareX = new Float64Array(most * this.size);
    this.shareC = new Float64Array(most * this.size);
    this.piece = new Int32Array(this.size);
    this.moving = new Uint8Array(this.size);
    this.held = new Uint8Array(this.rings.length);
    this.eventKind = new Uint8Array(most);
    this.eventIndex = new Uint8Array(most);
    this.build(0);
  }

  /** Builds the curve anew for a preload in mm, which moves the limits of rings on the body. Changes this stack. */
  build(preloadMm: number): void {
    this.count = 0;
    this.solidMm = Infinity;
    this.piece.fill(0);
    this.moving.fill(1);
    this.held.fill(0);
    this.knotX[0] = this.knotF[0] = this.knotU[0] = 0;
    this.shareX.fill(0, 0, this.size);
    for (;;) {
      const compliance = this.open(this.count++);
      if (compliance === 0) {
        this.solidMm = this.knotX[this.count - 1] as number;
        return;
      }
      if (!this.advance(preloadMm, compliance)) return;
    }
  }

  /** Writes compliances of the piece that begins at a knot; returns their sum in mm/N, zero when all is solid. */
  private open(knot: number): number {
    let sum = 0;
    for (let i = 0; i < this.size; i++) {
      const compliance = this.moving[i] ? 1 / this.rateOf(i) : 0;
      this.shareC[knot * this.size + i] = compliance;
      sum += compliance;
    }
    this.knotK[knot] = sum === 0 ? Infinity : 1 / sum;
    return sum;
  }

  private rateOf(i: number): number {
    const { compressionMm, forceN, lastRateNPerMm } = this.curves[i] as SpringCurve;
    const p = this.piece[i] as number;
    if (p + 1 >= forceN.length) return lastRateNPerMm;
    const run = (compressionMm[p + 1] as number) - (compressionMm[p] as number);
    return ((forceN[p + 1] as number) - (forceN[p] as number)) / run;
  }

  /** Goes to the next event and writes its knot; false when nothing more happens. */
  private advance(preloadMm: number, compliance: number): boolean {
    const from = this.count - 1;
    const at = from * this.size;
    let least = Infinity;
    let what: 'row' | 'solid' | 'ring' = 'row';
    let which = -1;
    for (let i = 0; i < this.size; i++) {
      if (!this.moving[i]) continue;
      const { forceN, solidMm } = this.curves[i] as SpringCurve;
      const toSolid = (solidMm - (this.shareX[at + i] as number)) / (this.shareC[at + i] as number);
      if (toSolid < least) [least, what, which] = [toSolid, 'solid', i];
      const next = forceN[(this.piece[i] as number) + 1];
      if (next === undefined) continue;
      const toRow = next - (this.knotF[from] as number);
      if (toRow < least) [least, what, which] = [toRow, 'row', i];
    }
    for (let j = 0; j < this.rings.length; j++) {
      const toRing = this.forceToRing(j, at, preloadMm);
      if (toRing < least) [least, what, which] = [toRing, 'ring', j];
    }
    if (which < 0) return false;
    this.step(Math.max(least, 0), compliance);
    this.happen(what, which);
    return true;
  }

  /** N more until ring j stops its slider; infinite when it cannot. */
  private forceToRing(j: number, at: number, preloadMm: number): number {
    const { after, limitMm, on } = this.rings[j] as RingDescription;
    if (this.held[j]) return Infinity;
    let compressed = 0;
    let compliance = 0;
    for (let i = 0; i <= after; i++) {
      compressed += this.shareX[at + i] as number;
      compliance += this.shareC[at + i] as number;
    }
    if (compliance === 0) return Infinity;
    const limit = limitMm + (on === 'body' ? preloadMm : 0);
    return (limit - compressed) / compliance;
  }

  private step(force: number, compliance: number): void {
    const from = this.count - 1;
    const to = this.count;
    const x = force * compliance;
    this.knotF[to] = (this.knotF[from] as number) + force;
    this.knotX[to] = (this.knotX[from] as number) + x;
    this.knotU[to] =
      (this.knotU[from] as number) + (x * ((this.knotF[from] as number) + (this.knotF[to] as number))) / 2;
    for (let i = 0; i < this.size; i++)
      this.shareX[to * this.size + i] =
        (this.shareX[from * this.size + i] as number) + force * (this.shareC[from * this.size + i] as number);
  }

  private happen(what: 'row' | 'solid' | 'ring', which: number): void {
    const knot = this.count;
    this.eventKind[knot] = 0;
    if (what === 'row') {
      this.piece[which] = (this.piece[which] as number) + 1;
      return;
    }
    if (what === 'solid') this.moving[which] = 0;
    else {
      this.held[which] = 1;
      this.moving.fill(0, 0, (this.rings[which] as RingDescription).after + 1);
    }
    this.eventKind[knot] = what === 'ring' ? 1 : 2;
    this.eventIndex[knot] = what === 'ring' ? (this.rings[which] as RingDescription).after : which;
  }

  /** Events in the order they come, for the preload last built for. */
  get events(): StackEvent[] {
    const knots = Array.from({ length: this.count }, (_, knot) => knot);
    return knots
      .filter((knot) => knot > 0 && this.eventKind[knot] !== 0)
      .map((knot) => ({
        kind: this.eventKind[knot] === 1 ? 'ring' : 'solid',
        index: this.eventIndex[knot] as number,
        compressionMm: this.knotX[knot] as number,
        forceN: this.knotF[knot] as number,
      }));
  }

  /** Multiplies the forces of spring `i`. Changes this stack, from the next `build` on. */
  stiffen(i: number, factor: number): void {
    const curve = this.curves[i] as SpringCurve;
    for (let k = 0; k < curve.forceN.length; k++) curve.forceN[k] = (curve.forceN[k] as number) * factor;
    curve.lastRateNPerMm *= factor;
  }

  /** Force (N) and rate (N/mm) at a compression in mm; at the solid length the last rate is kept. */
  evaluate(compressionMm: number): void {
    if (compressionMm <= 0) {
      this.forceN = 0;
      this.rateNPerMm = compressionMm < 0 ? 0 : (this.knotK[this.knotAt(0)] as number);
      return;
    }
    const knot = this.knotAt(compressionMm);
    this.rateNPerMm = this.knotK[knot] as number;
    this.forceN =
      (this.knotF[knot] as number) + (compressionMm - (this.knotX[knot] as number)) * this.rateNPerMm;
  }

  /** Piece that a compression falls on; never the solid end, whose rate is infinite. */
  private knotAt(compressionMm: number): number {
    let knot = this.count - 1;
    while (knot > 0 && ((this.knotX[knot] as number) > compressionMm || this.knotK[knot] === Infinity))
      knot--;
    return knot;
  }

  /** N mm stored at a compression in mm. */
  energy(compressionMm: number): number {
    if (compressionMm <= 0) return 0;
    const knot = this.knotAt(compressionMm);
    const x = compressionMm - (this.knotX[knot] as number);
    return (
      (this.knotU[knot] as number) +
      x * ((this.knotF[knot] as number) + (x * (this.knotK[knot] as number)) / 2)
    );
  }

  /** mm that spring `i` is compressed when the stack is compressed by so much. */
  springCompression(i: number, compressionMm: number): number {
    if (compressionMm <= 0) return 0;
    const knot = this.knotAt(compressionMm);
    const force = (compressionMm - (this.knotX[knot] as number)) * (this.knotK[knot] as number);
    return (
      (this.shareX[knot * this.size + i] as number) + force * (this.shareC[knot * this.size + i] as number)
    );
  }

  /** mm of compression at which the stack carries a force in N; the solid length when it carries more. */
  compressionAt(forceN: number): number {
    if (forceN <= 0) return 0;
    let knot = this.count - 1;
    while (knot > 0 && (this.knotF[knot] as number) > forceN) knot--;
    const rate = this.knotK[knot] as number;
    return (this.knotX[knot] as number) + (forceN - (this.knotF[knot] as number)) / rate;
  }
}
