/**
 * Every number that is shown is one of five kinds, and says which. What somebody read is never replaced by what was worked
 * out, and a guess never looks like a fact.
 */
export type Figure = Measured | Entered | Estimated | Predicted | Assumed;

/** Read off the machine and typed. */
export interface Measured {
  kind: 'measured';
  /** Mean of the readings that count, in the core's unit. */
  value: number;
  readings: readonly number[];
  /** What was typed for each, with its unit; empty where that is not known. */
  typed: readonly string[];
  /** What the tape itself read, mm, where an offset leads from there to the point that is meant. */
  onTape?: number;
}

/** Given by somebody: a target, a rate from a sheet, a pitch. */
export interface Entered {
  kind: 'entered';
  value: number;
}

/** Worked out from measurements. `sd` is one standard deviation. */
export interface Estimated {
  kind: 'estimated';
  value: number;
  sd: number;
}

/** Expected of something not done or not measured yet. */
export interface Predicted {
  kind: 'predicted';
  value: number;
  sd: number;
}

/** The program's own guess for this class of machine. */
export interface Assumed {
  kind: 'assumed';
  value: number;
}

/** Readings as one figure: their mean, with each of them as evidence. Null where nobody has read anything. */
export function measuredOf(readings: readonly number[], typed: readonly string[] = []): Measured | null {
  if (readings.length === 0) return null;
  return {
    kind: 'measured',
    value: readings.reduce((sum, one) => sum + one, 0) / readings.length,
    readings,
    typed,
  };
}

/** How far apart repeats lie; 0 of one reading. */
export function spreadOf({ readings }: Measured): number {
  return Math.max(...readings) - Math.min(...readings);
}
