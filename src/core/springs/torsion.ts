import type { FaultList } from '../faults.ts';
import type { StackDescription } from './stack.ts';

/** Places of a cam at most: twelve numbered ones with halves between them. */
export const mostCams = 23;

/** Torsion springs with a cam, as on a skid's rear arm. */
export interface TorsionDescription {
  /** Torque of one spring per degree, N mm. */
  rateNMmPerDeg: number;
  /** How many work side by side. */
  count: number;
  /** Lever from the spring's centre to where its leg presses, mm. */
  leverMm: number;
  /** Degrees of twist at full droop in each cam position, growing. */
  camDegrees: readonly number[];
  /** Degrees of twist at which it must not be wound further; null where unknown. */
  mostDegrees: number | null;
}

const RADIANS = Math.PI / 180;

/** Checks a torsion spring. */
export function checkTorsion(path: string, torsion: TorsionDescription, faults: FaultList): void {
  faults.number(`${path}.rateNMmPerDeg`, torsion.rateNMmPerDeg, { min: 0, above: true, max: 1e6 });
  faults.number(`${path}.leverMm`, torsion.leverMm, { min: 0, above: true, max: 2000 });
  if (![1, 2].includes(torsion.count))
    faults.add(`${path}.count`, torsion.count, { be: 'count', of: 'springs', least: 1, most: 2 });
  if (torsion.camDegrees.length < 1 || torsion.camDegrees.length > mostCams)
    faults.add(`${path}.camDegrees`, torsion.camDegrees, {
      be: 'count',
      of: 'cam positions',
      least: 1,
      most: mostCams,
    });
  torsion.camDegrees.forEach((degrees, i) =>
    faults.number(`${path}.camDegrees[${i}]`, degrees, { min: torsion.camDegrees[i - 1] ?? 0, max: 360 }),
  );
  if (torsion.mostDegrees !== null)
    faults.number(`${path}.mostDegrees`, torsion.mostDegrees, { min: 0, above: true, max: 720 });
}

/**
 * The coil that does the same at the leg's end: an arc of x mm is x / L radians, so k = c (180/pi) / L^2 N/mm
 * for c N mm per degree and lever L.
 */
export function torsionAsStack(torsion: TorsionDescription): StackDescription {
  const rateNPerMm = (torsion.count * torsion.rateNMmPerDeg) / RADIANS / torsion.leverMm ** 2;
  const solidMm = torsion.mostDegrees === null ? null : torsionArc(torsion, torsion.mostDegrees);
  return { springs: [{ kind: 'linear', rateNPerMm, solidMm }], rings: [] };
}

/** N mm per degree of one of `count` springs that together press the leg's end like a coil of so many N/mm. */
export function torsionRate(
  { count, leverMm }: Pick<TorsionDescription, 'count' | 'leverMm'>,
  rateNPerMm: number,
): number {
  return (rateNPerMm * RADIANS * leverMm ** 2) / count;
}

/** mm at the leg's end for a twist in degrees: what a cam position adds as preload. */
export function torsionArc({ leverMm }: Pick<TorsionDescription, 'leverMm'>, degrees: number): number {
  return degrees * RADIANS * leverMm;
}
