import type { Answer } from '../planning/answerShape.ts';
import type { Situation } from '../estimate/belief.ts';
import type { CornerId } from '../kinds/corners.ts';
import { GRAVITY } from '../machine/solver.ts';

/** Weights on a wheel's pad now and after the plan, kg: as the machine that the readings allow comes to rest. */
export function padsAround(
  { machine, now, after, predictAt }: Answer,
  id: CornerId,
): { nowKg: number; afterKg: number } {
  const i = machine.corners.indexOf(id);
  const kg = (situation: Situation) => (predictAt(situation).outcome.solver.pads[i] ?? 0) / GRAVITY;
  return { nowKg: kg(now), afterKg: kg(after) };
}
