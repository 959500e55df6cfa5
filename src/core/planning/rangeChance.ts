import { priors } from '../estimate/prior.ts';
import type { Fit } from '../estimate/fit.ts';
import { conditionedRows, travelSpreadRows } from '../estimate/predict.ts';
import type { Situation } from '../estimate/belief.ts';
import { commonness, ratioRange, suspensionsOf, type Hung } from '../kinds/suspension.ts';
import type { RatioRange } from '../kinds/suspensionTypes.ts';
import type { Axle } from '../kinds/corners.ts';
import { cholesky, dot, entry } from '../numerics/matrix.ts';
import { seededUniform, standardNormal } from '../numerics/random.ts';

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
  const targeted = targets.flatMap((target, r) => (target === null ? [] : [r]));
  const unpicked = axles.some(({ picked }) => !picked);
  return shareWithin({
    // A height without a target is not looked at.
    off: targeted.map((r) => entry(rows.mean, r) - (targets[r] as number)),
    rises: targeted.map((r) => open.map(({ slopes }) => entry(slopes, r))),
    lower: cholesky(spread)
      .filter((_, r) => targets[r] !== null)
      .map((row, k) => row.map((value) => value * entry(spreadBy, entry(targeted, k)))),
    own: targeted.map((r) => (unpicked ? ownRise * entry(risesMm, r) : 0)),
    ranged: open.map(({ ranged }) => ranged),
    n: rows.mean.length,
    withinMm,
  });
}

/** What is drawn: all by height with a target. */
interface Drawn {
  /** Where each stands before anything is drawn, mm off its target. */
  off: readonly number[];
  /** Rise for each ranged axle, mm per unit of the ratio's change. */
  rises: readonly (readonly number[])[];
  /** Rows of the factor of their spread. */
  lower: readonly (readonly number[])[];
  /** One standard deviation of what each may rise by itself, mm. */
  own: readonly number[];
  ranged: readonly RangedAxle[];
  /** Heights in all. */
  n: number;
  withinMm: number;
}

/** Share of the draws in which every height with a target is within so many mm of it. */
function shareWithin({ off, rises, lower, own, ranged, n, withinMm }: Drawn): number {
  const draws = standardDraws(ranged.length, n);
  const width = widthOf(ranged.length, n);
  const changes = new Float64Array(ranged.length);
  // Runs thousands of times a keystroke, so on flat arrays, and no further than the first height that is out.
  const isIn = (start: number, r: number) => {
    let mm = off[r] as number;
    for (let k = 0; k < changes.length; k++)
      mm += ((rises[r] as number[])[k] as number) * (changes[k] as number);
    const row = lower[r] as number[];
    const normals = start + 3 * changes.length;
    for (let j = 0; j < row.length; j++) mm += (row[j] as number) * (draws[normals + j] as number);
    return Math.abs(mm + (own[r] as number) * (draws[normals + n + r] as number)) <= withinMm;
  };
  let within = 0;
  for (let start = 0; start < draws.length; start += width) {
    ranged.forEach((one, k) => {
      const at = start + 3 * k;
      const ratio = ratioAt(one, draws[at] as number, draws[at + 1] as number);
      changes[k] = 1 - (one.middle / ratio) * (draws[at + 2] as number);
    });
    let r = 0;
    while (r < off.length && isIn(start, r)) r++;
    if (r === off.length) within++;
  }
  return within / DRAWS;
}

/** The ratio that two even numbers from 0 to 1 stand for: the first says which range, the second where in it. */
function ratioAt({ middle, ranges }: RangedAxle, which: number, where: number): number {
  let left = which;
  const drawn = ranges.find(({ share }) => (left -= share) <= 0) ?? ranges[0];
  const [low, high] = drawn?.range ?? [middle, middle];
  return low + (high - low) * where;
}

/** Numbers of one draw: three for each ranged axle, two for each height. */
function widthOf(ranged: number, n: number): number {
  return 3 * ranged + 2 * n;
}

const made = new Map<string, Float64Array>();

/**
 * The draws for so many ranged axles and n heights, made once and flat: for each axle two even numbers and the factor by which
 * a ratio lies beyond its range, then the normal ones.
 */
function standardDraws(ranged: number, n: number): Float64Array {
  const key = `${ranged} ${n}`;
  const known = made.get(key);
  if (known) return known;
  const uniform = seededUniform(20);
  const width = widthOf(ranged, n);
  const draws = Float64Array.from({ length: DRAWS * width }, (_, i) => {
    const at = i % width;
    if (at >= 3 * ranged) return standardNormal(uniform);
    return at % 3 === 2 ? Math.exp(-priors.drawnBeyond * standardNormal(uniform)) : uniform();
  });
  made.set(key, draws);
  return draws;
}
