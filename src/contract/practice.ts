import type { TapePlacing } from '#core/gauge/heldTape.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import type { HiddenFault, PracticeLevel, PracticeWay, RiseParts } from '#core/practiceKinds.ts';

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

/** Instruments that need only be held there: caliper on the collar, pad under the wheel, gauge of travel used, tyre gauge, level, toe plates. */
export const plainInstruments = ['caliper', 'pad', 'travel', 'pressure', 'level', 'toe'] as const;
export type PlainInstrument = (typeof plainInstruments)[number];

/** POST /api/practice/tries/:job/read: an instrument held to the machine. */
export type PracticeReading =
  | { instrument: 'tape'; corner: CornerId; placing: TapePlacing }
  | { instrument: PlainInstrument; corner: CornerId };

/** What the instrument shows: mm; kg of a pad, bar of a tyre. */
export interface PracticeShown {
  value: number;
  minutes: number;
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

/** POST /api/practice/tries/:job/picture: a picture of a corner's wheel as it stands now. */
export interface PracticePictureAsked {
  corner: CornerId;
}

/** The picture as a JPEG in base64, what the tablet's level said at the shutter, and the rim's lip as somebody has taped it. */
export interface PracticePicture {
  jpeg: string;
  level: { pitchDeg: number; rollDeg: number };
  rimMm: number;
  minutes: number;
}

/** What was done badly, told at the end. */
export interface Missed {
  /** Rounds that were read with the machine not settled. */
  unsettled: number;
  /** Heights written down that are off by more than a tape held well, and the most of it, mm. */
  offReadings: number;
  mostOffMm: number;
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
  missed: Missed | null;
}

/** GET /api/practice/:id, and /api/practice/of/:job by one of its tries. */
export interface Practice {
  id: string;
  /** The challenge it belongs to. */
  challengeId: string | null;
  level: PracticeLevel;
  machineClass: MachineClass;
  /** The job whose machine this is a copy of, by name; null for one that was drawn. */
  copyOf: string | null;
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
