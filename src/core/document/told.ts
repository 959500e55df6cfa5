import { AIR_STEP_BAR } from '../springs/air.ts';
import type { CornerId } from '../kinds/corners.ts';

/** What one corner was told, kept as it was told. */
export interface ToldCorner {
  /** 0 where it goes by pressure. */
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
  /** bar to be pumped up by, negative let down. */
  airByBar?: number;
  /** What this was to raise the corner by, mm; negative lowers. Left out in plans of older versions. */
  riseMm?: number;
  /** Height expected afterwards, as the sheet states it, and its standard deviation; left out where never read. */
  heightMm?: number;
  heightSdMm?: number;
}

/** What the corner's own adjuster is told to go by: mm of seat, or tenths of a bar of air. */
export function toldSeatBy({ seatMm, airByBar }: ToldCorner): number {
  return airByBar === undefined ? seatMm : airByBar / AIR_STEP_BAR;
}

export interface ToldPlan {
  corners: Partial<Record<CornerId, ToldCorner>>;
  chance: number;
}
