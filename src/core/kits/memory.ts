import type { JobDocument } from '../document/types.ts';
import { hungAt } from '../estimate/corner.ts';
import { rangeSd } from '../estimate/prior.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf, type Axle } from '../kinds/corners.ts';
import { ratioRange, suspensionsOf } from '../kinds/suspension.ts';
import { meanOf } from '../numerics/mean.ts';
import type { KitOutcome } from './outcome.ts';
import { pooled, type Beforehand, type Learnt, type Pooled } from './pool.ts';

/** Of a ratio's logarithm: machines of one model are not made more alike, loads and tyres counted in. */
const RATIO_FLOOR = 0.02;
/** mm at the wheel: nor do they stand more alike with the same parts put together alike. */
const HEIGHT_FLOOR_MM = 3;
/** mm. What is thought beforehand of how far a start place is off, and of what springs lose. */
const START: Beforehand = { mean: 0, sd: 15 };
const LOST: Beforehand = { mean: 2, sd: 4 };
/** mm, one standard deviation of a seat that was left where it was good enough. */
const LEFT_SD_MM = 1.5;

/** What a shop's jobs with one end of a kit say of the next. */
export interface KitMemory {
  axle: Axle;
  /** mm of seat beyond the sheet's start, towards the spring, that were needed. */
  needed: Pooled | null;
  /** Damper travel over wheel travel; `sd` of its logarithm. */
  ratio: { ratio: number; sd: number; count: number } | null;
  /** Height lost on the road, mm at the wheel. */
  lost: (Pooled & { km: number }) | null;
}

/** What earlier jobs with a kit teach of one end of a machine; a figure that none of them taught is null. */
export function kitMemory(
  outcomes: readonly KitOutcome[],
  document: JobDocument,
  axle: Axle,
): KitMemory | null {
  const id = cornersIn(document).find((one) => axleOf(one) === axle);
  const own = outcomes.filter((one) => one.axle === axle);
  if (!id || own.length === 0) return null;
  const ratios = own.flatMap(({ logRatio }) => logRatio ?? []);
  const needed = own.flatMap(({ neededMm }): Learnt[] =>
    neededMm === null ? [] : [{ value: neededMm, sd: LEFT_SD_MM }],
  );
  const losses = own.flatMap(({ lost }) => lost ?? []);
  const range = ratioRange(hungAt(document, id));
  const [low, high] = range;
  const beforehand = {
    mean: Math.log(low * high) / 2,
    sd: rangeSd(range, isHangingKnown(document, axle)),
  };
  const taught = ratios.length === 0 ? null : pooled(ratios, beforehand, RATIO_FLOOR);
  const ratio = taught && { ratio: Math.exp(taught.mean), sd: taught.sd, count: taught.count };
  const floorMm = HEIGHT_FLOOR_MM * (ratio?.ratio ?? Math.exp(beforehand.mean));
  return {
    axle,
    needed: needed.length === 0 ? null : pooled(needed, START, floorMm),
    ratio,
    lost:
      losses.length === 0
        ? null
        : { ...pooled(losses, LOST, HEIGHT_FLOOR_MM / 2), km: meanOf(losses.map(({ km }) => km)) },
  };
}

function isHangingKnown(document: JobDocument, axle: Axle): boolean {
  const [id] = cornersIn(document).filter((one) => axleOf(one) === axle);
  const said = id !== undefined && document.corners[id].suspension !== null;
  return said || suspensionsOf(document.machine.class, axle).length === 1;
}
