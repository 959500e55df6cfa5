import { priors } from '../estimate/prior.ts';
import type { Fit } from '../estimate/fit.ts';
import { conditionedRows, travelSpreadRows } from '../estimate/predict.ts';
import type { Situation } from '../estimate/belief.ts';
import { commonness, ratioRange, suspensionsOf, type Hung } from '../kinds/suspension.ts';
import type { RatioRange } from '../kinds/suspensionTypes.ts';
import type { Axle } from '../kinds/corners.ts';
import { cholesky, dot, entry } from '../numerics/matrix.ts';
import { seededUniform, standardNormal, type Uniform } from '../numerics/random.ts';

/** An axle of whose ratio only the range is known, and the ranges it may be in: one for each suspension that it may have. */
export interface RangedAxle {
  axle: Axle;
  /** Whether somebody has said how it is hung. */
  picked: boolean;
  /** The ratio that is planned with. */
  middle: number;
  ranges: readonly { range: RatioRange; share: number }[];
}

/** The ranges that a corner's ratio may be in: its suspension's, or those of all that its axle may have. */
export function rangesOf(hung: Hung): RangedAxle['ranges'] {
  if (hung.suspension !== null) return [{ range: ratioRange(hung), share: 1 }];
  const all = suspensionsOf(hung.machineClass, hung.axle);
  const whole = all.reduce((sum, one) => sum + (commonness[one] ?? 1), 0);
  return all.map((suspension) => ({
    range: ratioRange({ ...hung, suspension }),
    share: (commonness[suspension] ?? 1) / whole,
  }));
}

/** An axle's readings have taught something of its ratio once its variance is below this share of what was assumed. */
const LEARNT_SHARE = 0.8;
const DRAWS = 4000;

interface Wanted {
  targets: readonly (number | null)[];
  withinMm: number;
  /** What the moves are to raise each height by, mm, and what one corner may rise by beside that, as a share. */
  risesMm: readonly number[];
  ownRise: number;
  /** By height, what its spread is multiplied by. */
  spreadBy: readonly number[];
}

/**
 * Probability that every height lands, where of some ratios only ranges are known. A range is no bell curve, and two kinds of
 * suspension are two ranges: the ratio is drawn from one of them, evenly, with what lies beyond the usual; all else is normal
 * given the ratios. A move c at ratio MR raises c / MR, so that a ratio off by the logarithm u changes the rise by 1 - exp(-u)
 * of its slope. Null where every ratio is known better than by its range.
 */
export function chanceOverRanges(
  fit: Fit,
  situation: Situation,
  axles: readonly RangedAxle[],
  { targets, withinMm, risesMm, ownRise, spreadBy }: Wanted,
): number | null {
  const rows = travelSpreadRows(fit, situation);
  const open = axles.flatMap((ranged) => {
    const k = fit.parameters.findIndex(
      (parameter) => parameter.kind === 'axle-ratio' && parameter.axle === ranged.axle,
    );
    const unit = k < 0 ? null : rows.unit(k);
    const variance = unit ? dot(unit, unit) : 0;
    if (!unit || variance < LEARNT_SHARE) return [];
    const sd = fit.parameters[k]?.sd ?? 1;
    // Rise of each height per unit of the logarithm, with all else as likely as it then is.
    const slopes = rows.heights.map((row) => dot(row, unit) / variance / sd);
    return [{ ranged, unit, slopes }];
  });
  if (open.length === 0) return null;
  const spread = conditionedRows(
    rows.heights,
    open.map(({ unit }) => ({ row: unit, sd: 1e-6 })),
  );
  const lower = cholesky(spread);
  const uniform = seededUniform(20);
  let within = 0;
  for (let draw = 0; draw < DRAWS; draw++) {
    const off = rows.mean.map((mm, r) => mm - (targets[r] ?? mm));
    for (const { ranged, slopes } of open) {
      const u = drawLog(ranged, uniform);
      slopes.forEach((slope, r) => (off[r] = entry(off, r) + slope * (1 - Math.exp(-u))));
    }
    const z = off.map(() => standardNormal(uniform));
    lower.forEach((row, r) =>
      row.forEach((value, j) => (off[r] = entry(off, r) + value * entry(spreadBy, r) * entry(z, j))),
    );
    if (axles.some(({ picked }) => !picked))
      risesMm.forEach((mm, r) => (off[r] = entry(off, r) + ownRise * mm * standardNormal(uniform)));
    if (off.every((mm, r) => targets[r] === null || Math.abs(mm) <= withinMm)) within++;
  }
  return within / DRAWS;
}

function drawLog({ middle, ranges }: RangedAxle, uniform: Uniform): number {
  let left = uniform();
  const drawn = ranges.find(({ share }) => (left -= share) <= 0) ?? ranges[0];
  const [low, high] = drawn?.range ?? [middle, middle];
  const ratio = low + (high - low) * uniform();
  return Math.log(ratio / middle) + priors.drawnBeyond * standardNormal(uniform);
}
