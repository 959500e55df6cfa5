import type { Source } from '#core/estimate/corner.ts';
import type { SumUnit } from '#core/calculation/part.ts';

export interface SumInput {
  symbol: string;
  name: string;
  value: number;
  unit: SumUnit;
  source: Source;
}

/** The derivation behind a figure: formula in words and symbols, what was put in, what came out. */
export interface Sum {
  title: string;
  words: string;
  formula: string;
  inputs: SumInput[];
  result: { value: number; unit: SumUnit };
  /** What is left over of a figure that was searched for, not worked out in one go: near nothing where it was found. */
  left?: SumInput;
  /** What the figure is good for, and what it leaves out. */
  note: string | null;
}
