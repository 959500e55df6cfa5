import type { CornerId } from '../machine/body.ts';
import { axleOf, cornersIn } from '../machine/body.ts';
import type { Situation } from '../learn/belief.ts';
import type { Axle } from '../machine/classes.ts';
import type { Answer } from '../plan/answer.ts';
import { meanOf } from '../numerics/mean.ts';
import { baselineOf } from './body.ts';
import { radiusAdded } from './tyres.ts';

/** Tyre to arch over one wheel, mm. */
export interface WheelGap {
  id: CornerId;
  beforeMm: number;
  nowMm: number;
  afterMm: number;
  /** After the plan with the tyres to go on. */
  onNextTyresMm: number;
}

/**
 * Gaps over the wheels that can be told: hub to arch less the tyre's radius; ground to arch less its diameter and what it is
 * squeezed by. A chassis point or a rim's edge says nothing of the arch. None without measured tyres.
 */
export function wheelGaps(answer: Answer): WheelGap[] {
  const { document, now, after } = answer;
  const gapIn = (situation: Situation) => gapsIn(answer, situation);
  const [before, here, then] = [gapIn(baselineOf(answer)), gapIn(now), gapIn(after)];
  return answer.corners.flatMap(({ id }): WheelGap[] => {
    const [beforeMm, nowMm, afterMm] = [before(id), here(id), then(id)];
    if (beforeMm === null || nowMm === null || afterMm === null) return [];
    return [{ id, beforeMm, nowMm, afterMm, onNextTyresMm: afterMm - radiusAdded(document, axleOf(id)) }];
  });
}

function gapsIn({ document, corners, machine, predictAt }: Answer, situation: Situation) {
  const { mean, outcome } = predictAt(situation);
  return (id: CornerId): number | null => {
    const diameterMm = document.stance.tyreMm[axleOf(id)];
    const heightMm = mean[corners.findIndex((corner) => corner.id === id)];
    if (diameterMm === null || heightMm === undefined) return null;
    const { kind } = document.corners[id].reference;
    if (kind === 'hub-arch') return heightMm - diameterMm / 2;
    if (kind !== 'ground-arch') return null;
    const i = machine.corners.indexOf(id);
    const squeezeMm = (outcome.solver.pads[i] ?? 0) / (outcome.solver.tyreRates[i] ?? 1);
    return heightMm - (diameterMm - squeezeMm);
  };
}

/** Rear less front at like points, mm, now and after the plan; null where front and rear are measured in unlike ways. */
export interface Rake {
  nowMm: number;
  afterMm: number;
  /** Mean heights after the plan. */
  frontMm: number;
  rearMm: number;
  /** Degrees, nose down positive, over the wheelbase. */
  nowDeg: number;
  afterDeg: number;
}

/** Rake at the reference points. */
export function rakeOf(answer: Answer, wheelbaseMm: number): Rake | null {
  const { document, corners } = answer;
  const at = (axle: Axle) => corners.filter(({ id }) => axleOf(id) === axle);
  const kinds = new Set(cornersIn(document).map((id) => document.corners[id].reference.kind));
  const [front, rear] = [at('front'), at('rear')];
  if (kinds.size > 1 || front.length === 0 || rear.length === 0) return null;
  const nowMm = meanOf(rear.map((one) => one.nowMm)) - meanOf(front.map((one) => one.nowMm));
  const frontMm = meanOf(front.map((one) => one.predictedMm));
  const rearMm = meanOf(rear.map((one) => one.predictedMm));
  const afterMm = rearMm - frontMm;
  const degrees = (mm: number) => (Math.atan(mm / wheelbaseMm) * 180) / Math.PI;
  return { nowMm, afterMm, frontMm, rearMm, nowDeg: degrees(nowMm), afterDeg: degrees(afterMm) };
}
