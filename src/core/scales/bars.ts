import type { Answer } from '../planning/answerShape.ts';
import { blankBar } from '../document/create.ts';
import { cornersIn, standsOnFour } from '../kinds/classes/index.ts';
import { axleOf, twinOf, type CornerId } from '../kinds/corners.ts';
import type { Axle } from '../kinds/corners.ts';
import { GRAVITY } from '../machine/solver.ts';
import { simulate } from '../estimate/simulate.ts';
import type { JobRecord } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import { crossOn } from './balance.ts';

/** sum of squares. A bar that nobody named is told of where readings fit this much better with it: odds of 20 to 1. */
const HOOKED_GAIN = 6;
/** mm, absolute. Left and right seats moved less unlike than this show no bar. */
const TILTED_MM = 1;

/** What hooked bars make of the weights and heights as the machine stands. */
export interface BarShift {
  crossWith: number;
  crossWithout: number;
  /** Greatest force left over in either state, N. */
  leftN: number;
  /** What the bar puts on a pad, kg, what stands there without it, and what it does to the height. */
  corners: { id: CornerId; padKg: number; withoutKg: number; heightMm: number }[];
}

/** The difference that hooked bars make now, with less without, by the model; null where none is hooked. */
export function barShift({ machine, fit, now }: Answer): BarShift | null {
  const { believed, corners } = machine;
  if (!believed.machine.bars.some(({ hooked }) => hooked)) return null;
  const free = {
    ...believed,
    machine: { ...believed.machine, bars: believed.machine.bars.map((bar) => ({ ...bar, hooked: false })) },
  };
  const [withBars, without] = [simulate(believed, fit.values, now), simulate(free, fit.values, now)];
  return {
    crossWith: crossOn(withBars.solver.pads, corners),
    crossWithout: crossOn(without.solver.pads, corners),
    leftN: Math.max(withBars.solver.freeResidual(), without.solver.freeResidual()),
    corners: corners.map((id, i) => ({
      id,
      withoutKg: (without.solver.pads[i] ?? 0) / GRAVITY,
      padKg: ((withBars.solver.pads[i] ?? 0) - (without.solver.pads[i] ?? 0)) / GRAVITY,
      heightMm: (without.travel[i] ?? 0) - (withBars.travel[i] ?? 0),
    })),
  };
}

/** An axle whose readings are much better told by a bar that nobody said was hooked up. */
export interface HookedBar {
  axle: Axle;
  rateNPerMm: number;
  /** Share of a difference between left and right seats that still gets through to the wheels. */
  through: number;
  /** How much better: the fall of the sum of squares. */
  gain: number;
}

/** Bars to try, as shares of the wheel rate; the best is taken. */
const SHARES = [0.25, 0.5, 1, 2];

/**
 * Bars that the readings tell of though the sheet says there is none hooked. The same readings are fitted with a bar at each
 * end and without; twice the logarithm of how much likelier they are is the fall of what is minimised. A bar at rate Kb lets
 * Kw / (Kw + 2 Kb) of a difference between left and right seats through. Nothing is tried where no round had such a difference.
 */
export function hookedBars(record: JobRecord, answer: Answer): HookedBar[] {
  const { document } = record;
  if (!standsOnFour(document.machine.class) || !wasTilted(answer)) return [];
  const found = (['front', 'rear'] as const).flatMap((axle): HookedBar[] => {
    if (document.bars[axle]?.hooked) return [];
    const wheelRate = wheelRateOf(answer, axle);
    const said = document.bars[axle]?.rateNPerMm ?? null;
    // A bar whose rate nobody has given may be as soft or as stiff as they come.
    const rates = said === null ? SHARES.map((share) => share * wheelRate) : [said];
    const tries = rates.map((rateNPerMm) => {
      const bars = { ...document.bars, [axle]: blankBar(rateNPerMm, true) };
      const tried = answerFor({ ...record, document: { ...document, bars } }, { planned: false });
      const gain = answer.fit.cost - (tried?.fit.cost ?? Infinity);
      return { axle, rateNPerMm, through: wheelRate / (wheelRate + 2 * rateNPerMm), gain };
    });
    return [tries.reduce((best, one) => (one.gain > best.gain ? one : best))];
  });
  const best = found.sort((a, b) => b.gain - a.gain)[0];
  return best && best.gain > HOOKED_GAIN ? [best] : [];
}

/** Whether any round moved left and right of an axle unlike: only that shows a bar. */
function wasTilted({ state, document }: Answer): boolean {
  return state.rounds.some(({ moves, mounts }) =>
    cornersIn(document).some((id) => {
      const twin = twinOf(id);
      const moved = (one: CornerId) => (moves[one] ?? 0) + (mounts[one] ?? 0);
      return twin !== null && Math.abs(moved(id) - moved(twin)) > TILTED_MM;
    }),
  );
}

function wheelRateOf({ machine, predictAt, now }: Answer, axle: Axle): number {
  const { solver } = predictAt(now).outcome;
  const rates = machine.corners.flatMap((id, i) => {
    const corner = solver.corners[i];
    if (axleOf(id) !== axle || !corner) return [];
    corner.evaluate(solver.z[i] ?? 0);
    return [corner.rateNPerMm];
  });
  return rates.reduce((sum, rate) => sum + rate, 0) / Math.max(rates.length, 1);
}
