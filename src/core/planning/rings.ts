import type { JobMachine } from '../estimate/believed.ts';
import type { JobDocument } from '../document/types.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Outcome } from '../estimate/simulate.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { CornerModel } from '../machine/corner.ts';

/** Gap between each slider and its ring where a corner rests, mm along the damper: 0 on the ring. */
export function ringGaps(document: JobDocument, id: CornerId, outcome: Outcome, contact: number): number[] {
  const corner = outcome.solver.corners[contact] as CornerModel;
  const { stack, preloadMm } = corner;
  const movedMm = outcome.settings[contact]?.ringsMm ?? [];
  if (!stack) return [];
  const stackMm = corner.springAt(outcome.solver.z[contact] as number) + preloadMm;
  return document.corners[id].rings.map(({ after, limitMm, on }, j) => {
    let used = 0;
    for (let i = 0; i <= after; i++) used += stack.springCompression(i, stackMm);
    return limitMm - (movedMm[j] ?? 0) + (on === 'body' ? preloadMm : 0) - used;
  });
}

/** Whether any ring of a job is to be brought to a gap. */
export function wantsGaps({ corners }: JobDocument): boolean {
  return Object.values(corners).some(({ rings }) => rings.some(({ gapMm }) => gapMm !== null));
}

/** The situation with every ring that is wanted at a gap brought to it, given how the machine would rest. */
export function ringsToGaps(
  document: JobDocument,
  { corners }: JobMachine,
  situation: Situation,
  outcome: Outcome,
): Situation {
  const ringsMm = corners.map((id, i) => {
    const before = situation.ringsMm?.[i] ?? [];
    const gaps = ringGaps(document, id, outcome, i);
    return document.corners[id].rings.map(({ gapMm }, j) =>
      gapMm === null ? (before[j] ?? 0) : (before[j] ?? 0) + (gaps[j] ?? 0) - gapMm,
    );
  });
  return { ...situation, ringsMm };
}
