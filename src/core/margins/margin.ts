import type { Which } from '../document/which.ts';
import type { Part } from '../calculation/part.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Standing } from '../stance/standing.ts';

/** What a margin is before it is judged. */
export interface Left {
  leftMm: number;
  /** The whole of which it is left, mm. */
  rangeMm: number;
  sdMm: number;
  assumed: boolean;
  /** What it was worked out from; asked for only when somebody opens the sum. */
  inputs: () => Part[];
  /** Which of several of its kind; left out where there is but one. */
  which?: Which | undefined;
  /** Share of the range under which it is tight, where that is another than its kind's. */
  tight?: number | undefined;
  /** The same in turns, where it is turned. */
  turns?: number | undefined;
}

/** A corner as an answer has it. */
export interface Place {
  answer: Answer;
  corner: CornerAnswer;
}

interface Judged {
  /** Share of the range under which it is called tight. */
  tight: number;
}

/** A margin that what is on board plays no part in. */
export interface StandingMargin extends Judged {
  byLoad: false;
  left: (place: Place) => Left[];
}

/** A margin that is different in each load case. */
export interface LoadMargin extends Judged {
  byLoad: true;
  left: (place: Place, standing: Standing) => Left[];
}
