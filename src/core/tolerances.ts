/**
 * Every numerical constant of the core, once, with unit and reason.
 * "Absolute" constants are compared with a difference, "relative" ones with a share of the value.
 */
export const tolerances = {
  /** coordinates. How many frictions the assumed size of friction is worth against those seen on the machine. */
  frictionFaith: 3,
  /** relative. A ratio taken off the machine with a tape, wheel against damper. */
  measuredRatioSd: 0.03,
  /** share. So likely to land that nothing more need be asked. */
  sureChance: 0.95,
  /** share. A measurement is worth the walk when it brings the spread below this share of what it was. */
  worthAskingShare: 0.85,
  /** mm, absolute. Travel used, from two readings of the tape (one standard deviation). */
  travelUsedSdMm: 1.4,
  /** machines drawn to plan on while somebody types. */
  pageDraws: 2,
  /** relative. No ratio is learnt better than this. */
  leastRatioSd: 0.002,
  /** relative. A ratio that earlier jobs have taught may differ so much today: other load, other tyres. */
  relearntSd: 0.01,
  /** bar, absolute. A gauge on an air spring. */
  gaugeSdBar: 0.1,
  /** sum of squares. A bar that nobody named is told of where readings fit this much better with it: odds of 20 to 1. */
  hookedGain: 6,
  /** mm, absolute. Left and right seats moved less unlike than this show no bar. */
  tiltedMm: 1,
  /** relative. How well a pad repeats itself, rolled off and on. */
  padRepeatSd: 0.005,
  /** kg, absolute. No pad repeats better. */
  padStepKg: 0.5,
  /** share of the whole. Where a rider's weight sits: the share on the rear may be off by this. */
  riderShareSd: 0.05,
  /** relative. Luggage, gear and fuel as somebody names them. */
  luggageSd: 0.1,
  /** mm, absolute. Half of the friction band of a machine of which no band was read. */
  usualHalfBandMm: 4,
  /** mm, absolute. A fully extended reading, free play lifted out (one standard deviation). */
  extendedSdMm: 1,
  /** share of the travel. A friction band up to the first is a good one; beyond the second no reading is worth much. */
  frictionBand: { good: 0.08, poor: 0.16 },
  /** mm, absolute. A static sag known worse than this (one standard deviation) says nothing of a spring. */
  sagKnownMm: 5,
  /** mm, absolute. Less static sag than this is none: topped out. */
  toppedOutMm: 1,
  /** share. Cross weight wanted within this, and missed when further off. */
  crossShare: 0.002,
  /** thread diameters. A lower mount must keep this much engaged, unless the maker says more. */
  engagedDiameters: 1.5,
  /** mm at the wheel. A step that moves more than this is coarse: the other adjusters make up for it. */
  coarseMm: 2.5,
  /** mm that a ring may stand off its gap: no block is cut finer. */
  ringStepMm: 1,
  /** passes. Seats and rings set each other; two passes settle them, a third is for rings near their sliders. */
  ringPasses: 3,
  /** relative. Left and right of an axle are made alike to about this. */
  ratioTwinSd: 0.02,
  /** share. A ratio said to be constant may still grow or fall so much over the travel. */
  risePriorSd: 0.04,
  /** relative. Springs are made to 5 % at most. */
  springSd: 0.03,
  /** relative. A spring nobody has named, taken to carry the load at the class's ride height. */
  unknownSpringSd: 0.8,
  /** mm, absolute. Preload from bench lengths or a tape. */
  preloadSdMm: 2,
  /** relative. A mass somebody has named. */
  massSd: 0.03,
  /** kg, absolute. No wheel is weighed better: the floor and friction see to that. */
  leastScaleKg: 1.5,
  /** relative. What a set of pads is off from each other, whoever reads them. */
  padScaleSd: 0.003,
  /** relative. A wheel on scales. */
  weighedSd: 0.015,
  /** relative. A wheel's share of a known whole. */
  sharedMassSd: 0.05,
  /** relative. A wheel of a machine of which only the class is known. */
  unknownMassSd: 0.15,
  /** relative. Rate of an anti-roll bar from a sheet. */
  barSd: 0.1,
  /** km. New springs have lost two thirds of what they will lose. */
  settlingKm: 90,
  /** mm of seat. A slider that does not come off its ring within this never will. */
  deadStretchMm: 60,
  /** Seed of the machines drawn to plan on: the same readings always give the same plan. */
  planSeed: 7,
  /** machines drawn to plan on where time allows. */
  planDraws: 16,
  /** mm at the wheel per mm of seat, squared. A seat that does nothing (its slider on a ring) still costs to move. */
  leastGain: 0.01,
  /** mm at the wheel per mm of seat. Below this a seat does nothing that can be planned with. */
  deadGain: 0.05,
  /** share. Work is called done when all true heights are in, and stay in, with at least this probability. */
  lockChance: 0.97,
  /** share. What another turn of the spanner must add to the chance before it is advised ahead of a drive. */
  worthATurn: 0.01,
  /** rounds. After this many more work is not advised. */
  mostRounds: 8,
  /** km. Driven to let new springs settle. */
  driveKm: 400,
  /** km. After this a spring has lost what it will lose. */
  settledKm: 3000,
  /** mm above target that may be left to new springs to lose. */
  leftToSettle: { leastMm: 1, mostMm: 8 },
  /** mm at the wheel that springs nobody called new are thought to lose on the road: shared by all, and each its own. */
  settlingPriorMm: { mean: 1, sd: 2, own: 2 },
  /** rounds. Moves linearised anew this often; straight machines need two, kneed stacks three or four. */
  planRounds: 8,
  /** sweeps over the adjusters in search of a better chance of landing. */
  chanceSweeps: 8,
  /** share. A step that adds less to the chance than this is not told. */
  chanceStep: 0.01,
  /** deviations. A reading further off than this is weighed down: Huber's 2.5 costs under 1 % where all is right. */
  strayLimit: 2.5,
  /** steps. A fit needs three to six. */
  fitSteps: 12,
  /** absolute, in squared deviations. A fit that gains less than this is done. */
  fitGain: 1e-4,
  /** N, absolute. An equilibrium's largest force out of balance: under 1e-8 mm on any real spring. */
  balanceN: 1e-6,
  /** N/mm, absolute. A pivot below this is a body that nothing holds. */
  pivotNPerMm: 1e-9,
  /** steps. Newton needs five to ten, and one for each end of travel met; more is a machine that tips over. */
  newtonSteps: 60,
  /** mm, absolute. Spread of one careful tape reading (one standard deviation). */
  tapeSdMm: 1,
  /** mm, absolute. Caliper on a collar (one standard deviation). */
  collarSdMm: 0.25,
  /** mm, absolute. What friction leaves in a rolled and bounced suspension (one standard deviation). */
  settledFrictionSdMm: 1.5,
  /** mm, absolute. The same when nobody said that it was settled: weak evidence. */
  unsettledFrictionSdMm: 4,
  /** relative. Nominal ratios from sheets and eyes are good to about 12 %. */
  ratioPriorSd: 0.12,
  /** mm, absolute. Prior spread of a height before any reading: as good as knowing nothing. */
  heightPriorSdMm: 20000,
  /** dimensionless. Weight of "move little" against 1 mm of height error squared: bias under 0.01 mm. */
  smallMovePenalty: 1e-5,
  /** dimensionless. What a move costs at an end that is hard to get at, against one at the other. */
  hardEffort: 20,
  /** share of a tolerance. An end that was set once is left alone while the other brings everything within this of it. */
  leftAloneShare: 0.5,
  /**
   * dimensionless. Weight of "do not twist" against 1 mm of height error squared: moves that only load one diagonal
   * change no height but the cross weight, so they must not be used to shave the last tenth.
   */
  twistPenalty: 0.3,
  /** mm, absolute. Box solver: a multiplier or bound violation below this is none. */
  boxSolverMm: 1e-9,
  /** turns. Adjusters are told to the eighth of a turn. */
  turnStep: 1 / 8,
  /** draws. Enough that the stated chance repeats to about 1 in 100. */
  chanceDraws: 4000,
  /** draws, to compare neighbouring plans on: the same ones for all, so that fewer do. */
  searchDraws: 1000,
  /** mm off what a round should read that asks whether it is settled and the same point. */
  trendQuestionMm: 20,
  /** mm, absolute. A reading further than this from its twin across the axle is questioned. */
  twinQuestionMm: 25,
  /** mm, absolute. A target further than this from what was read is questioned: half a number, or the wrong point. */
  targetQuestionMm: 90,
  /** mm, absolute. Repeats of one reading further apart than this are questioned. */
  repeatQuestionMm: 6,
  /** share. Told to stop when all heights are in with at least this probability. */
  stopChance: 0.985,
  /**
   * share, rounds. Enough where all reads in: with `twice` once it was settled and read twice everywhere; and where another
   * round gains next to nothing with `soon`, with `still` where hardly anything would move, with `late` from round `lateFrom`.
   */
  readInChance: { twice: 0.93, soon: 0.975, still: 0.75, late: 0.6, lateFrom: 3 },
  /** share. Another round that gains less than this is not worth taking a wheel off. */
  worthwhileGain: 0.01,
  /** mm. Nobody turns for less than a tape can show. */
  unseenMm: 1,
  /** mm, absolute. A target missed, or a margin left, by no more than this is none in a workshop. */
  missedMm: 0.05,
} as const;
