import { camArcs } from '../document/taken.ts';
import type { CornerDocument } from '../document/types.ts';
import { untold, type Way } from './way.ts';

/** mm at the leg. Two places nearer than this are one. */
const SAME_PLACE_MM = 0.01;

/** From one numbered position of a cam to another. */
export const positions: Way = {
  room: ({ corner, seatBy }) => {
    const choices = camChoices(corner, seatBy);
    return { down: Math.min(...choices), up: Math.max(...choices) };
  },
  steps: ({ corner, spec, seatBy }) => ({
    stepBy: spec.stepMm.value,
    choicesBy: camChoices(corner, seatBy),
  }),
  // At the last one, what the one before it would take away.
  oneMore: ({ corner, seatBy }) => {
    const choices = camChoices(corner, seatBy);
    return choices.find((by) => by > SAME_PLACE_MM) ?? -(choices.findLast((by) => by < -SAME_PLACE_MM) ?? 0);
  },
  told: ({ corner, seatBy }, by) => ({
    ...untold,
    cam: { now: camPlaceAt(corner, seatBy), after: camPlaceAt(corner, seatBy + by) },
  }),
  // Where nobody said it stood it is known once it was set.
  carried: ({ corner, corner: { preloadMm, cam, air }, seatBy }) => ({
    preloadMm,
    cam: cam === null && seatBy === 0 ? null : camPlaceAt(corner, seatBy),
    air,
  }),
  cautions: ['torsion'],
  preloadByCollar: false,
};

/** Moves from now to every cam position, mm at the leg; none where there is no cam. */
export function camChoices({ torsion, cam }: CornerDocument, seatBy: number): number[] {
  if (!torsion) return [];
  const arcs = camArcs(torsion);
  const base = arcs[cam ?? 0] ?? 0;
  return arcs.map((arc) => arc - base - seatBy);
}

/** The cam position after a seat has gone so far from the baseline, counted from 0. */
export function camPlaceAt(corner: CornerDocument, seatBy: number): number {
  const away = camChoices(corner, seatBy).map(Math.abs);
  return away.indexOf(Math.min(...away));
}
