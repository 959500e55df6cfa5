import type { Answer } from '../planning/answerShape.ts';
import type { Situation } from '../estimate/belief.ts';
import type { CornerId } from '../kinds/corners.ts';
import { extraValue } from '../planning/goals.ts';
import { padGoals } from '../planning/planning.ts';
import { spreadAt } from './spread.ts';
import { GRAVITY } from '../machine/solver.ts';

/** Spread of the weights after the plan, by place of the machine's contacts, kg: worked out once for an answer. */
const spreads = new WeakMap<Answer, number[]>();

function padSpread(answer: Answer): number[] {
  const known = spreads.get(answer);
  if (known) return known;
  const made = spreadAt(answer, answer.after, ({ solver }) =>
    answer.machine.corners.map((_, i) => (solver.pads[i] ?? 0) / GRAVITY),
  );
  spreads.set(answer, made);
  return made;
}

/** One standard deviation of what is wanted of the scales, as a share, once the plan is done. */
export function scalesSpread(answer: Answer, what: 'cross' | 'front'): number {
  const pads = padGoals(answer.machine);
  if (!pads) return 0;
  const of = what === 'front' ? pads.frontRight : pads.cross;
  const goal = { kind: 'share', ...of, target: 0, weight: 1 } as const;
  return spreadAt(answer, answer.specifiedAfter, (outcome) => [extraValue(goal, outcome)])[0] ?? 0;
}

/** One standard deviation of the weight on a wheel's pad once the plan is done, kg. */
export function padSpreadKg(answer: Answer, id: CornerId): number {
  return padSpread(answer)[answer.machine.corners.indexOf(id)] ?? 0;
}

/** Weights on a wheel's pad now and after the plan, kg: as the machine that the readings allow comes to rest. */
export function padsAround(answer: Answer, id: CornerId): { nowKg: number; afterKg: number } {
  const { machine, now, after, predictAt } = answer;
  const i = machine.corners.indexOf(id);
  const kg = (situation: Situation) => (predictAt(situation).outcome.solver.pads[i] ?? 0) / GRAVITY;
  return { nowKg: kg(now), afterKg: kg(after) };
}
