import type { FaultList } from '../faults.ts';
import type { Elastic } from './elastic.ts';
import { ATMOSPHERE_BAR, checkGas, polytropicWork, type GasDescription } from './gas.ts';

/** An air spring has no seat: what goes by mm elsewhere goes by tenths of a bar. */
export const AIR_STEP_BAR = 0.1;

/** Air spring: a main chamber, and perhaps an end-stroke chamber behind a floating piston. */
export interface AirDescription extends GasDescription {
  /** Chamber behind the floating piston: it moves once the main pressure reaches this chamber's own. */
  second: { gaugeBar: number; volumeCm3: number } | null;
}

/** Checks an air spring over a stroke in mm. */
export function checkAir(path: string, air: AirDescription, strokeMm: number, faults: FaultList): void {
  if (!air.second) return checkGas(path, air, strokeMm, faults);
  const both = Number.isFinite(air.second.volumeCm3) ? air.second.volumeCm3 : 0;
  checkGas(path, { ...air, volumeCm3: air.volumeCm3 + both }, strokeMm, faults);
  faults.number(`${path}.volumeCm3`, air.volumeCm3, { min: 0, above: true, max: 1e5 });
  faults.number(`${path}.second.volumeCm3`, air.second.volumeCm3, { min: 0, above: true, max: 1e5 });
  faults.number(`${path}.second.gaugeBar`, air.second.gaugeBar, { min: air.gaugeBar, max: 100 });
}

/**
 * Until the piston moves the main chamber is alone: P = P1 (V1 / (V1 - A s))^n. From the stroke where P = P2 both share
 * one pressure, and since each volume is V_i (P_i / P)^(1/n), their sum gives
 * P = ((V1 P1^(1/n) + V2 P2^(1/n)) / (V1 + V2 - A s))^n: one volume again, with the same rate law n P A^2 / V.
 */
export class AirSpring implements Elastic {
  forceN = 0;
  rateNPerMm = 0;
  readonly solidMm = Infinity;
  /** mm of stroke at which the floating piston starts to move; infinite without one. */
  pistonAtMm = Infinity;
  private p1 = 0;
  private readonly v1: number;
  private readonly p2: number;
  private readonly v2: number;
  private joint = 0;

  constructor(private readonly air: AirDescription) {
    this.v1 = air.volumeCm3 * 1000;
    this.p2 = air.second ? absolute(air.second.gaugeBar) : Infinity;
    this.v2 = air.second ? air.second.volumeCm3 * 1000 : 0;
    this.charge(0);
  }

  /** Fills the main chamber to so many bar over its described pressure, at full extension. Changes this spring. */
  charge(overBar: number): void {
    const { exponent: n, gaugeBar, second, areaMm2 } = this.air;
    this.p1 = absolute(Math.max(gaugeBar + overBar, 0));
    // Filled above the second chamber's own pressure, the piston gives way at once.
    const alone = Math.max(this.v1 * (1 - (this.p1 / this.p2) ** (1 / n)), 0);
    this.pistonAtMm = second ? alone / areaMm2 : Infinity;
    this.joint = this.v1 * this.p1 ** (1 / n) + (second ? this.v2 * this.p2 ** (1 / n) : 0);
  }

  /** Force and rate at a stroke in mm from full extension. */
  evaluate(strokeMm: number): void {
    const { areaMm2, exponent } = this.air;
    const alone = strokeMm < this.pistonAtMm;
    const volume = (alone ? this.v1 : this.v1 + this.v2) - areaMm2 * strokeMm;
    const pressure = alone ? this.p1 * (this.v1 / volume) ** exponent : (this.joint / volume) ** exponent;
    this.forceN = (pressure - absolute(0)) * areaMm2;
    this.rateNPerMm = (exponent * pressure * areaMm2 * areaMm2) / volume;
  }

  /** N mm taken up from full extension to a stroke in mm. */
  energy(strokeMm: number): number {
    const { areaMm2, exponent } = this.air;
    const first = Math.min(strokeMm, this.pistonAtMm);
    const alone = polytropicWork(this.p1, this.v1, this.v1 - areaMm2 * first, exponent);
    const both = this.v1 + this.v2;
    const rest =
      strokeMm > first
        ? polytropicWork(this.p2, both - areaMm2 * first, both - areaMm2 * strokeMm, exponent)
        : 0;
    return alone + rest - absolute(0) * areaMm2 * strokeMm;
  }
}

/** N/mm2 absolute for a gauge reading in bar. */
function absolute(gaugeBar: number): number {
  return (gaugeBar + ATMOSPHERE_BAR) * 0.1;
}
