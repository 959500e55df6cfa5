/** What can run out. */
export type MarginKind =
  | 'thread-up'
  | 'thread-down'
  | 'droop'
  | 'bump-stop'
  | 'bump-metal'
  | 'coil'
  | 'seated'
  | 'crossover'
  | 'clearance'
  | 'height';

/** What a margin is before it is judged. */
export interface Left {
  kind: MarginKind;
  leftMm: number;
  /** The whole of which it is left, mm. */
  rangeMm: number;
  sdMm: number;
  assumed: boolean;
  name?: string;
}
