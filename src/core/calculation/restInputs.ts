import type { JobMachine } from '../estimate/believed.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { ContactEquilibrium } from '../machine/equilibrium.ts';
import type { MachineSolver } from '../machine/solver.ts';
import { input } from './input.ts';
import type { SumInput } from './types.ts';

/**
 * What a corner's place of rest comes out of: F(x) MR and what gas and stops add carry the load W, with x = r(z) + p.
 * Figures are those of the most probable machine, so what readings have changed counts as learnt.
 */
export function restInputs(
  { sources, believed, corners }: JobMachine,
  id: CornerId,
  at: ContactEquilibrium,
): SumInput[] {
  const source = sources[id];
  const { wheelForceN, springForceN, ratio, springRatio, preloadMm, stackMm, wheelRateNPerMm } = at;
  const apart = Math.abs(springRatio / ratio - 1) > 1e-6;
  const contact = believed.machine.contacts[corners.indexOf(id)];
  const others = wheelForceN - springForceN * springRatio;
  return [
    input('W', 'load that the suspension carries here', wheelForceN, 'force', source.load),
    input('MR', `${apart ? 'spring' : 'damper'} per wheel here`, springRatio, 'ratio', 'learnt'),
    input('F', 'spring force', springForceN, 'force', source.springs),
    ...(Math.abs(others) > 0.5 ? [input('Fg', 'gas and stop, at the wheel', others, 'force', 'sheet')] : []),
    ...(contact?.springs.kind === 'air'
      ? []
      : [
          input('p', 'preload at full droop', preloadMm, 'length', source.preload),
          input('x', 'compression of the springs', stackMm, 'length', 'computed'),
        ]),
    input('Kw', 'wheel rate here', wheelRateNPerMm, 'rate', 'computed'),
  ];
}

/** What is left over where the machine came to rest: the greatest force on anything that is free to move. */
export function leftAtRest(solver: MachineSolver): SumInput {
  return leftOver(solver.freeResidual());
}

/** So many N left over where nothing should be. */
export function leftOver(newtons: number): SumInput {
  return input('left over', 'greatest force not balanced anywhere', newtons, 'force', 'computed');
}
