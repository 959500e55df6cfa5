import type { JobMachine } from '../job/believed.ts';
import type { CornerId } from '../machine/body.ts';
import type { ContactEquilibrium } from '../machine/equilibrium.ts';
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
  const { wheelForceN, springForceN, ratio, preloadMm, stackMm, wheelRateNPerMm } = at;
  const contact = believed.machine.contacts[corners.indexOf(id)];
  const others = wheelForceN - springForceN * ratio;
  return [
    input('W', 'load that the suspension carries here', wheelForceN, 'force', source.load),
    input('MR', 'damper per wheel here', ratio, 'ratio', 'learnt'),
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
