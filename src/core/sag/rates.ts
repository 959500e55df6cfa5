import type { CornerModel } from '../machine/corner.ts';

/** A wheel at rest: the sprung load it carries, and where in its travel. */
export interface AtRest {
  loadN: number;
  travelMm: number;
}

/** A plain coil that would stand at two wished places. */
export interface NeededSpring {
  rateNPerMm: number;
  /** Along the spring at full droop, mm. */
  preloadMm: number;
  /** Force along the spring and how far it is closed, at the two places. */
  light: SpringAt;
  heavy: SpringAt;
}

interface SpringAt {
  loadN: number;
  springMm: number;
}

/**
 * The linear spring that has the machine alone stand at one travel and the rider on at another. Both loads fix the
 * spring's force, F = (W - gas - stop) / r', at their own places, so that k = (F1 - F0) / (r1 - r0) and
 * p = F0 / k - r0, r being the spring's compression by the wheel's travel. Null where the places do not lie apart.
 */
export function springForSags(model: CornerModel, alone: AtRest, ridden: AtRest): NeededSpring | null {
  const [light, heavy] = [springForce(model, alone), springForce(model, ridden)];
  const [r0, r1] = [model.springAt(alone.travelMm), model.springAt(ridden.travelMm)];
  const rateNPerMm = (heavy - light) / (r1 - r0);
  if (!(r1 - r0 > 0.5) || !(rateNPerMm > 0)) return null;
  return {
    rateNPerMm,
    preloadMm: light / rateNPerMm - r0,
    light: { loadN: light, springMm: r0 },
    heavy: { loadN: heavy, springMm: r1 },
  };
}

/** N along the spring that hold a load up at a travel, with what gas and stop carry taken off. */
function springForce(model: CornerModel, { loadN, travelMm }: AtRest): number {
  const slope = springPerWheel(model, travelMm);
  model.evaluate(travelMm);
  const others = model.forceN - model.elastic.forceN * slope;
  return (loadN - others) / slope;
}

const STEP_MM = 1e-3;

/** Spring per wheel at a travel, by differences. */
function springPerWheel(model: CornerModel, travelMm: number): number {
  return (model.springAt(travelMm + STEP_MM) - model.springAt(travelMm - STEP_MM)) / (2 * STEP_MM);
}

/** A spring that can be had, by its rate in N/mm. */
interface Had {
  name: string;
  rateNPerMm: number;
}

export interface RateChoice<Spring extends Had> {
  /** The nearest at or below, and the nearest above. */
  softer: Spring | null;
  stiffer: Spring | null;
  /** The one to take; null where neither is near. */
  take: Spring | null;
  /** Whether both would do, so that the use decides. */
  overlap: boolean;
}

/** Makers' bands overlap by about a tenth: this far from the middle between two rates either will do. */
const OVERLAP = 0.05;
/** Further than this from what is needed a spring is not the right one. */
const NEAR = 0.1;

/**
 * The two springs nearest a wanted rate. Where the wanted rate lies about midway both do: the softer for the road, the
 * firmer for rough ground.
 */
export function chooseRate<Spring extends Had>(
  wantedNPerMm: number,
  springs: readonly Spring[],
  rough: boolean,
): RateChoice<Spring> {
  const sorted = [...springs].sort((a, b) => a.rateNPerMm - b.rateNPerMm);
  const softer = sorted.findLast(({ rateNPerMm }) => rateNPerMm <= wantedNPerMm) ?? null;
  const stiffer = sorted.find(({ rateNPerMm }) => rateNPerMm > wantedNPerMm) ?? null;
  const middle = softer && stiffer ? (softer.rateNPerMm + stiffer.rateNPerMm) / 2 : NaN;
  const overlap = Math.abs(wantedNPerMm - middle) <= OVERLAP * wantedNPerMm;
  const off = (one: Spring | null) => (one ? Math.abs(one.rateNPerMm / wantedNPerMm - 1) : Infinity);
  const nearer = off(softer) <= off(stiffer) ? softer : stiffer;
  const wished = overlap ? (rough ? stiffer : softer) : nearer;
  return { softer, stiffer, overlap, take: off(wished) <= NEAR ? wished : null };
}
