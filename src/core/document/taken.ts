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

/** Degrees of each cam position: as given, or as they mostly are. */
export function camDegrees({ camDegrees: given }: TorsionDocument): readonly number[] {
  return given ?? part.torsion.fields.camDegrees.assumed ?? [];
}

/** Whether torsion springs push by figures that nobody has given. */
export function isTorsionAssumed({ rateNMmPerDeg, leverMm }: TorsionDocument): boolean {
  return rateNMmPerDeg === null || leverMm === null;
}

/** An air spring as it is worked with: what was given, and usual figures for what was not. */
export function airTaken(air: AirDocument): AirDescription {
  const { gaugeBar, volumeCm3, areaMm2 } = part.air.fields;
  return {
    ...air,
    gaugeBar: taken(gaugeBar, air.gaugeBar),
    volumeCm3: taken(volumeCm3, air.volumeCm3),
    areaMm2: taken(areaMm2, air.areaMm2),
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
