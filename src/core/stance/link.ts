import type { Answer } from '../planning/answerShape.ts';
import { barRate } from '../document/taken.ts';
import { isOf, type FactEntry } from '../document/facts.ts';
import { simulate } from '../estimate/simulate.ts';
import { axleOf, sideOf, twinOf, type CornerId } from '../kinds/corners.ts';
import type { Axle } from '../kinds/corners.ts';
import { crossOn } from '../scales/balance.ts';
import { blankBar } from '../document/create.ts';

/** What a bar's link has to be so that it goes on without pushing. */
export interface LinkLength {
  axle: Axle;
  /** The corner whose link is undone. */
  corner: CornerId;
  /** As measured: mm that it is too short by, in which round. */
  gapMm: number;
  round: number;
  /** mm it is too short by once everything stands as the targets mean it: driver in, springs settled. */
  gapThenMm: number;
  /** Length for no preload there; null where the link itself was not measured. */
  lengthMm: number | null;
  /** What hooking it up unchanged would do: N at each wheel, and cross weight with and without. */
  asItIs: { wheelN: number; crossWith: number; crossWithout: number } | null;
}

/**
 * Link length for no preload. A free bar's end follows the wheel across; the arm's end of the link follows its own. With q of
 * the link's end per wheel travel, s the side undone and o the other, what the link lacks is
 * g' = g - q [(z_s - z_o)' - (z_s - z_o)], dashed as the targets mean it. Null where nobody has measured the gap.
 */
export function linkLength(answer: Answer, facts: readonly FactEntry[], axle: Axle): LinkLength | null {
  const measured = facts
    .map(({ fact }) => fact)
    .filter(isOf('link'))
    .filter(({ corner }) => corner !== null && axleOf(corner) === axle)
    .sort((a, b) => b.round - a.round)[0];
  const corner = measured?.corner;
  const other = corner ? twinOf(corner) : null;
  if (!measured || !corner || !other) return null;
  const bar = answer.document.bars[axle] ?? blankBar(0, false);
  const perWheel = bar.linkPerWheel ?? 1;
  const apart = (travel: readonly number[] | Float64Array) => {
    const at = (id: CornerId) => travel[answer.machine.corners.indexOf(id)] ?? 0;
    return at(corner) - at(other);
  };
  const then = answer.predictAt(answer.specifiedAfter);
  const before = answer.fit.rounds[measured.round]?.travel ?? then.travel;
  const gapThenMm = measured.mm - perWheel * (apart(then.travel) - apart(before));
  return {
    axle,
    corner,
    gapMm: measured.mm,
    round: measured.round,
    gapThenMm,
    lengthMm: bar.linkMm === null ? null : bar.linkMm + gapThenMm,
    asItIs: barRate(bar) > 0 ? hookedAsItIs(answer, axle, { corner, gapThenMm, perWheel }) : null,
  };
}

interface Undone {
  corner: CornerId;
  gapThenMm: number;
  perWheel: number;
}

/** The bar hooked up with its link unchanged: it is free of load at another difference of travel, and pushes from there. */
function hookedAsItIs(
  { document, machine, fit, specifiedAfter, predictAt }: Answer,
  axle: Axle,
  { corner, gapThenMm, perWheel }: Undone,
): LinkLength['asItIs'] {
  const { believed, corners } = machine;
  const { solver } = predictAt(specifiedAfter).outcome;
  const bar = document.bars[axle];
  const rate = bar ? barRate(bar) : 0;
  const [left, right] = corners.filter((id) => axleOf(id) === axle);
  if (!left || !right) return null;
  const [l, r] = [corners.indexOf(left), corners.indexOf(right)];
  const now = (solver.z[l] ?? 0) - (solver.z[r] ?? 0);
  const offsetMm = now + (sideOf(corner) * gapThenMm) / perWheel;
  const others = believed.machine.bars.filter(({ between }) => !between.includes(left));
  const standWith = (bars: typeof others) =>
    simulate(
      { ...believed, machine: { ...believed.machine, bars } },
      { ...fit.values, barScales: bars.map(() => 1) },
      specifiedAfter,
    ).solver;
  const hooked = standWith([
    ...others,
    { between: [left, right] as const, rateNPerMm: rate, offsetMm, hooked: true },
  ]);
  const wheelN = Math.abs(rate * ((hooked.z[l] ?? 0) - (hooked.z[r] ?? 0) - offsetMm));
  return {
    wheelN,
    crossWith: crossOn(hooked.pads, corners),
    crossWithout: crossOn(standWith(others).pads, corners),
  };
}
