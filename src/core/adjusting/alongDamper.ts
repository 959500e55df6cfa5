import type { JobDocument } from '../document/types.ts';
import { adjusterOf } from '../kinds/adjusters/index.ts';
import { classDefaults } from '../kinds/classes/index.ts';
import type { CollarPlace } from '../kinds/collarPlace.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';

/** Where a corner's collar sits on its damper, and whether that is only what is usual for the class. */
export interface CollarSeat {
  at: CollarPlace;
  assumed: boolean;
}

/** Null where a corner's adjuster does not sit on the damper's body. */
export function collarSeat(document: JobDocument, id: CornerId): CollarSeat | null {
  const { fitting, collarAt } = document.corners[id];
  if (!adjusterOf(fitting).onDamper) return null;
  const usual = classDefaults[document.machine.class].collarAt[axleOf(id)];
  return { at: collarAt ?? usual, assumed: collarAt === null };
}

/**
 * Which way a collar goes along its damper, as that hangs in the machine. `by` is positive towards the spring: from above
 * the spring that is down, from below it is up.
 */
export function alongDamper(at: CollarPlace, by: number): 'up' | 'down' {
  return by > 0 === (at === 'below') ? 'up' : 'down';
}
