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
