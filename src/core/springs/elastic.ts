/**
 * Something that pushes back. `evaluate` leaves force and rate in the fields, so that the inner loops allocate nothing.
 */
export interface Elastic {
  /** N, at the last compression evaluated. */
  forceN: number;
  /** N/mm, at the last compression evaluated. */
  rateNPerMm: number;
  /** mm of compression at which it is solid; infinite when it never is. */
  readonly solidMm: number;
  /** Works out force and rate at a compression in mm; below zero it is slack. */
  evaluate(compressionMm: number): void;
  /** N mm stored at a compression in mm. */
  energy(compressionMm: number): number;
}
