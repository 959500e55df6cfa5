import type { Fact, JobDocument, ToldCorner, ToldPlan } from '#core/document/types.ts';
import { workOf, type Work } from '#core/estimate/rounds.ts';
import { toldOrder } from '#core/judgement/turningOrder.ts';
import type { CornerId } from '#core/kinds/corners.ts';

/** One piece of work of a told plan: a seat, a lower mount, a ring or a pressure. */
export interface WorkStep {
  id: CornerId;
  work: Work;
  asked: ToldCorner;
}

/** Every piece of work of a told plan, corner by corner in the order of turning. */
export function workSteps(document: JobDocument, told: ToldPlan): WorkStep[] {
  return toldOrder(document, told).flatMap((id) => {
    const asked = told.corners[id];
    return asked ? workOf(asked).map((work) => ({ id, work, asked })) : [];
  });
}

const placeOf = ({ id, work }: WorkStep, round: number) => ({ round, corner: id, slot: work.slot });

/** Whether a fact of that round says that the step is done. */
export function isStepDone(facts: readonly { fact: Fact }[], step: WorkStep, round: number): boolean {
  const { corner, slot } = placeOf(step, round);
  return facts.some(
    ({ fact }) =>
      fact.round === round && fact.kind === step.work.kind && fact.corner === corner && fact.slot === slot,
  );
}

/** The fact that a step was done: by how much its part went, mm; air goes as it was told, in bar. */
export function doneFact(step: WorkStep, round: number, doneMm: number): Fact {
  const { work } = step;
  const place = placeOf(step, round);
  return work.kind === 'inflated'
    ? { kind: work.kind, ...place, bar: work.bar, askedBar: work.bar }
    : { kind: work.kind, ...place, mm: doneMm, askedMm: work.mm };
}

/** What a step moves, and by how much: mm, or bar where it is air; towards the spring is positive. */
export function goesBy(work: Work): { isSeat: boolean; isMount: boolean; by: number } {
  const isSeat = work.kind === 'adjustment' || work.kind === 'inflated';
  return { isSeat, isMount: work.kind === 'mount', by: work.kind === 'inflated' ? work.bar : work.mm };
}

/** Whether a step is counted in turns: a seat on a thread; not grooves, cams, air, mounts or rings. */
export function isCounted({ work, asked }: WorkStep): boolean {
  return work.kind === 'adjustment' && asked.camTo === undefined && asked.steps === undefined;
}

/** What was counted is what was done, mm of seat the way that was told; nothing counted, and it is taken as told. */
export function countedMm(step: WorkStep, eighths: number, pitchMm: number): number {
  return isCounted(step) && eighths > 0
    ? (Math.sign(step.asked.turns) * eighths * pitchMm) / 8
    : goesBy(step.work).by;
}
