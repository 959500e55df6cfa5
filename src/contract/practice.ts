import type { CornerId } from '#core/kinds/corners.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';

/** From the first day to nasty. */
export const practiceLevels = ['first-day', 'second-week', 'on-your-own', 'hard', 'nasty'] as const;
export type PracticeLevel = (typeof practiceLevels)[number];

/** Where a learner puts a tape, mm from where it belongs: its end along the car and up, its other end along, and the eye above the lip. */
export interface TapePlacing {
  endXMm: number;
  endZMm: number;
  topXMm: number;
  eyeMm: number;
}

/** By one's own judgement, the product's advice hidden; or with it. */
export const practiceWays = ['own', 'plan'] as const;
export type PracticeWay = (typeof practiceWays)[number];

/** POST /api/practice: draws a machine, of a class or of any; or takes that of a challenge, or a copy of a job's own. */
export type NewPractice =
  | { id: string; level: PracticeLevel; machineClass: MachineClass | null }
  | { id: string; challengeId: string }
  | { id: string; jobId: string };

/** POST /api/practice/:id/tries: the same machine once more as it came in, as a job of that id. */
export interface NewTry {
  jobId: string;
  way: PracticeWay;
  /** What the job is called. */
  name: string;
}

/** POST /api/practice/tries/:job/read: an instrument held to the machine. */
export type PracticeReading =
  | { instrument: 'tape'; corner: CornerId; placing: TapePlacing }
  | { instrument: 'caliper'; corner: CornerId }
  | { instrument: 'pad'; corner: CornerId };

/** What the instrument shows: mm of tape or caliper, kg of a pad. */
export interface PracticeShown {
  value: number;
  minutes: number;
}

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
  /** What friction held, before and after. */
  frictionMm: number;
  /** What the tape, or whoever held it, added. */
  tapeMm: number;
}

/** One corner in one round, as it really was. */
export interface OpenedCorner {
  corner: CornerId;
  turnedMm: number;
  /** With no friction. */
  trueMm: number;
  /** As it was written down; null where it was not. */
  readMm: number | null;
  /** Why it rose since the round before; null in the first round, or where it was not read in both. */
  parts: RiseParts | null;
}

/** The truth of a machine, told at the end alone. */
export interface OpenedTruth {
  corners: {
    corner: CornerId;
    /** Wheel per mm of seat, where it stands. */
    risePerMm: number;
    frictionMm: number;
    floorMm: number;
    lossMm: number;
  }[];
  faults: { kind: HiddenFault; corner: CornerId }[];
}

export interface PracticeTry {
  jobId: string;
  way: PracticeWay;
  rounds: number;
  minutes: number;
  readings: number;
  ended: boolean;
  /** Once ended: whether every true height is in, and still will be once springs have lost what they will. */
  landed: { now: boolean; later: boolean } | null;
  /** Once the truth is open. */
  opened: OpenedCorner[][] | null;
}

/** GET /api/practice/:id, and /api/practice/of/:job by one of its tries. */
export interface Practice {
  id: string;
  /** The challenge it belongs to. */
  challengeId: string | null;
  level: PracticeLevel;
  machineClass: MachineClass;
  startedAt: string;
  /** What is wanted, mm by corner, and within what. */
  targets: Partial<Record<CornerId, number>>;
  toleranceMm: number;
  /** How far below the wheel's centre its cap sits, mm by corner: anybody who looks can see it. */
  marks: Partial<Record<CornerId, number>>;
  tries: PracticeTry[];
  /** Null until it is opened. */
  truth: OpenedTruth | null;
}

/** GET /api/practice: the newest first. */
export interface PracticeList {
  practices: Practice[];
}

/** GET /api/practice/challenge: that of today; /api/practice/challenges/:id: any, by what a link says. */
export interface Challenge {
  id: string;
  /** ISO day; null for one that was given on. */
  day: string | null;
  level: PracticeLevel;
  machineClass: MachineClass;
  /** Those who have ended it and landed, by rounds, then by minutes. */
  table: { who: string; way: PracticeWay; rounds: number; minutes: number }[];
}

/** GET /api/practice/lessons: which are done, by whoever asks. POST /api/practice/lessons/:lesson counts one as done. */
export interface LessonsDone {
  done: string[];
}
