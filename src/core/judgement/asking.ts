import type { Answer } from '../planning/answerShape.ts';
import { axleOf } from '../kinds/corners.ts';
import { worthAsking, type Asking } from '../estimate/worth.ts';
import { tolerances } from '../tolerances.ts';

/** share. So likely to land that nothing more need be asked. */
const SURE_CHANCE = 0.95;

/**
 * The one thing that is not known yet and would narrow the plan most; null where landing is likely anyway, or where
 * nothing that could be asked is worth the walk.
 */
export function bestQuestion(answer: Answer): Asking | null {
  if (answer.state.locked || (answer.chanceAfter ?? 1) > SURE_CHANCE) return null;
  const best = worthAsking(answer.fit, answer.after).find((asking) => isOpen(answer, asking));
  return best && best.withItMm < tolerances.worthAskingShare * best.sdMm ? best : null;
}

function isOpen(answer: Answer, { ask, axle }: Asking): boolean {
  const here = answer.corners.filter(({ id }) => axleOf(id) === axle);
  switch (ask) {
    case 'travel':
      return !answer.state.rounds.some(({ travelUsed, sag }) =>
        here.some(({ id }) => travelUsed[id] !== undefined || sag[id] !== undefined),
      );
    case 'weigh':
      return here.some(({ id }) => answer.machine.sources[id].load !== 'measured');
    case 'springs':
      return here.some(({ id }) => answer.machine.sources[id].springs === 'assumed');
    case 'preload':
      return here.some(({ id }) => answer.machine.sources[id].preload === 'assumed');
    case 'ratio':
      return here.some(({ id }) => answer.document.corners[id].ratioFrom === null);
  }
}
