import { quantities, type QuantityName } from './quantity.ts';
import { useStyleOf } from './useStyleOf.ts';

/** The unit of a quantity, where a column or row says it once for all its fields. */
export function UnitOf({ name }: { name: QuantityName }) {
  return quantities[name].unit(useStyleOf(name));
}
