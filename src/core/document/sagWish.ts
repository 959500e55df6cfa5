import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument, SagLimits } from './types.ts';

/** A sag that is wanted at an end: with whom on, how much, mm of wheel travel, and the window it may lie in. */
export interface SagWish {
  who: 'ridden' | 'alone';
  mm: number;
  window: SagLimits | null;
}

/**
 * The sag that an end is set by: the rider's where one is wanted; else, where no height is, the machine's own with nobody on.
 * Null where no sag is wanted.
 */
export function sagWish(document: JobDocument, id: CornerId): SagWish | null {
  const { targetMm, sagMm, sagWindow, staticWindow } = document.corners[id];
  if (sagMm !== null) return { who: 'ridden', mm: sagMm, window: sagWindow };
  if (targetMm !== null || sagWindow || !staticWindow) return null;
  return { who: 'alone', mm: (staticWindow.fromMm + staticWindow.toMm) / 2, window: staticWindow };
}

/** Whether a job is set by sag alone: a sag is wanted somewhere, and no height is. */
export function isSagJob(document: JobDocument): boolean {
  const ids = cornersIn(document);
  return (
    ids.every((id) => document.corners[id].targetMm === null) &&
    ids.some((id) => sagWish(document, id) !== null)
  );
}

/** Ends that a job sets: on one that is set by sag those of which a sag is wanted, else all. */
export function setEnds(document: JobDocument): readonly CornerId[] {
  const ids = cornersIn(document);
  return isSagJob(document) ? ids.filter((id) => sagWish(document, id) !== null) : ids;
}

/** The window that an end's sag is held against, also where a height is what it is set by; null where none is given. */
export function sagWindowAt(document: JobDocument, id: CornerId): SagLimits | null {
  return document.corners[id].sagWindow ?? sagWish(document, id)?.window ?? null;
}
