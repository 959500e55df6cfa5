import { linkageDroopShift } from '../geometry/linkage.ts';
import { ratioMap, type RatioMap } from '../geometry/ratioMap.ts';
import { AirSpring } from '../springs/air.ts';
import type { Elastic } from '../springs/elastic.ts';
import { AIR_STEP_BAR } from '../springs/air.ts';
import { GasSpring } from '../springs/gas.ts';
import { Stack, type StackDescription } from '../springs/stack.ts';
import { torsionArc, torsionAsStack } from '../springs/torsion.ts';
import type { ContactDescription, TopOutDescription } from './description.ts';
import { bisect } from '../numerics/bisect.ts';

/** What sets a corner apart from its description: seat and lower mount, and what learning has found. */
export interface CornerSetting {
  /** What the seat has gone by from where `preloadMm` was taken: mm towards the spring, or tenths of a bar of air. */
  seatBy: number;
  /** Lower mount screwed out, mm of damper length, positive raises the machine. */
  mountMm: number;
  /** True ratio over nominal. */
  ratioScale: number;
  /** Growth of the ratio over the travel beyond the described, as a share. */
  ratioRise: number;
  /** True over labelled rate, by spring. */
  springScales: readonly number[];
  /** mm added to the described preload; of air, steps of pressure. */
  preloadOffBy: number;
  /** mm that each crossover ring has been moved towards the springs; none moved where left out. */
  ringsMm?: readonly number[] | undefined;
}

export const plainSetting: CornerSetting = {
  seatBy: 0,
  mountMm: 0,
  ratioScale: 1,
  ratioRise: 0,
  springScales: [],
  preloadOffBy: 0,
};

/**
 * One corner by virtual work: Fw(z) = F(x) dr/dz + (Fgas(s) + Fstop(s) - Ftop(s)) ds/dz with x = r(z) + p, and
 * Kw = dFw/dz = k (dr/dz)^2 + F d2r/dz2 + the same of gas and stops.
 *
 * A lower mount screwed out by m lengthens the damper: at full extension the wheel hangs lower by the travel y0 in
 * which the damper would have moved by m, so r(z) becomes r(z - y0) + m and the travel to metal grows by y0.
 */
export class CornerModel {
  /** N at the wheel, at the travel last evaluated. */
  forceN = 0;
  /** N/mm at the wheel, at the travel last evaluated. */
  rateNPerMm = 0;
  /** Wheel travel at which metal meets metal or the springs are solid, mm. */
  zMax = 0;
  /** Travels between which the wheel is free: 0 and `zMax`, or beyond where an end is not known, mm. */
  zFrom = 0;
  zTo = 0;
  /** Wheel travel by which the lower mount moves full droop, mm. */
  droopShiftMm = 0;
  /** How much higher other links hold the wheel in the frame at full droop, mm: the chassis is lower by that. */
  readonly linkRiseMm: number;
  /** Damper compression at the travel last evaluated, mm. */
  damperMm = 0;
  /** Damper per wheel over the whole travel. */
  readonly meanRatio: number;
  readonly damper: RatioMap;
  readonly spring: RatioMap;
  readonly elastic: Elastic;
  readonly stack: Stack | null;
  private readonly air: AirSpring | null;
  private readonly gas: GasSpring | null;
  private readonly stop: Stack | null;
  private readonly topOut: TopOutDescription | null;
  private readonly stopAtMm: number;
  private readonly basePreloadBy: number;
  private readonly quadratic: number;
  private scale: number;
  /** Seat and lower mount as last set, and the stack's compression at full droop, mm. */
  seatBy = 0;
  mountMm = 0;
  preloadMm = 0;

  constructor(
    readonly description: ContactDescription,
    setting: CornerSetting = plainSetting,
  ) {
    const { ratio, springRatio, travelMm, springs, gas, stop, topOut } = description;
    this.damper = ratioMap(ratio, travelMm);
    this.spring = springRatio ? ratioMap(springRatio, travelMm) : this.damper;
    this.stack =
      springs.kind === 'air'
        ? null
        : new Stack(withRings(stackOf(description), setting.ringsMm), setting.springScales);
    this.air = springs.kind === 'air' ? new AirSpring(springs.air) : null;
    this.elastic = (this.air ?? this.stack) as Elastic;
    this.linkRiseMm = ratio.kind === 'linkage' ? linkageDroopShift(ratio) : 0;
    this.gas = gas ? new GasSpring(gas) : null;
    this.stop = stop ? new Stack(rubber(stop.rows)) : null;
    this.topOut = topOut;
    this.stopAtMm = stop?.contactMm ?? Infinity;
    this.basePreloadBy = restPreload(description) + setting.preloadOffBy;
    this.scale = setting.ratioScale;
    this.damper.evaluate(travelMm);
    this.quadratic = (setting.ratioRise * this.damper.value) / (2 * travelMm * travelMm);
    this.meanRatio = (setting.ratioScale * this.damper.value) / travelMm;
    this.set(setting.seatBy, setting.mountMm);
  }

