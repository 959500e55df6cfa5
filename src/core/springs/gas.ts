import type { FaultList } from '../faults.ts';
import type { Elastic } from './elastic.ts';

/** bar of the air around: gauges read from it. */
export const ATMOSPHERE_BAR = 1.01325;
const N_PER_MM2_PER_BAR = 0.1;

/** A closed volume of gas behind a rod or piston. */
export interface GasDescription {
  /** Gauge pressure at full extension, bar. */
  gaugeBar: number;
  /** Gas volume at full extension, cm3. */
  volumeCm3: number;
  /** Area that displaces gas: the rod's in a damper, the piston's in an air spring, mm2. */
  areaMm2: number;
  /** Polytropic exponent in absolute pressure: 1.0 slow, 1.4 fast. */
  exponent: number;
}

/** Checks a gas volume over a stroke in mm: the volume must not be used up. */
export function checkGas(path: string, gas: GasDescription, strokeMm: number, faults: FaultList): void {
  const right = [
    faults.number(`${path}.gaugeBar`, gas.gaugeBar, { min: 0, max: 100 }),
    faults.number(`${path}.areaMm2`, gas.areaMm2, { min: 0, above: true, max: 1e5 }),
    faults.number(`${path}.volumeCm3`, gas.volumeCm3, { min: 0, above: true, max: 1e5 }),
    faults.number(`${path}.exponent`, gas.exponent, { min: 1, max: 1.7 }),
  ];
  const neededCm3 = (gas.areaMm2 * strokeMm) / 1000;
  if (right.every(Boolean) && gas.volumeCm3 <= neededCm3 * 1.01)
    faults.add(`${path}.volumeCm3`, gas.volumeCm3, { be: 'more-than-stroke', volumeCm3: neededCm3 });
}

/**
 * Force of a gas volume on its rod: F = (P - P_atm) A, with P = P0 (V0 / (V0 - A s))^n in absolute pressure.
 * Rate dF/ds = n P A^2 / V. Energy is the integral from full extension.
 */
export class GasSpring implements Elastic {
  forceN = 0;
  rateNPerMm = 0;
  readonly solidMm = Infinity;
  private readonly p0: number;
  private readonly v0: number;

  constructor(private readonly gas: GasDescription) {
    this.p0 = (gas.gaugeBar + ATMOSPHERE_BAR) * N_PER_MM2_PER_BAR;
    this.v0 = gas.volumeCm3 * 1000;
  }

  /** Force and rate at a stroke in mm from full extension. */
  evaluate(strokeMm: number): void {
    const { areaMm2, exponent } = this.gas;
    const volume = this.v0 - areaMm2 * strokeMm;
    const pressure = this.p0 * (this.v0 / volume) ** exponent;
    this.forceN = (pressure - ATMOSPHERE_BAR * N_PER_MM2_PER_BAR) * areaMm2;
    this.rateNPerMm = (exponent * pressure * areaMm2 * areaMm2) / volume;
  }

  /** N mm taken up from full extension to a stroke in mm. */
  energy(strokeMm: number): number {
    const { areaMm2, exponent } = this.gas;
    const volume = this.v0 - areaMm2 * strokeMm;
    const air = ATMOSPHERE_BAR * N_PER_MM2_PER_BAR * areaMm2 * strokeMm;
    return polytropicWork(this.p0, this.v0, volume, exponent) - air;
  }
}

/** N mm to compress a gas from v0 to v (mm3) that starts at p0 (N/mm2 absolute). */
export function polytropicWork(p0: number, v0: number, v: number, exponent: number): number {
  if (Math.abs(exponent - 1) < 1e-12) return p0 * v0 * Math.log(v0 / v);
  return ((p0 * v0) / (exponent - 1)) * ((v0 / v) ** (exponent - 1) - 1);
}
