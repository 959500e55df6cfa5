import type { BootDocument } from '../document/types.ts';

/** Angle of a shaft that hangs down outwards once its inner end has risen, degrees: sin a' = sin a + rise / L. */
export function angleAfter(
  { nowDeg, shaftMm }: Pick<BootDocument, 'nowDeg' | 'shaftMm'>,
  risenMm: number,
): number {
  const sine = Math.sin((nowDeg * Math.PI) / 180) + risenMm / shaftMm;
  return (Math.asin(Math.min(Math.max(sine, -1), 1)) * 180) / Math.PI;
}
