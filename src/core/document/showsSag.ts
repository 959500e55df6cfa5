import { referenceKinds } from '../geometry/reference.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument } from './types.ts';

/** Whether an end is read by a gauge that shows its sag itself, zeroed fully extended. */
export function showsSag(document: JobDocument, id: CornerId): boolean {
  // A document of another class than its corners is refused elsewhere: what it lacks shows nothing.
  const corner = document.corners[id] as JobDocument['corners'][CornerId] | undefined;
  return corner !== undefined && referenceKinds[corner.reference.kind].showsSag;
}
