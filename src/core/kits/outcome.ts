import type { Answer } from '../planning/answerShape.ts';
import { goodEnough } from '../planning/enough.ts';
import type { Fitted } from '../estimate/fittedIn.ts';
import type { Round } from '../estimate/rounds.ts';
import { newParts } from '../kinds/newParts.ts';
import { lossesAt } from '../estimate/settling.ts';
import { axleOf, type Axle, type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { JobRecord } from '../document/types.ts';
import type { Learnt } from './pool.ts';

/** What one job came to with one end of a kit. Figures are means of the two sides. */
export interface KitOutcome {
  kit: string;
  axle: Axle;
  /** The job, by its id and name. */
  job: string;
  name: string;
  /** Where the collar read as it was put together; null where nobody read it. */
  startMm: number | null;
  /** mm of seat beyond the sheet's start, towards the spring, that were needed; null while it is not where it is wanted. */
  neededMm: number | null;
  /** What the tape read first with it in, at the specified point. */
  firstMm: number | null;
  /** Logarithm of the damper's travel over the wheel's, by this job's own readings alone; null where they said nothing. */
  logRatio: Learnt | null;
  /** Height lost on the road, mm at the wheel, and after how many km; null where nobody drove and read. */
  lost: (Learnt & { km: number }) | null;
}

/** What a job's kits came to; none where none went in, or nothing was read with them. */
export function kitOutcomes(record: JobRecord, answer: Answer | null): KitOutcome[] {
  if (!answer) return [];
  const { state } = answer;
  return axles.flatMap((axle): KitOutcome[] => {
    const base = state.rounds.findLast(({ fitted }) => fitted.some((one) => isKitAt(one, axle)));
    const put = base?.fitted.find((one) => isKitAt(one, axle));
    const since = state.rounds.filter(({ round }) => round > (base?.round ?? 0));
    // Put together anew since, with other springs or dampers, it is no longer that kit.
    const isGone = since.some(({ fitted }) => fitted.some((one) => one.axle === axle && endsKit(one)));
    if (!base || !put || put.kit === null || isGone) return [];
    const ids = answer.corners.map(({ id }) => id).filter((id) => axleOf(id) === axle);
    const moved = ids.map((id) => since.reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0));
    const done = goodEnough(answer) || (state.locked && ids.every((id) => standsRight(answer, id)));
    return [
      {
        kit: put.kit,
        axle,
        job: record.id,
        name: record.document.name,
        startMm: meanOrNull(ids.flatMap((id) => base.collars[id] ?? [])),
        neededMm: done ? neededFrom(moved, put.moreMm ?? 0) : null,
        firstMm: meanOrNull(ids.flatMap((id) => firstAt(answer, base, id))),
        logRatio: ratioByItself(answer, ids),
        lost: lostOn(answer, ids),
      },
    ];
  });
}

const axles = ['front', 'rear'] as const;

const isKitAt = ({ kit, axle }: Fitted, at: Axle) => kit !== null && axle === at;

/** Whether with this in, the springs or dampers of before are out. */
const endsKit = ({ part }: Fitted) => newParts[part].otherSprings || newParts[part].assembles;

/** Whether a corner stands within tolerance of its target; one of which nothing is asked stands as it is wanted. */
function standsRight({ corners, tolerance }: Answer, id: CornerId): boolean {
  const corner = corners.find((one) => one.id === id);
  const targetMm = corner?.spec.targetMm ?? null;
  return !corner || targetMm === null || Math.abs(corner.nowSpecMm - targetMm) <= tolerance.value;
}

/** What was turned, on top of what it was put together with. */
function neededFrom(moved: readonly number[], moreMm: number): number | null {
  const mean = meanOrNull(moved);
  return mean === null ? null : mean + moreMm;
}

const meanOrNull = (all: readonly number[]) => (all.length === 0 ? null : meanOf(all));

function firstAt({ document }: Answer, base: Round, id: CornerId): number[] {
  const read = base.heights[id];
  return read ? [meanOf(read) + document.corners[id].reference.offsetMm] : [];
}

/** Share of what was known beforehand that readings must add before they are said to tell anything. */
const TELLS = 0.3;

/**
 * The ratio by the job's own readings alone, whatever it was thought to be beforehand: of normal beliefs precisions add, so
 * that what the readings gave is the difference, 1/s^2 = 1/s1^2 - 1/s0^2, and m = (m1/s1^2 - m0/s0^2) s^2.
 */
function ratioByItself({ machine, fit, posterior }: Answer, ids: readonly CornerId[]): Learnt | null {
  const own = ids.flatMap((id): Learnt[] => {
    const i = machine.corners.indexOf(id);
    const { belief, machine: described } = machine.believed;
    const gain = posterior.gains[id];
    const contact = described.contacts[i];
    const ratio = belief.contacts[i]?.ratio;
    const scale = fit.values.settings[i]?.ratioScale;
    if (!gain || !contact || !ratio || !scale) return [];
    const before = {
      mean: Math.log(gain.ratio.mean / scale) + ratio.mean,
      sd: Math.hypot(belief.axleRatio[contact.axle], ratio.sd),
    };
    const precision = 1 / gain.ratio.sd ** 2 - 1 / before.sd ** 2;
    if (precision < TELLS / before.sd ** 2) return [];
    const value = (Math.log(gain.ratio.mean) / gain.ratio.sd ** 2 - before.mean / before.sd ** 2) / precision;
    return [{ value, sd: 1 / Math.sqrt(precision) }];
  });
  // The sides of an axle are read by the same hand and share what they tell: no surer together than one of them.
  return own.length === 0
    ? null
    : { value: meanOf(own.map(({ value }) => value)), sd: meanOf(own.map(({ sd }) => sd)) };
}

function lostOn({ machine, fit, now, state }: Answer, ids: readonly CornerId[]): KitOutcome['lost'] {
  const since = state.rounds.slice(state.base);
  const km = since.reduce((sum, { drivenKm }) => sum + (drivenKm ?? 0), 0);
  if (!since.some(({ drivenKm, heights }, k) => k > 0 && drivenKm && Object.keys(heights).length > 0))
    return null;
  const own = lossesAt(fit, now).filter((_, i) => ids.includes(machine.corners[i] as CornerId));
  const [value, sd] = [meanOrNull(own.map(({ lostMm }) => lostMm)), meanOrNull(own.map((one) => one.sdMm))];
  return value === null || sd === null || sd === 0 ? null : { value, sd, km };
}
