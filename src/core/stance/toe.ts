import { assumedOf } from '../document/description/assumed.ts';
import { jobField } from '../document/description/job.ts';
import type { JobDocument } from '../document/types.ts';

/** What a toe setting is worked out from, mm. */
export interface ToeReadings {
  /** Between the tyres, hub high, at their front and at their rear. */
  frontMm: number;
  rearMm: number;
}

/** Total toe in mm across the tyres: rear less front, so that toe-in is positive. */
export function totalToe({ frontMm, rearMm }: ToeReadings): number {
  return rearMm - frontMm;
}

/**
 * Turns of each tie rod, both alike so that the wheel stays straight, positive for more toe-in. Half the change falls on
 * each wheel: over the tyre's diameter D it is the angle change / 2D, at the steering arm's length a that is a rod
 * movement a change / 2D, and over the thread's pitch so many turns.
 */
export function tieRodTurns(
  changeMm: number,
  { diameterMm, armMm, pitchMm }: { diameterMm: number; armMm: number; pitchMm: number },
): number {
  return (armMm * changeMm) / (2 * diameterMm) / pitchMm;
}

const fields = jobField.fields.steering.fields;

/** What is usual where nobody has measured, mm. */
export const usualSteering = {
  toeMm: assumedOf(fields.toeMm),
  tyreMm: assumedOf(fields.tyreMm),
  armMm: assumedOf(fields.armMm),
  pitchMm: assumedOf(fields.pitchMm),
};

/** Where a rod's top goes as it is turned. */
type TopTo = 'front' | 'rear';

/** Which way both tie rods go for more toe-in, or for less: shorter or longer, and where their tops turn; null where not known. */
export interface RodWays {
  longer: boolean | null;
  left: TopTo | null;
  right: TopTo | null;
}

/**
 * Which way to turn for `changeMm` more toe-in. A rod ahead of the axle pulls the front of its tyre in as it gets shorter; one
 * behind pushes the rear of it out as it gets longer. A right-hand thread goes into its outer end, and the rod gets shorter,
 * as it turns clockwise seen from the middle of the machine: the left rod's top to the front, the right one's to the rear.
 */
export function rodWays({ steering }: Pick<JobDocument, 'steering'>, changeMm: number): RodWays {
  const { rods, threadLeft, threadRight } = steering;
  if (rods === null || changeMm === 0) return { longer: null, left: null, right: null };
  const longer = (rods === 'ahead') !== changeMm > 0;
  const top = (thread: typeof threadLeft, shorterTo: TopTo): TopTo | null => {
    if (thread === null) return null;
    const isFront = (shorterTo === 'front') === ((thread === 'right-hand') !== longer);
    return isFront ? 'front' : 'rear';
  };
  return { longer, left: top(threadLeft, 'front'), right: top(threadRight, 'rear') };
}

/** Total toe wanted of a job, mm, in positive. */
export function toeWanted({ steering }: JobDocument): { toeMm: number } {
  return { toeMm: steering.toeMm ?? usualSteering.toeMm };
}

/** What turns of its tie rods are worked out from, mm: as measured, else as usual. */
export function rodsOf({ steering }: Pick<JobDocument, 'steering'>): {
  diameterMm: number;
  armMm: number;
  pitchMm: number;
} {
  return {
    diameterMm: steering.tyreMm ?? usualSteering.tyreMm,
    armMm: steering.armMm ?? usualSteering.armMm,
    pitchMm: steering.pitchMm ?? usualSteering.pitchMm,
  };
}