  /** Moves the seat and the lower mount (mm each, from the description's). Changes this corner. */
  set(seatBy: number, mountMm: number): void {
    this.seatBy = seatBy;
    this.mountMm = mountMm;
    this.preloadMm = this.stack ? this.basePreloadBy + seatBy : 0;
    this.stack?.build(this.preloadMm);
    this.air?.charge(AIR_STEP_BAR * (this.basePreloadBy + seatBy));
    this.droopShiftMm = mountMm === 0 ? 0 : this.travelOf(mountMm);
    this.zMax = this.description.travelMm + this.droopShiftMm;
    if (this.springAt(this.zMax) > this.elastic.solidMm) this.zMax = this.travelWhereSolid();
    const { openEnds, travelMm } = this.description;
    this.zFrom = openEnds?.droop ? -travelMm : 0;
    this.zTo = openEnds?.bump ? this.zMax + travelMm : this.zMax;
  }

  /** Leaves wheel force, wheel rate and damper compression at a wheel travel in the fields. */
  evaluate(travelMm: number): void {
    const y = travelMm - this.droopShiftMm;
    const { damper, spring, scale } = this;
    damper.evaluate(y);
    const s = this.bent(damper.value, y) + this.mountMm;
    const ds = scale * (damper.slope + 2 * this.quadratic * y);
    const dds = scale * (damper.curvature + 2 * this.quadratic);
    this.damperMm = s;
    let [x, dx, ddx] = [s, ds, dds];
    if (spring !== damper) {
      spring.evaluate(y);
      x = this.bent(spring.value, y);
      dx = scale * (spring.slope + 2 * this.quadratic * y);
      ddx = scale * (spring.curvature + 2 * this.quadratic);
    }
    this.elastic.evaluate(x + this.preloadMm);
    this.forceN = this.elastic.forceN * dx;
    this.rateNPerMm = this.elastic.rateNPerMm * dx * dx + this.elastic.forceN * ddx;
    if (this.gas) this.add(this.gas, s, ds, dds);
    if (this.stop && s > this.stopAtMm) this.add(this.stop, s - this.stopAtMm, ds, dds);
    if (this.topOut && s < this.topOut.lengthMm) this.addTopOut(this.topOut, s, ds, dds);
  }

  /**
   * Derivatives of the wheel force at a fixed travel, N per unit: by the logarithm of the ratio, and by its rise. With a
   * part's force f and rate k at its own compression s(z): dF = k ds' s + f ds', where s and s' change as the ratio does.
   */
  ratioSlopes(travelMm: number): { logRatio: number; rise: number } {
    const y = travelMm - this.droopShiftMm;
    const { travelMm: whole } = this.description;
    const { damper, spring, elastic, scale, quadratic } = this;
    damper.evaluate(whole);
    const bendOfDamper = damper.value / (2 * whole * whole);
    let [logRatio, rise] = [0, 0];
    const addPart = (map: RatioMap, force: number, rate: number) => {
      map.evaluate(y);
      const value = scale * (map.value + quadratic * y * y);
      const slope = scale * (map.slope + 2 * quadratic * y);
      const [bent, tilt] = [scale * bendOfDamper * y * y, 2 * scale * bendOfDamper * y];
      logRatio += rate * value * slope + force * slope;
      rise += rate * bent * slope + force * tilt;
    };
    elastic.evaluate(this.springAt(travelMm) + this.preloadMm);
    addPart(spring, elastic.forceN, elastic.rateNPerMm);
    const s = this.damperAt(travelMm);
    if (this.gas) {
      this.gas.evaluate(s);
      addPart(damper, this.gas.forceN, this.gas.rateNPerMm);
    }
    if (this.stop && s > this.stopAtMm) {
      this.stop.evaluate(s - this.stopAtMm);
      addPart(damper, this.stop.forceN, this.stop.rateNPerMm);
    }
    if (this.topOut && s < this.topOut.lengthMm)
      addPart(damper, this.topOut.rateNPerMm * (s - this.topOut.lengthMm), this.topOut.rateNPerMm);
    if (this.mountMm !== 0) {
      // A longer damper hangs the wheel lower by mount / ratio, which shrinks as the ratio grows.
      this.evaluate(travelMm);
      logRatio += (this.rateNPerMm * this.mountMm) / this.ratioAt(0);
    }
    return { logRatio, rise };
  }

  /**
   * mm by which a mount's droop shift grows per unit of the logarithm of the ratio. With scale r(-y) = -m at the shift y,
   * dy = -m / r'(-y): a damper longer by m hangs the wheel lower by less, the greater the ratio.
   */
  droopShiftSlope(): number {
    return this.mountMm === 0 ? 0 : -this.mountMm / this.ratioAt(0);
  }

