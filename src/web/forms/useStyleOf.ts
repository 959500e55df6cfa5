import type { MeasureName } from '#core/units/measure.ts';
import { useLengthStyle, useSettings } from '../ui/settings.ts';
import type { FieldStyle, QuantityName } from './quantity.ts';

/** How the reader writes one quantity: by its own unit where one was chosen, else by that of lengths. */
export function useStyleOf(name: QuantityName, decimals = 1): FieldStyle {
  const lengths = useLengthStyle(decimals);
  const own = useSettings((state) => state.own);
  return { ...lengths, units: own[name as MeasureName] };
}
