import { standardNormal, type Uniform } from '../numerics/random.ts';

/** What a simulated height gauge stands under: a machine with a rider, a fork that sticks a little, a hand that lets go. */
interface Stand {
  /** Fully extended, mm. */
  extendedMm: number;
  aloneMm: number;
  riderMm: number;
  /** Half its friction band, mm. */
  halfMm: number;
}

const stands: Record<string, Stand> = {
  front: { extendedMm: 300, aloneMm: 282, riderMm: 263, halfMm: 4 },
  rear: { extendedMm: 612, aloneMm: 599, riderMm: 573, halfMm: 3 },
};

const HAND_S = 0.6;
const STEADY_MM = 0.25;
const NOISE_MM = 0.08;

/**
 * A gauge that is not there: tells what a real one would stream when the machine is lifted, pressed or sat on. What is
 * done to it is named like a reading's slot; time is in seconds from when it was done.
 */
export class SimulatedGauge {
  private fromMm: number;
  private toMm: number;
  private at = 0;

  constructor(
    private readonly end: 'front' | 'rear',
    private readonly uniform: Uniform,
  ) {
    this.fromMm = this.toMm = this.stand.aloneMm;
  }

  private get stand(): Stand {
    return stands[this.end] as Stand;
  }

  /** Does something to the machine at a time in seconds: `extended`, `alone-press`, `rider-lift`, ... */
  set(what: string, at: number): void {
    this.fromMm = this.trueAt(at);
    this.toMm = this.restOf(what);
    this.at = at;
  }

  private restOf(what: string): number {
    const [who = '', how = ''] = what.split('-');
    const { extendedMm, aloneMm, riderMm, halfMm } = this.stand;
    if (who === 'extended') return extendedMm;
    const rest = who === 'alone' ? aloneMm : riderMm;
    if (how === 'press') return rest - halfMm;
    return how === 'lift' ? rest + halfMm : rest;
  }

  private trueAt(seconds: number): number {
    return this.toMm + (this.fromMm - this.toMm) * Math.exp(-(seconds - this.at) / HAND_S);
  }

  /** What it streams at a time in seconds. */
  read(seconds: number): { name: string; unit: 'mm'; value: number; steady: boolean } {
    const mm = this.trueAt(seconds);
    return {
      name: `${this.end} height`,
      unit: 'mm',
      value: Math.round(10 * (mm + NOISE_MM * standardNormal(this.uniform))) / 10,
      steady: Math.abs(mm - this.toMm) < STEADY_MM,
    };
  }
}
