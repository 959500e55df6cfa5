import { threadRoom } from './limits.ts';
import { untold, type Standing, type Way } from './way.ts';

/** Wound on a thread: any part of a turn, to a reading of its collar. */
export const thread: Way = {
  room: ({ spec, collarMm, seatBy }) => {
    const { up, down } = threadRoom(spec, collarMm);
    const { threadUpMm, threadDownMm } = spec;
    return {
      up: Math.min(up, Math.max((threadUpMm ?? Infinity) - seatBy, 0)),
      down: Math.max(down, -Math.max((threadDownMm ?? Infinity) + seatBy, 0)),
    };
  },
  steps: ({ spec }) => ({ stepBy: spec.stepMm.value }),
  oneMore: ({ spec }) => spec.pitchMm.value,
  told: (standing, by) => ({
    ...untold,
    turns: by / standing.spec.pitchMm.value,
    stopAtMm: collarAfter(standing, by),
  }),
  carried: ({ corner: { preloadMm, cam, air }, seatBy }) => ({
    preloadMm: preloadMm === null ? null : preloadMm + seatBy,
    cam,
    air,
  }),
  cautions: [],
  preloadByCollar: true,
};

/** What a collar reads after its seat has gone so far, mm; null where it was never read. */
export function collarAfter({ spec, collarMm }: Standing, by: number): number | null {
  return collarMm === null ? null : collarMm + spec.readingSign * by;
}
