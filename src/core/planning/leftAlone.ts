import { toleranceOf } from '../estimate/corner.ts';
import { twinOf, type CornerId } from '../kinds/corners.ts';
import { chanceIn } from './landing.ts';
import { planFor, type CornerNow, type Plan, type Setting } from './planning.ts';

/** share. Corners that stand right are not moved for a chance better by less than this. */
const WORTH_MOVING = 0.02;
/** share. Where it is not likely that all land, one side of an axle may have to help the others. */
const LIKELY = 0.8;
/** mm. Corners that end nearer to their targets by less than this were not helped. */
const HELPED_MM = 0.5;
/** share of a tolerance. A corner so near to its target stands right. */
const RIGHT_SHARE = 0.5;

/**
 * The plan with corners that stand right left alone, where the others land as likely without them: nobody takes a wheel off
 * for a gain that cannot be seen.
 */
export function sparing(setting: Setting, corners: readonly CornerNow[], plan: Plan): Plan {
  const { document, now, specified, predictAt } = setting;
  if (document.crossTarget !== null || document.frontEqual) return plan;
  const { mean } = predictAt({ ...now, ...specified });
  const mostMm = RIGHT_SHARE * toleranceOf(document).value;
  const moved = movedBy(setting, plan);
  const right = corners.flatMap(({ id, spec }, r) =>
    spec.targetMm !== null && Math.abs((mean[r] ?? 0) - spec.targetMm) <= mostMm && moved.has(id) ? [id] : [],
  );
  // Sides that move alike are left alone together.
  const held = document.equalSides
    ? right.filter((id) => {
        const twin = twinOf(id);
        return twin === null || right.includes(twin) || !moved.has(twin);
      })
    : right;
  if (held.length === 0) return plan;
  const spared = planFor(setting, corners, { held });
  const chanceOf = ({ to }: Plan) => chanceIn(setting, { ...to, ...specified }) ?? 0;
  const chance = chanceOf(spared);
  if (chance < chanceOf(plan) - WORTH_MOVING) return plan;
  if (held.length < moved.size) return chance >= LIKELY || areAxles(held) ? spared : plan;
  // Nothing but what stands right would be moved: that has to help the others.
  const off = ({ prediction }: Plan, r: number) =>
    Math.abs((prediction.mean[r] ?? 0) - (corners[r]?.spec.targetMm ?? prediction.mean[r] ?? 0));
  return corners.some((_, r) => off(plan, r) < off(spared, r) - HELPED_MM) ? plan : spared;
}

/** Whether these are whole axles. */
function areAxles(ids: readonly CornerId[]): boolean {
  return ids.every((id) => {
    const twin = twinOf(id);
    return twin === null || ids.includes(twin);
  });
}

/** Corners at which a plan moves anything. */
function movedBy({ machine }: Setting, { adjusters, movesBy }: Plan): Set<CornerId> {
  return new Set(
    adjusters.flatMap(({ contact }, j) =>
      (movesBy[j] ?? 0) === 0 ? [] : [machine.corners[contact] as CornerId],
    ),
  );
}
