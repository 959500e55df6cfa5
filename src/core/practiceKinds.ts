/** From the first day to nasty. */
export const practiceLevels = ['first-day', 'second-week', 'on-your-own', 'hard', 'nasty'] as const;
export type PracticeLevel = (typeof practiceLevels)[number];

/** By one's own judgement, the product's advice hidden; or with it. */
export const practiceWays = ['own', 'plan'] as const;
export type PracticeWay = (typeof practiceWays)[number];

/** What can be wrong with a machine that nobody speaks of. */
export type HiddenFault = 'odd-spring' | 'hooked-bar' | 'wrong-tyre' | 'stiff-bush' | 'misread-point';

/** Why a corner rose as it did, mm each: they add up to what was read. */
export interface RiseParts {
  /** What its own seat alone did. */
  ownMm: number;
  /** What the other corners' seats did to it. */
  othersMm: number;
  /** What springs lost on the road. */
  lostMm: number;
  /** What bars and bushes gave that were let go. */
  loosedMm: number;
  /** What friction held, before and after. */
  frictionMm: number;
  /** What the tape, or whoever held it, added. */
  tapeMm: number;
}
