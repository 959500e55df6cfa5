import type { Answer } from '../planning/answerShape.ts';
import { stanceAngles, type StanceAngles } from './angles.ts';
import { lowPoints, type LowPoint } from './lowPoints.ts';
import { wheelbaseOf } from './body.ts';

/** What a tyre is taken for where nobody has measured it, mm of radius. */
export const USUAL_RADIUS_MM = 315;

/** Angles of the ground that the machine passes after the plan, or with its heights otherwise. */
export function anglesAfter(
  answer: Answer,
  heightOf: (point: LowPoint) => number = ({ afterMm }) => afterMm,
  tyres: 'tyreMm' | 'nextTyreMm' = 'tyreMm',
): StanceAngles {
  const { stance } = answer.document;
  const radius = (axle: 'front' | 'rear') =>
    (stance[tyres][axle] ?? stance.tyreMm[axle] ?? 2 * USUAL_RADIUS_MM) / 2;
  return stanceAngles({
    wheelbaseMm: wheelbaseOf(answer),
    frontRadiusMm: radius('front'),
    rearRadiusMm: radius('rear'),
    points: lowPoints(answer).map((point) => ({
      name: point.name,
      xMm: point.xMm,
      heightMm: heightOf(point),
    })),
  });
}
