import type { Hung } from '../../kinds/suspension.ts';
import type { Field, NumberField } from './field.ts';

/**
 * What is taken of a number while nobody has given it, at a corner that is hung so. Throws for a field of which nothing is
 * assumed: "expected an assumed value".
 */
export function assumedOf(field: NumberField, hung?: Hung): number {
  const { assumed } = field;
  if (typeof assumed === 'number') return assumed;
  if (!assumed || !hung) throw new Error('expected an assumed value, got none');
  return assumed(hung);
}

/** Whether anything is assumed of a field until it is given. */
export function hasAssumed(field: Field): field is NumberField {
  return field.type === 'number' && field.assumed !== undefined;
}

/** A value, or what is assumed of it. */
export function taken(field: NumberField, value: number | null, hung?: Hung): number {
  return value ?? assumedOf(field, hung);
}
