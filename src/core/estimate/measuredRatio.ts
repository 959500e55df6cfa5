import type { FactEntry } from '../document/facts.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import type { Axle } from '../kinds/corners.ts';
import { priors } from './prior.ts';
import type { MeasuredRatio, MeasuredRatios } from './ratioBelief.ts';

/** The four lengths from which a ratio is measured: hub to arch (or the like) and damper, standing and hanging. */
export const ratioSlots = ['wheel-standing', 'wheel-hanging', 'damper-standing', 'damper-hanging'] as const;
export type RatioSlot = (typeof ratioSlots)[number];

export type RatioLengths = Partial<Record<RatioSlot, number>>;

/** mm, one standard deviation of each reading: a tape at the arch, a tape or caliper along the damper. */
const READ_SD = { wheel: 1, damper: 0.7 };
/** mm. Less wheel travel between standing and hanging than this measures the tape more than the ratio. */
const LEAST_TRAVEL_MM = 20;

/** Why four lengths give no ratio. */
export type RatioFault = 'too-little-travel' | 'damper-longer-than-wheel' | 'damper-the-wrong-way';

/**
 * The ratio from four lengths: damper over wheel, each hanging minus standing. Its spread follows from those of the readings,
 * sqrt(2) s over each difference, with 1.5 % for what a ratio changes over the travel. Null while a length is missing.
 */
export function ratioFromLengths(lengths: RatioLengths): MeasuredRatio | RatioFault | null {
  const at = (slot: RatioSlot) => lengths[slot] ?? NaN;
  const wheelMm = at('wheel-hanging') - at('wheel-standing');
  const damperMm = at('damper-hanging') - at('damper-standing');
  if (!Number.isFinite(wheelMm + damperMm)) return null;
  if (wheelMm < LEAST_TRAVEL_MM) return 'too-little-travel';
  if (damperMm <= 0) return 'damper-the-wrong-way';
  if (damperMm > 1.3 * wheelMm) return 'damper-longer-than-wheel';
  const sd = Math.hypot(
    (Math.SQRT2 * READ_SD.wheel) / wheelMm,
    (Math.SQRT2 * READ_SD.damper) / damperMm,
    priors.measuredRatio / 2,
  );
  return { ratio: damperMm / wheelMm, sd, overMm: wheelMm };
}

/** The four lengths that were read at a corner, whenever that was. */
export function lengthsAt(facts: readonly FactEntry[], corner: CornerId): RatioLengths {
  return Object.fromEntries(
    facts.flatMap(({ fact }) =>
      fact.kind === 'ratio-length' && fact.corner === corner ? [[fact.slot, fact.mm]] : [],
    ),
  );
}

/** The ratios that were measured, by axle: of two corners of an axle the mean. */
export function measuredRatios(facts: readonly FactEntry[], corners: readonly CornerId[]): MeasuredRatios {
  const byAxle: MeasuredRatios = {};
  for (const axle of ['front', 'rear'] as Axle[]) {
    const own = corners.flatMap((id) => {
      const one = axleOf(id) === axle ? ratioFromLengths(lengthsAt(facts, id)) : null;
      return one !== null && typeof one !== 'string' ? [one] : [];
    });
    if (own.length === 0) continue;
    const mean = (of: (one: MeasuredRatio) => number) =>
      own.reduce((sum, one) => sum + of(one), 0) / own.length;
    byAxle[axle] = {
      ratio: Math.exp(mean(({ ratio }) => Math.log(ratio))),
      sd: mean(({ sd }) => sd) / Math.sqrt(own.length),
      overMm: mean(({ overMm }) => overMm),
    };
  }
  return byAxle;
}
