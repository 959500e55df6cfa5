import { readWithin, type FieldStyle, type Quantity, type Range } from './quantity.ts';

interface Field {
  quantity: Quantity;
  range: Range;
  style: FieldStyle;
}

/** What leaving a field means: nothing changed, nothing wanted there, a value, or something that cannot be taken. */
export type Meant =
  | { kind: 'same'; value: number | null }
  | { kind: 'empty'; value: null }
  | { kind: 'value'; value: number }
  | { kind: 'refused'; value: null; why: string };

/**
 * What a text in a field means beside the value that stands there. A text that is just what is shown of the standing value
 * is that value, whatever rounding is in what is shown.
 */
export function meantBy(text: string, standing: number | null, { quantity, range, style }: Field): Meant {
  const typed = text.trim();
  if (standing !== null && typed === quantity.write(standing, style))
    return { kind: 'same', value: standing };
  if (typed === '') return standing === null ? { kind: 'same', value: null } : { kind: 'empty', value: null };
  const read = readWithin(typed, quantity, range, style);
  if (!read.ok) return { kind: 'refused', value: null, why: read.why };
  return read.value === standing ? { kind: 'same', value: standing } : { kind: 'value', value: read.value };
}
