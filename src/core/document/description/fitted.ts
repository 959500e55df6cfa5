import type { Fields } from './field.ts';

/** The fields that say what is fitted: those left out of a description that contradicts itself. */
export function fittedFields<F extends Fields>(fields: F): (keyof F & string)[] {
  return Object.entries(fields)
    .filter(([, field]) => field.fitted)
    .map(([key]) => key);
}
