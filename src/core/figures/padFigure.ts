import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';
import { padsAround } from '../scales/padsAround.ts';
import { takenPads } from '../scales/balance.ts';
import { measuredOf, type Measured } from './figure.ts';

/** Weight on a wheel, kg: as its pad read in this round, what all rounds together make of it, and what the plan will. */
export interface PadFigure {
  measured: Measured | null;
  estimatedKg: number;
  predictedKg: number;
}

/** The weight on a wheel as far as it is known. */
export function padFigure(answer: Answer, id: CornerId): PadFigure {
  const { state, document } = answer;
  const read = takenPads(document, state.rounds[state.current]?.pads ?? {})[id] ?? [];
  const { nowKg, afterKg } = padsAround(answer, id);
  return { measured: measuredOf(read), estimatedKg: nowKg, predictedKg: afterKg };
}
