import { byCorner, type Answer } from '../planning/answerShape.ts';
import { answerRidden } from '../planning/replan.ts';
import type { RiderDocument } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';

/** Where the adjusters of one end go for one rider. */
export interface BookEnd {
  id: CornerId;
  corner: CornerAnswer;
  /** Sag he will have there, mm at the wheel, with one standard deviation. */
  sagMm: number;
  sdMm: number;
  /** Greatest force left over where the machine came to rest for it, N. */
  leftN: number;
  /** Whether it lies in the window. */
  inWindow: boolean | null;
  /** Sag read with him on, as the settings then were; null where nobody read it. */
  confirmed: boolean;
}

export interface BookPage {
  rider: RiderDocument;
  ends: BookEnd[];
  /** Chance that every sag is in; null where nothing is asked. */
  chance: number | null;
}

/** The book of riders: positions for each, from where everything stands now, with what they will read. */
export function bookPages(answer: Answer): BookPage[] {
  const { document, machine, state } = answer;
  return document.riders.map((rider): BookPage => {
    const planned = answerRidden(answer, machine.ridden[rider.key]?.ride ?? answer.specifiedAfter.aboard);
    const corners = byCorner(planned);
    return {
      rider,
      chance: planned.chanceAfter,
      ends: planned.corners.flatMap(({ id }): BookEnd[] => {
        const corner = corners[id];
        if (!corner || document.corners[id].sagMm === null) return [];
        const window = document.corners[id].sagWindow;
        return [
          {
            id,
            corner,
            sagMm: corner.sagMm,
            sdMm: corner.sagSdMm,
            leftN: planned.predictAt(planned.specifiedAfter).outcome.solver.freeResidual(),
            inWindow: window && corner.sagMm >= window.fromMm && corner.sagMm <= window.toMm,
            confirmed: state.rounds.some(({ sag }) => sag[id]?.states[rider.key] !== undefined),
          },
        ];
      }),
    };
  });
}
