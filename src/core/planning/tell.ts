import { plannedMoves, type Answer } from './answerShape.ts';
import type { Fact, ToldCorner, ToldPlan } from '../document/types.ts';
import type { CornerAnswer, CornerMove } from './cornerAnswer.ts';

/** The plan as told, to be kept as a dated record: what was asked and what was expected of it. */
export function toldPlan(answer: Answer): ToldPlan {
  const heights = new Map(answer.corners.map((corner) => [corner.id, corner]));
  const corners = plannedMoves(answer).map((corner) => [
    corner.id,
    {
      ...seatToldBy(corner),
      stopAtMm: corner.stopAtMm,
      ...(corner.mount ? { mountMm: corner.mountMm } : {}),
      ...(corner.rings.length > 0 ? { ringsMm: corner.rings.map(({ moveMm }) => moveMm) } : {}),
      ...(corner.cam ? { camTo: corner.cam.after } : {}),
      ...(corner.steps === null ? {} : { steps: corner.steps }),
      riseMm: corner.riseMm,
      ...expectedOf(heights.get(corner.id)),
    },
  ]);
  return { corners: Object.fromEntries(corners), chance: answer.chanceAfter ?? 0 };
}

function seatToldBy({
  airBar,
  seatBy,
  turns,
}: CornerMove): Pick<ToldCorner, 'seatMm' | 'turns' | 'airToBar' | 'airByBar'> {
  return airBar
    ? { seatMm: 0, turns: 0, airToBar: airBar.after, airByBar: airBar.after - airBar.now }
    : { seatMm: seatBy, turns };
}

function expectedOf(corner: CornerAnswer | undefined): Pick<ToldCorner, 'heightMm' | 'heightSdMm'> {
  return corner ? { heightMm: corner.predictedMm, heightSdMm: corner.predictedSdMm } : {};
}

/** The fact that records a told plan for the round after the current one. */
export function planFact(answer: Answer): Fact<'plan'> {
  const round = answer.state.current + 1;
  return { kind: 'plan', round, corner: null, slot: 'plan', told: toldPlan(answer) };
}
