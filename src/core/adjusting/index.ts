import type { CornerDocument } from '../document/types.ts';
import type { Going } from '../kinds/adjusters/adjuster.ts';
import { positions } from './positions.ts';
import { pressure } from './pressure.ts';
import { steps } from './steps.ts';
import { thread } from './thread.ts';
import type { Way } from './way.ts';

/** Every way a seat goes, as the kinds of adjusters name them. */
const ways = { thread, steps, positions, pressure } satisfies Record<Exclude<Going['by'], 'nothing'>, Way>;
export type WayName = keyof typeof ways;

/** How a corner's own adjuster goes: by what it has in place of coils, else in steps where somebody gave their height. */
export function wayNamed({ torsion, air, stepMm }: CornerDocument): WayName {
  if (torsion) return 'positions';
  if (air) return 'pressure';
  return stepMm === null ? 'thread' : 'steps';
}

/** Everything that hangs on how a corner's own adjuster goes. */
export function wayOf(corner: CornerDocument): Way {
  return ways[wayNamed(corner)];
}
