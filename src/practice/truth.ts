import type { CornerId } from '#core/kinds/corners.ts';
import type { SimulatedMachine } from '#core/simulated/machine.ts';
import type { HiddenFault } from '#core/practiceKinds.ts';

/** Raised when a kept truth is not what this program goes by any more: such machines are gone from the lists. */
export const TRUTH_VERSION = 1;

/** What nobody may know before the end. */
export interface PracticeTruth {
  version: number;
  simulated: SimulatedMachine;
  corners: readonly CornerId[];
  /** Whether its height is read to the lip of an arch, by corner. */
  arches: boolean[];
  /** mm of each seat from where its target is met, as the machine came in. */
  openBy: number[];
  /** What each collar reads where its seat is at nought, and 1 where the reading grows towards the spring, else -1. */
  collarMm: number[];
  collarGrows: number[];
  /** Ends of each collar's thread, mm of seat from where its target is met. */
  threadMm: (readonly [number, number])[];
  pitchMm: number;
  tapeSdMm: number;
  /** bar in each tyre, and mm of toe of each corner's axle where its target is met. */
  tyreBar: number[];
  toeMm: number[];
  /** What is wrong that nobody speaks of, and where. */
  faults: { kind: HiddenFault; corner: CornerId }[];
  /** How far below the wheel's centre the cap sits that meets the eye, mm by corner. */
  markMm: number[];
}
