import type { Stage } from './stages.ts';
import { wayOf } from '../adjusting/index.ts';
import { adjusterOf } from '../kinds/adjusters/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { closeFor } from '../document/checks.ts';
import type { JobDocument } from '../document/types.ts';
import { classDefaults, cornersIn } from '../kinds/classes/index.ts';

/** Where work can hurt somebody, at the step it comes up, in the order they are told. */
const steps = {
  turn: [
    'stands', 'thread', 'top-nut', 'lines', 'pinch', 'torsion', 'engagement', 'gas', 'clamps',
  ],
  'close-out': ['torque', 'alignment', 'law'],
} as const satisfies Partial<Record<Stage, readonly string[]>>; // oxfmt-ignore

export type CautionId = (typeof steps)[keyof typeof steps][number];

/** Those that hold on every machine. */
const always: readonly CautionId[] = ['stands', 'pinch', 'torque'];

/** Cautions at a step, for what this machine is and what is really moved: at these corners, or anywhere before a plan is told. */
export function cautionsAt(
  stage: Stage,
  document: JobDocument,
  moved: readonly CornerId[] = cornersIn(document),
): CautionId[] {
  const own: readonly CautionId[] = classDefaults[document.machine.class].cautions;
  const fitted = moved.flatMap((id): readonly CautionId[] => {
    const { fitting, gas } = document.corners[id];
    const { cautions } = wayOf(document.corners[id]);
    return [...adjusterOf(fitting).cautions, ...cautions, ...(gas === null ? [] : (['gas'] as const))];
  });
  const told: readonly CautionId[] = stage === 'turn' || stage === 'close-out' ? steps[stage] : [];
  // A skid set alone has nothing that is aligned.
  const idle = closeFor(document).includes('alignment') ? null : 'alignment';
  return told.filter((id) => id !== idle && [always, own, fitted].some((some) => some.includes(id)));
}
