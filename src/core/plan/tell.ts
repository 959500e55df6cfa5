import { blankFact } from '../job/facts.ts';
import type { Fact, ToldPlan } from '../job/types.ts';
import type { Answer } from './answer.ts';

/** The plan as told, to be kept as a dated record: what was asked and what was expected of it. */
export function toldPlan(answer: Answer): ToldPlan {
  const corners = answer.corners.map((corner) => [
    corner.id,
    {
      seatMm: corner.seatMm,
      turns: corner.turns,
      stopAtMm: corner.stopAtMm,
      ...(corner.mount ? { mountMm: corner.mountMm } : {}),
      ...(corner.rings.length > 0 ? { ringsMm: corner.rings.map(({ moveMm }) => moveMm) } : {}),
      ...(corner.cam ? { camTo: corner.cam.after } : {}),
      ...(corner.steps === null ? {} : { steps: corner.steps }),
      ...(corner.airBar ? { airToBar: corner.airBar.after } : {}),
      heightMm: corner.predictedMm,
      heightSdMm: corner.predictedSdMm,
    },
  ]);
  return { corners: Object.fromEntries(corners), chance: answer.chanceAfter ?? 0 };
}

/** The fact that records a told plan for the round after the current one. */
export function planFact(answer: Answer): Fact {
  const round = answer.state.current + 1;
  return { ...blankFact({ kind: 'plan', round, corner: null, slot: 'plan' }), told: toldPlan(answer) };
}
