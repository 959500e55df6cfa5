/** Where somebody holds a tape, mm from where it belongs: its end along the car and up, its other end along, and the eye above the lip. */
export interface TapePlacing {
  endXMm: number;
  endZMm: number;
  topXMm: number;
  eyeMm: number;
}

/** Radius of a wheel arch, mm: its lip falls away to both sides of the top. */
const ARCH_MM = 390;
/** How far the tape stands off the lip, and the eye off the tape, mm. */
const OFF_LIP_MM = 18;
const EYE_MM = 500;

/**
 * What a tape shows from where its end is held to where it passes the lip, for a true height straight up, in mm: aslant it shows
 * more, off the top of the arch less, and an eye that is not level with the lip sees it against another mark (parallax).
 */
export function tapeShows(
  heightMm: number,
  { endXMm, endZMm, topXMm, eyeMm }: TapePlacing,
  arch: boolean,
): number {
  const fallsMm = arch ? ARCH_MM - Math.sqrt(Math.max(ARCH_MM ** 2 - topXMm ** 2, 0)) : 0;
  const lipMm = heightMm - fallsMm;
  return Math.hypot(topXMm - endXMm, lipMm - endZMm) + (OFF_LIP_MM * -eyeMm) / EYE_MM;
}
