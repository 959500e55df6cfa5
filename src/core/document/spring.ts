import type { FaultList } from '../faults.ts';
import type { SpringDescription } from '../springs/spring.ts';

/** One spring as a workshop describes it. A null is "not known". */
export interface SpringDocument {
  /** What is written on it, or what the workshop calls it. */
  name: string;
  kind: 'linear' | 'table';
  /** For a linear coil. */
  rateNPerMm: number | null;
  /** For a measured one: rows of [compression mm, force N]. */
  rows: [number, number][] | null;
  freeLengthMm: number | null;
  /** Length with all coils touching. */
  solidLengthMm: number | null;
  /** A tender or helper is meant to go solid early. */
  tender: boolean;
}

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
    faults.add(`${path}.solidLengthMm`, solid, `less than the free length of ${free}`);
  const base = {
    name: spring.name,
    tender: spring.tender,
    solidMm: free !== null && solid !== null ? free - solid : null,
  };
  if (spring.kind === 'linear' && spring.rateNPerMm === null)
    faults.add(`${path}.rateNPerMm`, null, 'a rate in N/mm');
  if (spring.kind === 'table' && spring.rows === null)
    faults.add(`${path}.rows`, null, 'rows of compression in mm and force in N');
  if (faults.faults.length > before) return null;
  return spring.kind === 'linear'
    ? { ...base, kind: 'linear', rateNPerMm: spring.rateNPerMm ?? NaN }
    : { ...base, kind: 'table', rows: spring.rows ?? [] };
}
