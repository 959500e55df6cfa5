import { newParts } from '../kinds/newParts.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { lastFitted } from '../estimate/rounds.ts';
import type { Answer } from '../planning/answerShape.ts';

/** A damper as it was read with the machine standing, and what it is open and closed: eye to eye, mm. */
export interface DamperRead {
  readMm: number;
  openMm: number | null;
  closedMm: number | null;
  /** Damper per wheel. */
  ratio: number;
  /** Wheel travel used as the readings have it of the round it was read in, mm from where the model has full droop. */
  travelMm: number;
}

/** What is known of a corner's damper by a tape held along it; null where it was not read as it is fitted now. */
export function damperRead(answer: Answer, id: CornerId): DamperRead | null {
  const { state, document, corners, posterior, machine } = answer;
  const corner = corners.find((one) => one.id === id);
  // Another damper has other lengths.
  const since = lastFitted(
    state.rounds,
    ({ part, axle }) => axle === axleOf(id) && newParts[part].assembles && !newParts[part].keepsExtended,
  );
  const last = state.rounds.findLast(
    ({ round, damperLengths }) => round >= since && damperLengths[id] !== undefined,
  );
  const readMm = last?.damperLengths[id];
  const travelMm = last && posterior.travelByRound[last.round]?.[machine.corners.indexOf(id)];
  if (!corner || readMm === undefined || travelMm === undefined) return null;
  const { openMm, closedMm } = document.corners[id].damper;
  return { readMm, openMm, closedMm, ratio: 1 / corner.gain, travelMm };
}

/** mm of damper once the wheel has used so much of its travel: what it was read at, less what it has closed since. */
export function lengthAt({ readMm, ratio, travelMm }: DamperRead, usedMm: number): number {
  return readMm - ratio * (usedMm - travelMm);
}
