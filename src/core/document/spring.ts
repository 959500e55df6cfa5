import type { FaultList } from '../faults.ts';
import type { SpringDescription } from '../springs/spring.ts';
import type { Value } from './description/field.ts';
import type { spring } from './description/parts.ts';

/** One spring as a workshop describes it. A null is "not known". */
export type SpringDocument = Value<typeof spring>;

/** A blank linear coil. */
export const blankSpring: SpringDocument = {
  name: '',
  kind: 'linear',
  rateNPerMm: null,
  rows: null,
  freeLengthMm: null,
  solidLengthMm: null,
  tender: false,
};

/** Whether anybody has said how stiff a spring is: one that was only added counts for nothing. */
export function isSaid({ kind, rateNPerMm, rows }: SpringDocument): boolean {
  return kind === 'linear' ? rateNPerMm !== null : rows !== null;
}

/** The spring as the engine takes it; null, with faults noted, where it lacks its rate or contradicts itself. */
export function springFrom(
  path: string,
  spring: SpringDocument,
  faults: FaultList,
): SpringDescription | null {
  const before = faults.faults.length;
  const { freeLengthMm: free, solidLengthMm: solid } = spring;
  for (const [name, value] of [
    ['freeLengthMm', free],
    ['solidLengthMm', solid],
  ] as const)
    if (value !== null) faults.number(`${path}.${name}`, value, { min: 0, above: true, max: 3000 });
  if (free !== null && solid !== null && solid >= free)
    faults.add(`${path}.solidLengthMm`, solid, { be: 'below-free-length', freeLengthMm: free });
  const base = {
    name: spring.name,
    tender: spring.tender,
    solidMm: free !== null && solid !== null ? free - solid : null,
  };
  if (spring.kind === 'linear' && spring.rateNPerMm === null)
    faults.add(`${path}.rateNPerMm`, null, { be: 'a-spring-rate' });
  if (spring.kind === 'table' && spring.rows === null)
    faults.add(`${path}.rows`, null, { be: 'rows-of-the-spring' });
  if (faults.faults.length > before) return null;
  return spring.kind === 'linear'
    ? { ...base, kind: 'linear', rateNPerMm: spring.rateNPerMm ?? NaN }
    : { ...base, kind: 'table', rows: spring.rows ?? [] };
}
