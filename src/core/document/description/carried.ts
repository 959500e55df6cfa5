import { blankOf } from './blank.ts';
import type { ChangedKeys, Fields, Place, Value } from './field.ts';

/** What each field that turning and the heights since have changed has become. */
export type Changed<F> = { [K in ChangedKeys<F>]: Value<F[K]> };

/** The values that the next job on the same machine starts with. */
export function carriedOver<const F extends Fields>(
  fields: F,
  values: { [K in keyof F]: unknown },
  changed: Changed<F>,
  place: Place,
): { [K in keyof F]: unknown } {
  return Object.fromEntries(
    Object.entries(fields).map(([key, field]) => {
      switch (field.next) {
        case 'blank':
          return [key, blankOf(field, place)];
        case 'as-now':
          return [key, (changed as Record<string, unknown>)[key]];
        default:
          return [key, values[key]];
      }
    }),
  ) as { [K in keyof F]: unknown };
}
