import type { CornerDocument } from '#core/job/types.ts';

export type AdjusterKind = 'seat' | 'mount' | 'cam' | 'air' | 'fixed';

export const adjusterWords: Record<AdjusterKind, string> = {
  seat: 'seat collar',
  mount: 'seat and lower mount',
  cam: 'torsion spring, cam',
  air: 'air pressure',
  fixed: 'fixed, nothing turns',
};

/** What of a corner can be moved, as it is described. */
export function adjusterOf({ adjustable, torsion, air, mount }: CornerDocument): AdjusterKind {
  if (!adjustable) return 'fixed';
  if (torsion) return 'cam';
  if (air) return 'air';
  return mount ? 'mount' : 'seat';
}

type Fields = Pick<CornerDocument, 'adjustable' | 'torsion' | 'cam' | 'air' | 'mount'>;

/** What changes in a corner's description when another kind is chosen: middle-of-the-road figures to type over. */
export function adjusterFields(kind: AdjusterKind): Fields {
  const none: Fields = { adjustable: kind !== 'fixed', torsion: null, cam: null, air: null, mount: null };
  switch (kind) {
    case 'mount':
      return {
        ...none,
        mount: { pitchMm: 2, threadMm: null, engagedMm: null, leastMm: null, mostMm: null },
      };
    case 'cam':
      return {
        ...none,
        cam: 0,
        torsion: {
          rateNMmPerDeg: 1800,
          count: 2,
          leverMm: 120,
          camDegrees: [20, 30, 40, 50],
          mostDegrees: null,
        },
      };
    case 'air':
      return {
        ...none,
        air: { gaugeBar: 4, volumeCm3: 220, areaMm2: 1000, exponent: 1.1, second: null },
      };
    default:
      return none;
  }
}
