import type { JobMachine } from '../estimate/believed.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { ContactEquilibrium } from '../machine/equilibrium.ts';
import { part, type Part } from './part.ts';

/**
 * What a corner's place of rest comes out of: F(x) MR and what gas and stops add carry the load W, with x = r(z) + p.
 * Figures are those of the most probable machine, so what readings have changed counts as learnt.
 */
export function restParts(
  { sources, believed, corners }: JobMachine,
  id: CornerId,
  at: ContactEquilibrium,
): Part[] {
  const source = sources[id];
  const { wheelForceN, springForceN, ratio, springRatio, preloadMm, stackMm, wheelRateNPerMm } = at;
  const apart = Math.abs(springRatio / ratio - 1) > 1e-6;
  const contact = believed.machine.contacts[corners.indexOf(id)];
  const others = wheelForceN - springForceN * springRatio;
  return [
    part('W', wheelForceN, 'force', source.load),
    part('MR', springRatio, 'ratio', 'learnt', apart ? 'spring' : 'damper'),
    part('F', springForceN, 'force', source.springs),
    ...(Math.abs(others) > 0.5 ? [part('Fg', others, 'force', 'sheet')] : []),
    ...(contact?.springs.kind === 'air'
      ? []
      : [part('p', preloadMm, 'length', source.preload), part('x', stackMm, 'length', 'computed')]),
    part('Kw', wheelRateNPerMm, 'rate', 'computed'),
  ];
}
