/**
 * Three ways of stating where a crossover ring sits, and the way between them. `gapMm` is slider to ring where the machine
 * rests, along the damper: all the others are counted from it.
 */
export interface RingPlace {
  /** Rates of the springs that the ring freezes, taken together, and of those that go on, N/mm. */
  upperNPerMm: number;
  lowerNPerMm: number;
  /** Damper per wheel where the machine rests. */
  ratio: number;
  /** Wheel travel left to metal, mm. */
  bumpMm: number;
  /** Caliper reading of the slider where the machine rests; +1 when readings grow in the direction the slider moves in bump. */
  sliderMm: number;
  sign: 1 | -1;
}

/**
 * Wheel travel in mm from rest to the transition. While the slider goes `g` towards its ring the springs beyond it close
 * by g k1/k2, so the damper moves g (1 + k1/k2), and the wheel that over the ratio.
 */
export function transitionMm(place: RingPlace, gapMm: number): number {
  return (gapMm * (1 + place.upperNPerMm / place.lowerNPerMm)) / place.ratio;
}

/** Share of the bump travel left (0 to 1, more when it never comes) at which the transition falls. */
export function shareOfBump(place: RingPlace, gapMm: number): number {
  return transitionMm(place, gapMm) / place.bumpMm;
}

/** Gap in mm that puts the transition at a share of the bump travel left. */
export function gapForShare(place: RingPlace, share: number): number {
  return (share * place.bumpMm * place.ratio) / (1 + place.upperNPerMm / place.lowerNPerMm);
}

/** Caliper reading of the ring, from the slider's own datum, for a gap. */
export function ringReading({ sliderMm, sign }: RingPlace, gapMm: number): number {
  return sliderMm + sign * gapMm;
}

/** Gap in mm for a caliper reading of the ring. */
export function gapForReading({ sliderMm, sign }: RingPlace, readingMm: number): number {
  return sign * (readingMm - sliderMm);
}
