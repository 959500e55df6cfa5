import { isSagJob, sagWish, setEnds } from '../document/sagWish.ts';
import { askedCorners, extendedNow } from '../estimate/sagEvidence.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { SagLimits } from '../document/types.ts';
import type { Answer } from './answerShape.ts';

/** How a sag stands to its window: surely in it, in it but so near an edge that it may be out, or out. */
export type SagStand = 'in' | 'edge' | 'out';

/** standard deviations. One that lies so far inside its window is surely in; so is one in the middle of a narrow one. */
const SURE_SDS = 1.5;
/** share of a window. No more than this of it on either side is too near its edge. */
const MOST_EDGE = 0.3;
/** share. Read again and still near an edge, it is turned only where that betters the chance by so much. */
const WORTH_A_MOVE = 0.07;
/** readings. So many of one end are more than came of doing it once: in one round, fully extended in all. */
const OFTEN = { rest: 3, band: 2, extended: 2 };

/** How a sag of so many mm, known to one standard deviation, stands to a window. */
export function standIn({ fromMm, toMm }: SagLimits, mm: number, sdMm: number): SagStand {
  if (mm < fromMm || mm > toMm) return 'out';
  const sureMm = Math.min(SURE_SDS * sdMm, MOST_EDGE * (toMm - fromMm));
  return mm >= fromMm + sureMm && mm <= toMm - sureMm ? 'in' : 'edge';
}

/** Whether sag in windows is all that is wanted of a job. */
export function isBySag({ document }: Pick<Answer, 'document'>): boolean {
  return isSagJob(document) && setEnds(document).every((id) => sagWish(document, id)?.window !== null);
}

/**
 * Whether a job that is set by sag alone is done: every sag surely in its window, or, once it was read again, in it with
 * nothing to gain by another turn. Inside the window is done: nobody chases the middle.
 */
export function sagEnough(answer: Answer): boolean {
  const stands = standsOf(answer);
  if (stands.some(({ stand }) => stand === 'out')) return false;
  if (stands.every(({ stand }) => stand === 'in')) return true;
  const gain = (answer.chanceAfter ?? 0) - (answer.chanceNow ?? 0);
  return edgesOf(answer).every((id) => isReadOften(answer, id)) && gain < WORTH_A_MOVE;
}

/** Ends that read in their window, so near an edge that one more reading is worth more than a turn; none where one is out. */
export function edgesToReadAgain(answer: Answer): CornerId[] {
  if (standsOf(answer).some(({ stand }) => stand === 'out')) return [];
  return edgesOf(answer).filter((id) => !isReadOften(answer, id));
}

const edgesOf = (answer: Answer) =>
  standsOf(answer)
    .filter(({ stand }) => stand === 'edge')
    .map(({ id }) => id);

function standsOf({ document, state, corners }: Answer): { id: CornerId; stand: SagStand }[] {
  const asked = askedCorners(document, state);
  return corners.flatMap(({ id, nowSagMm, nowSagSdMm }) => {
    const window = sagWish(document, id)?.window;
    return window && asked.includes(id) ? [{ id, stand: standIn(window, nowSagMm, nowSagSdMm) }] : [];
  });
}

/** Whether an end was read in this round so often, fully extended too, that once more says little. */
function isReadOften({ document, state }: Answer, id: CornerId): boolean {
  const alone = sagWish(document, id)?.who === 'alone';
  const states = Object.entries(state.rounds[state.current]?.sag[id]?.states ?? {});
  const extended = extendedNow(state, id).length;
  return states
    .filter(([who]) => (who === 'alone') === alone)
    .some(
      ([, { press = [], lift = [], rest = [], band = [] }]) =>
        band.length >= OFTEN.band ||
        (extended >= OFTEN.extended && ((press.length > 0 && lift.length > 0) || rest.length >= OFTEN.rest)),
    );
}
