import { bumpMetal, bumpStop } from './bump.ts';
import { cam } from './cam.ts';
import { clearance } from './clearance.ts';
import { coil } from './coil.ts';
import { crossover } from './crossover.ts';
import { damperClosed, damperOpen } from './damper.ts';
import { droop } from './droop.ts';
import { engagement } from './engagement.ts';
import { ground } from './ground.ts';
import { height } from './height.ts';
import { joint } from './joint.ts';
import type { LoadMargin, StandingMargin } from './margin.ts';
import { ringOrder } from './ringOrder.ts';
import { sag } from './sag.ts';
import { seated } from './seated.ts';
import { threadDown, threadUp } from './thread.ts';

/** Everything that can run out. */
export const marginKinds = {
  droop,
  'bump-stop': bumpStop,
  'bump-metal': bumpMetal,
  'damper-open': damperOpen,
  'damper-closed': damperClosed,
  coil,
  seated,
  crossover,
  'ring-order': ringOrder,
  clearance,
  joint,
  ground,
  'thread-up': threadUp,
  'thread-down': threadDown,
  engagement,
  cam,
  sag,
  height,
} as const satisfies Record<string, LoadMargin | StandingMargin>;

export type MarginKind = keyof typeof marginKinds;
