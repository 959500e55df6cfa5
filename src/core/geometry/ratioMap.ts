import type { FaultList } from '../faults.ts';
import { knotsThrough, MonotoneCubic, type Knots } from '../numerics/monotoneCubic.ts';
import { linkageTable, checkLinkage, type LinkageDescription } from './linkage.ts';

/** Where the motion ratio (damper or spring per wheel) comes from. */
export type RatioDescription =
  /** Nominal: `rise` is the share by which it grows from full droop to full bump, straight with travel. */
  | { kind: 'constant'; ratio: number; rise?: number | undefined }
  /** Damper and wheel on one arm: lever lengths from its pivot, and the angle between damper and arm (90 is square). */
  | { kind: 'levers'; damperLeverMm: number; wheelLeverMm: number; damperAngleDeg: number }
  /** Measured rows of [wheel travel mm, damper compression mm] from full droop. */
  | { kind: 'table'; rows: readonly (readonly [number, number])[] }
  | ({ kind: 'linkage' } & LinkageDescription);

/** Compression s of damper or spring as a function of wheel travel z: leaves s, ds/dz and d2s/dz2 in the fields. */
export interface RatioMap {
  value: number;
  slope: number;
  curvature: number;
  evaluate(travelMm: number): void;
}

/** s = ratio z (1 + rise z / 2 zMax): the ratio itself is ratio (1 + rise z / zMax). */
class StraightRatio implements RatioMap {
  value = 0;
  slope = 0;
  curvature: number;

  constructor(
    private readonly ratio: number,
    rise: number,
    travelMm: number,
  ) {
    this.curvature = (ratio * rise) / travelMm;
  }

  evaluate(travelMm: number): void {
    this.slope = this.ratio + this.curvature * travelMm;
    this.value = travelMm * (this.ratio + (this.curvature * travelMm) / 2);
  }
}

/** Checks a ratio's source over a wheel travel in mm. */
export function checkRatio(path: string, ratio: RatioDescription, travelMm: number, faults: FaultList): void {
  switch (ratio.kind) {
    case 'constant':
      faults.number(`${path}.ratio`, ratio.ratio, { min: 0.01, max: 5 });
      if (ratio.rise !== undefined) faults.number(`${path}.rise`, ratio.rise, { min: -0.9, max: 5 });
      return;
    case 'levers':
      faults.number(`${path}.damperLeverMm`, ratio.damperLeverMm, { min: 0, above: true, max: 5000 });
      faults.number(`${path}.wheelLeverMm`, ratio.wheelLeverMm, { min: 0, above: true, max: 5000 });
      faults.number(`${path}.damperAngleDeg`, ratio.damperAngleDeg, { min: 5, max: 175 });
      return;
    case 'table':
      faults.growing(`${path}.rows`, ratio.rows, 'travel-compression');
      return;
    case 'linkage':
      checkLinkage(path, ratio, travelMm, faults);
      return;
    default:
      faults.add(`${path}.kind`, (ratio as { kind: unknown }).kind, {
        be: 'one-of',
        values: ['constant', 'levers', 'table', 'linkage'],
      });
  }
}

/** The map of a checked source over a wheel travel in mm. */
export function ratioMap(ratio: RatioDescription, travelMm: number): RatioMap {
  switch (ratio.kind) {
    case 'constant':
      return new StraightRatio(ratio.ratio, ratio.rise ?? 0, travelMm);
    case 'levers': {
      // Virtual work on one arm: the damper's speed is its lever times the sine of its angle to the arm.
      const square = Math.sin((ratio.damperAngleDeg * Math.PI) / 180);
      return new StraightRatio((ratio.damperLeverMm / ratio.wheelLeverMm) * square, 0, travelMm);
    }
    case 'table':
    case 'linkage':
      return new MonotoneCubic(knotsOf(ratio, travelMm));
  }
}

/** Of the sources that curves were last made of: a fit makes hundreds of the same. A source is never written to. */
const known = new WeakMap<RatioDescription, { travelMm: number; knots: Knots }>();

function knotsOf(ratio: Extract<RatioDescription, { kind: 'table' | 'linkage' }>, travelMm: number): Knots {
  const before = known.get(ratio);
  if (before?.travelMm === travelMm) return before.knots;
  const knots = knotsFromDroop(ratio.kind === 'table' ? ratio.rows : linkageTable(ratio, travelMm));
  known.set(ratio, { travelMm, knots });
  return knots;
}

/** Rows are counted from the first: full droop is zero travel and zero compression. */
function knotsFromDroop(rows: readonly (readonly [number, number])[]): Knots {
  const [z0, s0] = rows[0] as readonly [number, number];
  return knotsThrough(
    Float64Array.from(rows, ([z]) => z - z0),
    Float64Array.from(rows, ([, s]) => s - s0),
  );
}

/** The map of a ratio, or null where a table has too few rows to be one. */
export function usableMap(ratio: RatioDescription, travelMm: number): RatioMap | null {
  return ratio.kind === 'table' && ratio.rows.length < 2 ? null : ratioMap(ratio, travelMm);
}
