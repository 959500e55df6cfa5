import { measureIn, type MeasureName } from '#core/units/measure.ts';
import { spreadOf, type Measured } from '#core/figures/figure.ts';

/** Writes a weight, rate, pressure and the like, given in the core's unit, in the reader's. */
export type Tell = (name: MeasureName, value: number) => string;

/** Writes mm in the reader's units; `tell` writes all that is no length, in metric units where it is not given. */
export interface Say {
  (mm: number): string;
  tell?: Tell;
}

/** As `Tell`, for a reader who has chosen nothing. */
export const tellMetric: Tell = (name, value) => measureIn(name, value, 'mm');

const TIMES = ['', 'once', 'twice', 'three times'];

/** How a measurement came about: "measured", "measured twice, 1 mm apart". */
export function measuredWords(figure: Measured, say: Say): string {
  const count = figure.readings.length;
  if (count === 1) return 'measured';
  const apart = spreadOf(figure);
  return `measured ${TIMES[count] ?? `${count} times`}, ${apart === 0 ? 'alike' : `${say(apart)} apart`}`;
}

/** What was typed for a measurement, where somebody typed it in the other system: "typed 14 3/4 in"; else nothing. */
export function typedOtherwise({ typed }: Measured, system: 'mm' | 'in'): string {
  const other = typed.filter((text) => text !== '' && isInches(text) !== (system === 'in'));
  return other.length === 0 ? '' : `typed ${other.join(', ')}`;
}

function isInches(text: string): boolean {
  return /in\b|["”'′]|ft\b/.test(text);
}

/** A chance as a percentage; never 0 or 100, since nothing here is certain. */
export function percent(chance: number): string {
  return `${Math.min(Math.max(Math.round(100 * chance), 1), 99)} %`;
}

/** "both ends", "all four corners", "both rear corners": the corners that a chance speaks of. */
export function cornersCounted(count: number): string {
  return (
    ['nothing', 'the one corner asked for', 'both corners', 'all three corners', 'all four corners'][count] ??
    `all ${count} corners`
  );
}
