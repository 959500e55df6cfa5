import type { CornerDocument } from '../document/types.ts';
import type { CornerSpec } from '../estimate/corner.ts';
import type { WayCaution } from '../kinds/seeTo.ts';
import type { Steps, ThreadRoom } from './limits.ts';

/** The fields of a corner that say where its own adjuster stands. */
type Place = Pick<CornerDocument, 'preloadMm' | 'cam' | 'air'>;

/** A corner's own adjuster as it stands. */
export interface Standing {
  corner: CornerDocument;
  spec: CornerSpec;
  collarMm: number | null;
  /** What it has gone by since the baseline, in its own count: mm of seat, or steps of pressure. */
  seatBy: number;
}

/** A move as it is told, each way of going by its own figures; what does not belong to it is null. */
export interface ToldMove {
  turns: number;
  /** Whole steps; null where it does not go in steps. */
  steps: number | null;
  /** What its collar then reads, mm; null where that was never read. */
  stopAtMm: number | null;
  /** Position now and after, counted from 0. */
  cam: { now: number; after: number } | null;
  /** Gauge pressure now and after, bar. */
  airBar: { now: number; after: number } | null;
}

/** Everything that hangs on the way an adjuster goes, whatever the adjuster is. Counts are mm of seat, or steps of pressure. */
export interface Way {
  /** How far it can go from where it stands. */
  room: (standing: Standing) => ThreadRoom;
  /** The steps it goes in, and the moves that alone can be had. */
  steps: (standing: Standing) => Steps;
  /** What "one more" of it is: its next position, a step, a turn, a tenth of a bar. */
  oneMore: (standing: Standing) => number;
  /** A move of so much as it is told. */
  told: (standing: Standing, by: number) => ToldMove;
  /** Where the corner's adjuster stands, for the next job to begin with. */
  carried: (standing: Pick<Standing, 'corner' | 'seatBy'>) => Place;
  /** Where work on it can hurt somebody, whatever adjuster was picked for it. */
  cautions: readonly WayCaution[];
  /** Whether preload is counted by its collar or its room, so that a spring cannot be judged without either. */
  preloadByCollar: boolean;
}

/** What a move is told by where neither collar, position nor pressure has a part in it. */
export const untold: ToldMove = { turns: 0, steps: null, stopAtMm: null, cam: null, airBar: null };