  /** N of wheel force at a fixed travel per unit of the logarithm of one spring's rate. */
  springSlope(spring: number, travelMm: number): number {
    if (!this.stack) return 0;
    const force = (factor: number) => {
      this.stack?.stiffen(spring, factor);
      this.stack?.build(this.preloadMm);
      this.evaluate(travelMm);
      this.stack?.stiffen(spring, 1 / factor);
      return this.forceN;
    };
    const h = 1e-4;
    const slope = (force(1 + h) - force(1 - h)) / (2 * h);
    this.stack.build(this.preloadMm);
    return slope;
  }

  private add(part: Elastic, s: number, ds: number, dds: number): void {
    part.evaluate(s);
    this.forceN += part.forceN * ds;
    this.rateNPerMm += part.rateNPerMm * ds * ds + part.forceN * dds;
  }

  private addTopOut({ rateNPerMm, lengthMm }: TopOutDescription, s: number, ds: number, dds: number): void {
    const force = rateNPerMm * (s - lengthMm);
    this.forceN += force * ds;
    this.rateNPerMm += rateNPerMm * ds * ds + force * dds;
  }

  /** N mm stored at a wheel travel, up to a constant. */
  energy(travelMm: number): number {
    const s = this.damperAt(travelMm);
    const squeezed = Math.max(s - this.stopAtMm, 0);
    const short = this.topOut ? Math.max(this.topOut.lengthMm - s, 0) : 0;
    return (
      this.elastic.energy(this.springAt(travelMm) + this.preloadMm) +
      (this.gas?.energy(s) ?? 0) +
      (this.stop?.energy(squeezed) ?? 0) +
      ((this.topOut?.rateNPerMm ?? 0) * short * short) / 2
    );
  }

  private bent(value: number, y: number): number {
    return this.scale * (value + this.quadratic * y * y);
  }

  /** Damper compression in mm at a wheel travel. */
  damperAt(travelMm: number): number {
    const y = travelMm - this.droopShiftMm;
    this.damper.evaluate(y);
    return this.bent(this.damper.value, y) + this.mountMm;
  }

  /** The spring's own compression map r in mm at a wheel travel, without preload. */
  springAt(travelMm: number): number {
    if (this.spring === this.damper) return this.damperAt(travelMm);
    const y = travelMm - this.droopShiftMm;
    this.spring.evaluate(y);
    return this.bent(this.spring.value, y);
  }

  /** Damper per wheel at a wheel travel. */
  ratioAt(travelMm: number): number {
    const y = travelMm - this.droopShiftMm;
    this.damper.evaluate(y);
    return this.scale * (this.damper.slope + 2 * this.quadratic * y);
  }

  /** Spring per wheel at a wheel travel: the damper's, but where the spring sits apart from it. */
  springRatioAt(travelMm: number): number {
    const y = travelMm - this.droopShiftMm;
    this.spring.evaluate(y);
    return this.scale * (this.spring.slope + 2 * this.quadratic * y);
  }

  /** How far the wheel hangs lower when the damper is longer by so many mm. */
  private travelOf(damperMm: number): number {
    let travelMm = 0;
    for (let i = 0; i < 30; i++) {
      this.damper.evaluate(travelMm);
      const miss = this.bent(this.damper.value, travelMm) + damperMm;
      travelMm -= miss / (this.scale * (this.damper.slope + 2 * this.quadratic * travelMm));
      if (Math.abs(miss) < 1e-12) break;
    }
    return -travelMm;
  }

  private travelWhereSolid(): number {
    return bisect(0, this.zMax, (z) => this.springAt(z) + this.preloadMm <= this.elastic.solidMm);
  }
}

/** A stack for rubber: the rows of a bump stop. */
function rubber(rows: readonly (readonly [number, number])[]): StackDescription {
  return { springs: [{ kind: 'table', rows, solidMm: null }], rings: [] };
}

/** A ring moved towards the springs leaves its slider so much less way. */
function withRings(stack: StackDescription, movedMm: readonly number[] | undefined): StackDescription {
  if (!movedMm || stack.rings.length === 0) return stack;
  const rings = stack.rings.map((ring, j) => ({ ...ring, limitMm: ring.limitMm - (movedMm[j] ?? 0) }));
  return { ...stack, rings };
}

/** The coils that carry a contact; for a torsion spring the coil that does the same. */
export function stackOf({ springs }: ContactDescription): StackDescription {
  if (springs.kind === 'stack') return springs.stack;
  return springs.kind === 'torsion' ? torsionAsStack(springs.torsion) : { springs: [], rings: [] };
}

function restPreload({ springs, preloadMm }: ContactDescription): number {
  if (springs.kind === 'air') return 0;
  if (springs.kind !== 'torsion') return preloadMm;
  return preloadMm + torsionArc(springs.torsion, springs.torsion.camDegrees[springs.cam] ?? 0);
}
