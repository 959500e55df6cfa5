import type { CornerId } from '../kinds/corners.ts';

/** What one corner was told, kept as it was told. */
export interface ToldCorner {
  seatMm: number;
  turns: number;
  stopAtMm: number | null;
  /** Lower mount, mm screwed out; rings, mm towards the springs, by slider. Left out where there are none. */
  mountMm?: number;
  ringsMm?: number[];
  /** Cam position to stop at, counted from 0; gauge pressure to stop at, bar. */
  camTo?: number;
  steps?: number;
  airToBar?: number;
  /** What this was to raise the corner by, mm; negative lowers. Left out in plans of older versions. */
  riseMm?: number;
  /** Height expected afterwards, as the specification states it, and its standard deviation; left out where never read. */
  heightMm?: number;
  heightSdMm?: number;
}

export interface ToldPlan {
  corners: Partial<Record<CornerId, ToldCorner>>;
  chance: number;
}
