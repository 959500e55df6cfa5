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
