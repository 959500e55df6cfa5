import { sagWish } from './sagWish.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument } from './types.ts';

/** Nothing is asked of the corner yet: neither a height nor a sag. A skid's front arm need not be asked for either. */
export function isUntold(document: JobDocument, id: CornerId): boolean {
  const { targetMm, adjustable } = document.corners[id];
  return targetMm === null && sagWish(document, id) === null && adjustable && id !== 'FA';
}
