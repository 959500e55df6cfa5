import type { JobDocument } from '../document/types.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { contactPoint } from '../machine/body.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { RaisedTarget, Reason } from '../planning/reasons.ts';
import { tolerances } from '../tolerances.ts';
import { lowPoints, type LowPoint } from './lowPoints.ts';

/** A job whose targets are raised as far as its low points need, and why; its document is the owner's but for that. */
export interface Raised {
  document: JobDocument;
  reasons: Extract<Reason, { kind: 'ground' }>[];
}

/** share of the wheelbase. A point nearer to an axle than this is that end's business alone. */
const OF_ONE_END = 0.25;

/**
 * Targets raised so that every low point keeps the least it must over the ground, where the plan would leave it too low:
 * the end that the point hangs at, or all of them where it hangs between. Null where nothing has to be raised, or nothing
 * is asked for there. `owners` is the job as the owner gave it.
 */
export function raisedTargets(answer: Answer, owners: JobDocument): Raised | null {
  const short = lowPoints(answer).filter(
    ({ afterMm, leastMm }) => leastMm !== null && leastMm - afterMm > tolerances.missedMm,
  );
  if (short.length === 0 || answer.state.locked) return null;
  const corners = { ...answer.document.corners };
  const reasons = short.flatMap((point): Raised['reasons'] => {
    // Half a millimetre over, since seats go in steps.
    const byMm = Math.ceil((point.leastMm ?? 0) - point.afterMm + 0.5);
    const raised = cornersUnder(answer, point).flatMap((corner): RaisedTarget[] => {
      const askedMm = owners.corners[corner].targetMm;
      const sofarMm = answer.document.corners[corner].targetMm;
      return askedMm === null || sofarMm === null ? [] : [{ corner, askedMm, toMm: sofarMm + byMm }];
    });
    for (const { corner, toMm } of raised)
      corners[corner] = { ...corners[corner], targetMm: Math.max(corners[corner].targetMm ?? 0, toMm) };
    const { nearest: corner, name, leastMm } = point;
    return raised.length > 0 ? [{ kind: 'ground', corner, name, leastMm: leastMm ?? 0, raised }] : [];
  });
  return reasons.length > 0 ? { document: { ...answer.document, corners }, reasons } : null;
}

/** The corners that carry a low point: those of its end, or all where it hangs between the ends. */
function cornersUnder({ document }: Answer, { xMm, nearest }: LowPoint): readonly CornerId[] {
  const ids = cornersIn(document);
  const xs = ids.map((id) => contactPoint(document.machine, id).x);
  const [front, rear] = [Math.max(...xs), Math.min(...xs)];
  const along = (front - xMm) / (front - rear);
  const between = along > OF_ONE_END && along < 1 - OF_ONE_END;
  return between ? ids : ids.filter((id) => axleOf(id) === axleOf(nearest));
}
