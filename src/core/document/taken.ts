import type { RatioDescription } from '../geometry/ratioMap.ts';
import type { AirDescription } from '../springs/air.ts';
import { torsionArc, type TorsionDescription } from '../springs/torsion.ts';
import { taken } from './description/assumed.ts';
import * as part from './description/parts.ts';
import { bar as barField } from './description/job.ts';
import type { AirDocument, BarDocument, CornerDocument, RatioDocument, TorsionDocument } from './types.ts';

/** Torsion springs as they are worked with: what was given, and what is taken for what was not. */
export function torsionTaken(torsion: TorsionDocument, rateNMmPerDeg: number): TorsionDescription {
  return {
    ...torsion,
    rateNMmPerDeg: torsion.rateNMmPerDeg ?? rateNMmPerDeg,
    leverMm: leverTaken(torsion),
    camDegrees: camDegrees(torsion),
  };
}

/** mm from the spring's centre to where its leg presses: given or assumed. */
function leverTaken({ leverMm }: TorsionDocument): number {
  return taken(part.torsion.fields.leverMm, leverMm);
}

/** What each cam position winds the leg by, mm at its end. */
export function camArcs(torsion: TorsionDocument): number[] {
  const leverMm = leverTaken(torsion);
  return camDegrees(torsion).map((degrees) => torsionArc({ leverMm }, degrees));
}

/** Degrees at every place of a cam: as given, or as they mostly are, with halves between them where it has those. */
export function camDegrees({ camDegrees: given, halves }: TorsionDocument): readonly number[] {
  return given ?? withHalves(halves, part.torsion.fields.camDegrees.assumed ?? []);
}

/** Numbered positions with halves between them, where a cam has those. */
export const withHalves = (halves: boolean, degrees: readonly number[]): number[] =>
  degrees.flatMap((one, k) => {
    const before = degrees[k - 1];
    return halves && before !== undefined ? [Math.round(5 * (one + before)) / 10, one] : [one];
  });

/** What is written beside a cam's place, counted from 0: numbers from 1, with halves between them where it has those. */
export function camPosition(torsion: Pick<TorsionDocument, 'halves'> | null, place: number): number {
  return 1 + place / (torsion?.halves ? 2 : 1);
}

/** Whether torsion springs push by figures that nobody has given. */
export function isTorsionAssumed({ rateNMmPerDeg, leverMm }: TorsionDocument): boolean {
  return rateNMmPerDeg === null || leverMm === null;
}

/** dimensionless. A chamber nobody measured holds at least so many times what the whole stroke pushes out of it. */
const LEAST_CHAMBER = 1.3;

/**
 * An air spring as it is worked with: what was given, and usual figures for what was not. `strokeMm` is its whole stroke: a
 * chamber that is only assumed is never used up by it.
 */
export function airTaken(air: AirDocument, strokeMm = 0): AirDescription {
  const { gaugeBar, volumeCm3, areaMm2 } = part.air.fields;
  const area = taken(areaMm2, air.areaMm2);
  const leastCm3 = (LEAST_CHAMBER * area * strokeMm) / 1000 - (air.second?.volumeCm3 ?? 0);
  return {
    ...air,
    gaugeBar: taken(gaugeBar, air.gaugeBar),
    volumeCm3: air.volumeCm3 ?? Math.max(taken(volumeCm3, null), leastCm3),
    areaMm2: area,
  };
}

/** Whether an air spring pushes by figures that nobody has given. */
export function isAirAssumed({ gaugeBar, volumeCm3, areaMm2 }: AirDocument): boolean {
  return gaugeBar === null || volumeCm3 === null || areaMm2 === null;
}

/**
 * Whether where a cam stands or what its positions do, or what an air spring is filled to, is only assumed, after its seat
 * has gone so far (mm, or steps of pressure): once it was set it stands where it was set to.
 */
export function isPlaceAssumed(
  { torsion, cam, air }: Pick<CornerDocument, 'torsion' | 'cam' | 'air'>,
  seatBy: number,
): boolean {
  if (torsion) return (cam === null && seatBy === 0) || areAnglesAssumed(torsion);
  return air !== null && air.gaugeBar === null && seatBy === 0;
}

/** Whether what a cam's positions wind up is only assumed. */
export function areAnglesAssumed({ camDegrees: degrees, leverMm }: TorsionDocument): boolean {
  return degrees === null || leverMm === null;
}

/** Where a ratio comes from, as it is worked with. */
export function ratioTaken(ratio: RatioDocument): RatioDescription {
  if (ratio.kind !== 'levers') return ratio;
  const { damperAngleDeg } = part.ratioFrom.of.levers;
  return { ...ratio, damperAngleDeg: taken(damperAngleDeg, ratio.damperAngleDeg) };
}

/** N per mm of difference between left and right that a bar makes, given or assumed. */
export function barRate({ rateNPerMm }: BarDocument): number {
  return taken(barField.fields.rateNPerMm, rateNPerMm);
}
