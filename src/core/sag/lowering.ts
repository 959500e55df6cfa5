import { linkageDroopShift, linkLongerFor } from '../geometry/linkage.ts';
import type { JobDocument } from '../document/types.ts';
import { cornersIn, footingOf } from '../kinds/classes/index.ts';

/** What it takes to lower a bike at both ends alike. */
export interface Lowering {
  dropMm: number;
  /** Change of the link's length, mm; null where there is no linkage, or no link that can be had does it. */
  linkMm: number | null;
  hasLinkage: boolean;
  /** How far the tubes come up through the clamps for the front to follow, along the fork. */
  tubesMm: number;
  /** Tyre to fender at full bump behind: it comes nearer by as much as the chassis comes down. */
  fenderMm: number;
}

/** A fork's rake from upright where nobody has said it, degrees: middle of the road. */
export const FORK_RAKE_DEG = 25;

/**
 * Lowering by links: the chassis comes down at the axle, the travel stays. Keeping its angle, the front has to come down
 * as much, and tubes raked by a slide by drop / cos a. Null for what does not stand on two wheels.
 */
export function loweringBy(document: JobDocument, dropMm: number): Lowering | null {
  if (footingOf(document.machine.class) !== 'bikes') return null;
  const rear = cornersIn(document).at(-1) ?? 'RW';
  const { ratioFrom } = document.corners[rear];
  const linkage = ratioFrom?.kind === 'linkage' ? ratioFrom : null;
  // Counted from the links that are on: what they lower already stays.
  const already = linkage ? linkageDroopShift(linkage) : 0;
  const to = linkage ? linkLongerFor(linkage, already + dropMm) : null;
  return {
    dropMm,
    hasLinkage: linkage !== null,
    linkMm: linkage && to !== null ? to - (linkage.linkLongerMm ?? 0) : null,
    tubesMm: dropMm / Math.cos((FORK_RAKE_DEG * Math.PI) / 180),
    fenderMm: dropMm,
  };
}
