/** A point of the body that ground could touch, in the side view. */
interface SidePoint {
  name: string;
  /** mm ahead of the middle of the wheelbase, and over the ground. */
  xMm: number;
  heightMm: number;
}

/** What an angle is limited by. */
interface StanceAngle {
  deg: number;
  by: string;
}

/** Angles that ground may have before it touches; null where no point is given there. */
export interface StanceAngles {
  /** Ramp up in front of the machine. */
  approach: StanceAngle | null;
  /** Crest between the axles: both slopes together. */
  breakover: StanceAngle | null;
  /** Ramp behind it. */
  departure: StanceAngle | null;
}

export interface SideView {
  wheelbaseMm: number;
  frontRadiusMm: number;
  rearRadiusMm: number;
  points: readonly SidePoint[];
}

const DEGREES = 180 / Math.PI;

/**
 * Steepest plane, in radians, that touches a tyre of radius R and passes just under a point a ahead of its axle at height h:
 * a line at angle t tangent to the circle about (0, R) is y cos t - x sin t = R (cos t - 1); through (a, h) that is
 * a sin t + (R - h) cos t = R, so t = asin(R / sqrt(a^2 + (R - h)^2)) - atan2(R - h, a). With R = 0 it is atan(h / a). The
 * right angle where the tyre reaches further than the point.
 */
export function rampUnder(radiusMm: number, aheadMm: number, heightMm: number): number {
  const reach = Math.hypot(aheadMm, radiusMm - heightMm);
  if (aheadMm <= 0 || reach <= radiusMm) return Math.PI / 2;
  return Math.asin(radiusMm / reach) - Math.atan2(radiusMm - heightMm, aheadMm);
}

/**
 * Approach, breakover and departure of a side view. A crest touches a point between the axles where the slopes to both tyres
 * add up to it; in the middle and on tyres without size that is 2 atan(2 h / L).
 */
export function stanceAngles({ wheelbaseMm, frontRadiusMm, rearRadiusMm, points }: SideView): StanceAngles {
  const half = wheelbaseMm / 2;
  const least = (list: StanceAngle[]) =>
    list.length === 0 ? null : list.reduce((best, one) => (one.deg < best.deg ? one : best));
  const front = points.filter(({ xMm }) => xMm > half);
  const rear = points.filter(({ xMm }) => xMm < -half);
  const between = points.filter(({ xMm }) => Math.abs(xMm) < half);
  return {
    approach: least(
      front.map(({ name, xMm, heightMm }) => ({
        by: name,
        deg: DEGREES * rampUnder(frontRadiusMm, xMm - half, heightMm),
      })),
    ),
    breakover: least(
      between.map(({ name, xMm, heightMm }) => ({
        by: name,
        deg:
          DEGREES *
          (rampUnder(frontRadiusMm, half - xMm, heightMm) + rampUnder(rearRadiusMm, half + xMm, heightMm)),
      })),
    ),
    departure: least(
      rear.map(({ name, xMm, heightMm }) => ({
        by: name,
        deg: DEGREES * rampUnder(rearRadiusMm, -half - xMm, heightMm),
      })),
    ),
  };
}
