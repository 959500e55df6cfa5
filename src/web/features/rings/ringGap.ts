import { placeRing, ringPlaces, type RingWish } from '#core/lab/rings.ts';
import { benchOf, type Bench } from '#core/lab/setup.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { Job } from '../../jobStore/useJob.ts';

/** The gap wanted of a ring, set in the document. */
export function useGap(job: Job, id: CornerId, k: number, after: number) {
  const { rings } = job.record.document.corners[id];
  return (gapMm: number | null) =>
    job.actions.change(`Gap wanted, ring ${after + 1}, ${cornerNames[id]}`, [
      ['corners', id, 'rings'],
      rings.map((one, j) => (j === k ? { ...one, gapMm } : one)),
    ]);
}

/** Gap in mm, to the half, that a wish comes to at ride height; null where it cannot be worked out. */
export function gapFor(bench: Bench, k: number, wish: RingWish): number | null {
  const there = benchOf(placeRing(bench, k, wish));
  const gapMm = there.ok ? ringPlaces(there.value, k).gapMm : NaN;
  return Number.isFinite(gapMm) ? Math.max(Math.round(2 * gapMm) / 2, 0) : null;
}
