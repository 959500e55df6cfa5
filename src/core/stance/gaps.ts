import type { Answer } from '../planning/answerShape.ts';
import type { CornerId } from '../kinds/corners.ts';
import { axleOf } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { Situation } from '../estimate/belief.ts';
import type { Axle } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import { baselineOf } from './body.ts';
import { radiusAdded } from './tyres.ts';

/** Tyre to arch over one wheel at one time, mm. */
interface GapState {
  /** What is left of the height over the tyre. */
  mm: number;
  /** Hub or ground to arch, and what of it the tyre takes: its radius, or its diameter less what it is squeezed by. */
  heightMm: number;
  tyreTakesMm: number;
}

/** Tyre to arch over one wheel. */
export interface WheelGap {
  id: CornerId;
  /** What the height is measured from. */
  from: 'hub' | 'ground';
  before: GapState;
  now: GapState;
  after: GapState;
  /** After the plan with the tyres to go on, mm. */
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
    const [was, is, becomes] = [before(id), here(id), then(id)];
    if (!was || !is || !becomes) return [];
    const from = document.corners[id].reference.kind === 'hub-arch' ? 'hub' : 'ground';
    const onNextTyresMm = becomes.mm - radiusAdded(document, axleOf(id));
    return [{ id, from, before: was, now: is, after: becomes, onNextTyresMm }];
  });
}

function gapsIn({ document, corners, machine, predictAt }: Answer, situation: Situation) {
  const { mean, outcome } = predictAt(situation);
  return (id: CornerId): GapState | null => {
    const diameterMm = document.stance.tyreMm[axleOf(id)];
    const heightMm = mean[corners.findIndex((corner) => corner.id === id)];
    if (diameterMm === null || heightMm === undefined) return null;
    const gap = (tyreTakesMm: number) => ({ mm: heightMm - tyreTakesMm, heightMm, tyreTakesMm });
    const { kind } = document.corners[id].reference;
    if (kind === 'hub-arch') return gap(diameterMm / 2);
    if (kind !== 'ground-arch') return null;
    const i = machine.corners.indexOf(id);
    const squeezeMm = (outcome.solver.pads[i] ?? 0) / (outcome.solver.tyreRates[i] ?? 1);
    return gap(diameterMm - squeezeMm);
  };
}

/** Rear less front at like points at one time. */
interface RakeState {
  mm: number;
  /** Nose down positive, over the wheelbase. */
  deg: number;
  /** Mean heights. */
  frontMm: number;
  rearMm: number;
}

export interface Rake {
  now: RakeState;
  after: RakeState;
}

/** Rake at the reference points, now and after the plan; null where front and rear are measured in unlike ways. */
export function rakeOf(answer: Answer, wheelbaseMm: number): Rake | null {
  const { document, corners } = answer;
  const at = (axle: Axle) => corners.filter(({ id }) => axleOf(id) === axle);
  const kinds = new Set(cornersIn(document).map((id) => document.corners[id].reference.kind));
  const [front, rear] = [at('front'), at('rear')];
  if (kinds.size > 1 || front.length === 0 || rear.length === 0) return null;
  const stateOf = (height: 'nowMm' | 'predictedMm'): RakeState => {
    const frontMm = meanOf(front.map((corner) => corner[height]));
    const rearMm = meanOf(rear.map((corner) => corner[height]));
    const mm = rearMm - frontMm;
    return { mm, deg: (Math.atan(mm / wheelbaseMm) * 180) / Math.PI, frontMm, rearMm };
  };
  return { now: stateOf('nowMm'), after: stateOf('predictedMm') };
}
