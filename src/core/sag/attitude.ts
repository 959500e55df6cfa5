import type { Answer } from '../planning/answerShape.ts';
import { contactPoint } from '../machine/body.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf } from '../kinds/corners.ts';
import type { SagEnd } from './bench.ts';

/** How front and rear stand to each other, ridden. */
export interface Attitude {
  /** Shares of the travel used, front and rear, 0 to 1. */
  front: number;
  rear: number;
  /** Mean sag of both ends, and from axle to axle, mm. */
  frontSagMm: number;
  rearSagMm: number;
  wheelbaseMm: number;
  /** Degrees the chassis is tipped from where it stands fully extended, positive nose down. */
  noseDownDeg: number;
  verdict: 'in proportion' | 'front deep' | 'rear deep';
}

/** Shares further apart than this are out of proportion. */
const APART = 0.08;

/**
 * Attitude from the sags of both ends, now or after the plan: atan((front sag - rear sag) / wheelbase), each the mean of
 * its end. A skid's rear arm speaks for the rear.
 */
export function attitudeOf(
  { document }: Answer,
  ends: readonly SagEnd[],
  when: 'now' | 'after',
): Attitude | null {
  const of = (axle: 'front' | 'rear') => ends.filter(({ id }) => axleOf(id) === axle && id !== 'FA');
  const [fronts, rears] = [of('front'), of('rear')];
  if (fronts.length === 0 || rears.length === 0) return null;
  const sag = (some: readonly SagEnd[]) =>
    some.reduce((sum, { ridden }) => sum + (when === 'now' ? ridden.nowMm : ridden.afterMm), 0) / some.length;
  const travel = (some: readonly SagEnd[]) =>
    some.reduce((sum, { travelMm }) => sum + travelMm, 0) / some.length;
  const xs = cornersIn(document).map((id) => contactPoint(document.machine, id).x);
  const wheelbaseMm = Math.max(...xs) - Math.min(...xs);
  const [frontSagMm, rearSagMm] = [sag(fronts), sag(rears)];
  const [front, rear] = [frontSagMm / travel(fronts), rearSagMm / travel(rears)];
  return {
    front,
    rear,
    frontSagMm,
    rearSagMm,
    wheelbaseMm,
    noseDownDeg: (Math.atan2(frontSagMm - rearSagMm, wheelbaseMm) * 180) / Math.PI,
    verdict: Math.abs(front - rear) <= APART ? 'in proportion' : front > rear ? 'front deep' : 'rear deep',
  };
}
