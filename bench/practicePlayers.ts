import { answerFor } from '#core/planning/answer.ts';
import { nextAction } from '#core/judgement/nextAction.ts';
import { isOf, standingFacts } from '#core/document/facts.ts';
import type { JobRecord } from '#core/document/types.ts';
import { cornersIn, type MachineClass } from '#core/kinds/classes/index.ts';
import { axleOf, type Axle, type CornerId } from '#core/kinds/corners.ts';
import type { PracticeTruth } from '../src/practice/truth.ts';
import type { PracticePlayer } from './practiceTrial.ts';

/** What a hand takes each class to have, damper per wheel, and never looks up. */
const middles: Record<MachineClass, Record<Axle, number>> = {
  car: { front: 0.71, rear: 0.71 },
  truck: { front: 0.71, rear: 0.77 },
  'side-by-side': { front: 0.54, rear: 0.65 },
  quad: { front: 0.54, rear: 0.79 },
  snowmobile: { front: 0.66, rear: 0.54 },
  motorcycle: { front: 1, rear: 0.58 },
  'dual-purpose': { front: 1, rear: 0.58 },
  scooter: { front: 1, rear: 0.79 },
};

/** The hand rule: each corner by what it is off over what its axle's last move gave; done when every reading is in. */
export function handRule(machineClass: MachineClass): PracticePlayer {
  const gain = { front: 1 / middles[machineClass].front, rear: 1 / middles[machineClass].rear };
  return (record) => {
    const { document } = record;
    const facts = standingFacts(record).map(({ fact }) => fact);
    const round = Math.max(...facts.map((fact) => fact.round));
    const read = (at: number, id: CornerId) =>
      facts.filter(isOf('height')).find((one) => one.round === at && one.corner === id)?.mm ?? NaN;
    const corners = cornersIn(document);
    for (const axle of ['front', 'rear'] as const) {
      const own = corners.filter((id) => axleOf(id) === axle);
      const moved = facts
        .filter(isOf('adjustment'))
        .filter((one) => one.round === round && own.some((id) => id === one.corner))
        .reduce((sum, { mm }) => sum + mm, 0);
      const rose = own.reduce((sum, id) => sum + read(round, id) - read(round - 1, id), 0);
      // A ratio from less than a few millimetres is the tape's error over itself.
      if (round > 0 && Math.abs(moved) > 3 * own.length && rose / moved > 0.5 && rose / moved < 4)
        gain[axle] = rose / moved;
    }
    const off = corners.map((id) => [id, (document.corners[id].targetMm ?? NaN) - read(round, id)] as const);
    if (off.every(([, mm]) => Math.abs(mm) <= (document.toleranceMm ?? NaN))) return null;
    return Object.fromEntries(off.map(([id, mm]) => [id, mm / gain[axleOf(id)]]));
  };
}

/** The product's own plan, through a job's record. */
export function ownPlan(): PracticePlayer {
  return (record: JobRecord) => {
    const answer = answerFor(record);
    if (!answer) throw new Error('expected an answer once heights are read');
    if (nextAction(record, answer).stage === 'close-out') return null;
    return Object.fromEntries(answer.corners.map(({ id, seatBy }) => [id, seatBy]));
  };
}

/** Somebody who knows the truth: every seat to where its target is met. */
export function knowsTheTruth({ corners, openBy }: PracticeTruth): PracticePlayer {
  let turned = false;
  return () => {
    if (turned) return null;
    turned = true;
    return Object.fromEntries(corners.map((id, i) => [id, -(openBy[i] as number)]));
  };
}
