import { standingFacts } from '#core/document/facts.ts';
import type { JobRecord } from '#core/document/types.ts';
import { axleOf } from '#core/kinds/corners.ts';
import type { PracticeTruth } from './truth.ts';
import { replay, type PracticeRound } from './replay.ts';

/** Minutes that things take: a reading; each thing seen to before; jacking an axle up and letting it down; a corner turned; settling; a drive and each km of it. */
const minutes = { reading: 1.5, prep: 4, axle: 8, corner: 3, settle: 4, drive: 6, km: 1.2 } as const;

/** Moves that were made, and the minutes that all of it took with so many readings. */
export function scoreOf(
  truth: PracticeTruth,
  seed: number,
  record: Pick<JobRecord, 'entries'>,
  readings: number,
): { rounds: number; minutes: number } {
  const played = replay(truth, seed, record);
  const settles = standingFacts(record).filter(({ fact }) => fact.kind === 'settled').length;
  const seenTo = standingFacts(record).filter(
    ({ fact }) => fact.kind === 'prep' && fact.how === 'done',
  ).length;
  let all = readings * minutes.reading + settles * minutes.settle + seenTo * minutes.prep;
  for (const { turnedBy, km } of played) {
    const turned = truth.corners.filter((_, i) => turnedBy[i] !== 0);
    all += minutes.axle * new Set(turned.map(axleOf)).size + minutes.corner * turned.length;
    if (km > 0) all += minutes.drive + minutes.km * km;
  }
  return {
    rounds: played.filter((one) => one.turnedBy.some((mm) => mm !== 0)).length,
    minutes: Math.round(all),
  };
}

/** The last round's condition. */
export function conditionNow(truth: PracticeTruth, seed: number, record: Pick<JobRecord, 'entries'>) {
  return (replay(truth, seed, record).at(-1) as PracticeRound).condition;
}
