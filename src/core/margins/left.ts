import type { SumInput } from '../calculation/types.ts';

/** What can run out. */
export type MarginKind =
  | 'thread-up'
  | 'thread-down'
  | 'droop'
  | 'bump-stop'
  | 'bump-metal'
  | 'engagement'
  | 'cam'
  | 'sag'
  | 'coil'
  | 'seated'
  | 'crossover'
  | 'ring-order'
  | 'clearance'
  | 'joint'
  | 'ground'
  | 'height';

/** What a margin is before it is judged. */
export interface Left {
  kind: MarginKind;
  leftMm: number;
  /** The whole of which it is left, mm. */
  rangeMm: number;
  sdMm: number;
  assumed: boolean;
  /** What it was worked out from; asked for only when somebody opens the sum. */
  inputs: () => SumInput[];
  name?: string | undefined;
  /** The same in turns, where it is turned. */
  turns?: number | undefined;
}
