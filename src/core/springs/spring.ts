import type { FaultList } from '../faults.ts';

/** One spring of a stack, as described. */
export type SpringDescription = {
  /** What the workshop calls it. */
  name?: string | undefined;
  /** Compression at which its coils touch, mm: free minus solid length. Null where unknown: it never binds. */
  solidMm: number | null;
  /** A tender or helper is meant to be solid under static load. */
  tender?: boolean | undefined;
} & (
  | { kind: 'linear'; rateNPerMm: number }
  /** Measured rows of [compression mm, force N], both growing; straight between rows, last rate kept beyond. */
  | { kind: 'table'; rows: readonly (readonly [number, number])[] }
);

/** Force against compression as straight pieces: knots from (0, 0) on, and the rate that leaves the last one. */
export interface SpringCurve {
  compressionMm: number[];
  forceN: number[];
  lastRateNPerMm: number;
  solidMm: number;
}

/** Checks one spring; faults go on the list. */
export function checkSpring(path: string, spring: SpringDescription, faults: FaultList): void {
  if (spring.kind === 'linear') {
    faults.number(`${path}.rateNPerMm`, spring.rateNPerMm, { min: 0, above: true, max: 1e5 });
  } else if (spring.kind === 'table') {
    faults.growing(`${path}.rows`, spring.rows, 'compression-force');
  } else {
    faults.add(`${path}.kind`, (spring as { kind: unknown }).kind, {
      be: 'one-of',
      values: ['linear', 'table'],
    });
  }
  if (spring.solidMm !== null)
    faults.number(`${path}.solidMm`, spring.solidMm, { min: 0, above: true, max: 5000 });
}

/** The curve of one checked spring, its forces multiplied by `scale` (for a spring off its label). */
export function springCurve(spring: SpringDescription, scale = 1): SpringCurve {
  const solidMm = spring.solidMm ?? Infinity;
  if (spring.kind === 'linear')
    return { compressionMm: [0], forceN: [0], lastRateNPerMm: spring.rateNPerMm * scale, solidMm };
  const [firstMm, firstN] = spring.rows[0] as readonly [number, number];
  // A table that starts above the origin is joined to it.
  const rows = firstMm > 0 && firstN > 0 ? [[0, 0] as const, ...spring.rows] : spring.rows;
  const [before, last] = rows.slice(-2) as [readonly [number, number], readonly [number, number]];
  return {
    compressionMm: rows.map(([mm]) => mm),
    forceN: rows.map(([, n]) => n * scale),
    lastRateNPerMm: ((last[1] - before[1]) / (last[0] - before[0])) * scale,
    solidMm,
  };
}
