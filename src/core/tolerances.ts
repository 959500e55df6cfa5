/**
 * Constants that more than one topic of the core goes by, with unit and reason; what a single file goes by stands there.
 * "Absolute" constants are compared with a difference, "relative" ones with a share of the value.
 */
export const tolerances = {
  /** share. A measurement is worth the walk when it brings the spread below this share of what it was. */
  worthAskingShare: 0.85,
  /** mm, absolute. Travel used, from two readings of the tape (one standard deviation). */
  travelUsedSdMm: 1.4,
  /** relative. How well a pad repeats itself, rolled off and on. */
  padRepeatSd: 0.005,
  /** kg, absolute. No pad repeats better. */
  padStepKg: 0.5,
  /** mm, absolute. A fully extended reading, free play lifted out (one standard deviation). */
  extendedSdMm: 1,
  /** share of the travel. A friction band up to the first is a good one; beyond the second no reading is worth much. */
  frictionBand: { good: 0.08, poor: 0.16 },
  /** mm, absolute. A static sag known worse than this (one standard deviation) says nothing of a spring. */
  sagKnownMm: 5,
  /** share. Cross weight wanted within this, and missed when further off. */
  crossShare: 0.002,
  /** relative. Springs are made to 5 % at most. */
  springSd: 0.03,
  /** mm, absolute. Preload from bench lengths or a tape. */
  preloadSdMm: 2,
  /** relative. A wheel on scales. */
  weighedSd: 0.015,
  /** Seed of the machines drawn to plan on: the same readings always give the same plan. */
  planSeed: 7,
  /** km. After this a spring has lost what it will lose. */
  settledKm: 3000,
  /** mm, absolute. Spread of one careful tape reading (one standard deviation). */
  tapeSdMm: 1,
  /** mm, absolute. Caliper on a collar (one standard deviation). */
  collarSdMm: 0.25,
  /** mm, absolute. What friction leaves in a rolled and bounced suspension (one standard deviation). */
  settledFrictionSdMm: 1.5,
  /** mm, absolute. Prior spread of a height before any reading: as good as knowing nothing. */
  heightPriorSdMm: 20000,
  /** turns. Adjusters are told to the eighth of a turn. */
  turnStep: 1 / 8,
  /** mm, absolute. Repeats of one reading further apart than this are questioned. */
  repeatQuestionMm: 6,
  /** mm, absolute. A target missed, or a margin left, by no more than this is none in a workshop. */
  missedMm: 0.05,
} as const;
