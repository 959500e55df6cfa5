import type { Answer } from '../planning/answerShape.ts';
import { contactPoint } from '../machine/body.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { LowPointDocument } from '../document/types.ts';
import { bodyRise } from './body.ts';
import { tyreRise } from './tyres.ts';

/** A low point of the body: over the ground at the baseline, now, after the plan, and on the tyres to go on. */
export interface LowPoint extends LowPointDocument {
  /** Its place in the document's list. */
  index: number;
  nearest: CornerId;
  hereMm: number;
  afterMm: number;
  onNextTyresMm: number;
}

/** All low points as they stand and will stand. */
export function lowPoints(answer: Answer): LowPoint[] {
  const { document, now, after } = answer;
  const [here, then] = [bodyRise(answer, now), bodyRise(answer, after)];
  return document.stance.points.map((point, index) => {
    const { xMm, yMm, nowMm } = point;
    const afterMm = nowMm + then(xMm, yMm);
    return {
      ...point,
      index,
      nearest: nearestCorner(answer, point),
      hereMm: nowMm + here(xMm, yMm),
      afterMm,
      onNextTyresMm: afterMm + tyreRise(document, xMm),
    };
  });
}

/** The corner that a point lies nearest to: its margin stands there. */
export function nearestCorner(
  { document }: Pick<Answer, 'document'>,
  { xMm, yMm }: LowPointDocument,
): CornerId {
  const away = (id: CornerId) => {
    const { x, y } = contactPoint(document.machine, id);
    return Math.hypot(x - xMm, y - yMm);
  };
  return cornersIn(document).reduce((best, id) => (away(id) < away(best) ? id : best));
}
