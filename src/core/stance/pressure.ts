import { cornerKg } from '../estimate/believed.ts';
import { classDefaults } from '../kinds/classes/index.ts';
import { GRAVITY } from '../machine/solver.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { JobDocument } from '../document/types.ts';

/** share of a tyre's rate that its carcass has without any pressure; the rest grows with the pressure. */
const CARCASS_SHARE = 0.25;

/**
 * mm that a wheel stands higher over the ground with this pressure than with the one wanted; negative lower. A tyre of rate k
 * under a load F is squeezed F / k, and of k the carcass has a share c and the air the rest: k(p) = k (c + (1 - c) p / p0).
 * An estimate: the share is a usual one.
 */
export function pressureLifts(document: JobDocument, id: CornerId, bar: number): number | null {
  const { tyreBar, tyreRateNPerMm } = document.corners[id];
  if (tyreBar === null) return null;
  const rate = tyreRateNPerMm ?? classDefaults[document.machine.class].tyreRateNPerMm;
  const squeezedMm = (cornerKg(document, id) * GRAVITY) / rate;
  return squeezedMm - squeezedMm / (CARCASS_SHARE + ((1 - CARCASS_SHARE) * bar) / tyreBar);
}
