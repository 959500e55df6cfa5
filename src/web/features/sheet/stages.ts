import { isTurnedNow } from '#core/document/turnedPart.ts';
import { isUntold } from '#core/document/untold.ts';
import type { Stage } from '#core/judgement/stages.ts';
import { prepFor } from '#core/document/checks.ts';
import { ringWork, ringsToSet } from '#core/planning/ringWork.ts';
import { isOffItsGap } from '#core/planning/cornerAnswer.ts';
import { isReadStanding } from '#core/document/sagReadings.ts';
import { setEnds } from '#core/document/sagWish.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { balanceOf, takenPads } from '#core/scales/balance.ts';
import type { Job } from '../../jobStore/useJob.ts';

export const stageTitles: Record<Stage, string> = {
  intake: 'Intake',
  prep: 'Prep',
  sag: 'Sag bench',
  baseline: 'Baseline',
  scales: 'Scales',
  plan: 'Plan',
  turn: 'Turn',
  measure: 'Measure again',
  rings: 'Rings',
  stance: 'Stance',
  'close-out': 'Finish',
  ride: 'Ride',
};

export type StageState = 'done' | 'open' | 'look';

/** How a stage stands, and a few words on it, for the left edge. */
export function stageStanding(stage: Stage, job: Job): { state: StageState; words: string } {
  return standings[stage](job);
}

const standings: Record<Stage, (job: Job) => { state: StageState; words: string }> = {
  intake: ({ record }) => {
    const missing = setEnds(record.document).filter(
      (id) => isUntold(record.document, id) && isTurnedNow(record.document, id),
    ).length;
    return missing === 0
      ? { state: 'done', words: 'targets set' }
      : { state: 'open', words: `${missing} ${missing === 1 ? 'target' : 'targets'} missing` };
  },
  prep: ({ record, facts, state }) => {
    const all = prepFor(record.document).length;
    const seen = facts.filter(({ fact }) => fact.kind === 'prep').length;
    if (state.skipped.length > 0) return { state: 'look', words: `${state.skipped.length} skipped` };
    return seen >= all
      ? { state: 'done', words: 'all ticked' }
      : { state: 'open', words: `${all - seen} to tick` };
  },
  sag: ({ state, record }) => {
    const ends = setEnds(record.document);
    const read = ends.filter((id) => isReadStanding(state.rounds[state.current]?.sag[id])).length;
    const all = ends.length;
    if (read === 0) return { state: 'open', words: '' };
    return read < all
      ? { state: 'open', words: `${read} of ${all} read` }
      : { state: 'done', words: state.current === 0 ? 'read' : `round ${state.current} read` };
  },
  baseline: ({ state, record }) => readingWords(state.rounds[0], cornersIn(record.document)),
  scales: ({ state, record }) => {
    const { pads } = state.rounds[state.current] ?? { pads: {} };
    const asked = record.document.crossTarget !== null || record.document.frontEqual;
    const read = Object.keys(pads).length;
    if (read === 0) return { state: 'open', words: asked ? 'not weighed' : '' };
    const cross = balanceOf(takenPads(record.document, pads))?.cross.value;
    return read < cornersIn(record.document).length
      ? { state: 'open', words: `${read} of 4 weighed` }
      : { state: 'done', words: cross === undefined ? 'weighed' : `cross ${(100 * cross).toFixed(1)} %` };
  },
  stance: ({ margins }) => {
    const short = margins.filter(({ kind, state }) => kind === 'ground' && state === 'short').length;
    return short > 0 ? { state: 'look', words: `${short} too low` } : { state: 'open', words: '' };
  },
  plan: ({ answer, state }) => {
    if (state.turning) return { state: 'done', words: 'issued' };
    if (!answer || answer.chanceAfter === null) return { state: 'open', words: 'needs readings' };
    if (state.rounds.some(({ told }) => told)) return { state: 'done', words: 'issued' };
    return answer.reasons.length > 0
      ? { state: 'look', words: 'not all can be had' }
      : { state: 'open', words: 'ready to turn' };
  },
  turn: ({ state }) => {
    if (state.turning) return { state: 'open', words: `${state.turning.left.length} to turn` };
    const turned = state.rounds.findLast(
      ({ moves, mounts }) => Object.keys({ ...moves, ...mounts }).length > 0,
    );
    return turned ? { state: 'done', words: `round ${turned.round} turned` } : { state: 'open', words: '' };
  },
  measure: ({ state, record }) =>
    state.current === 0
      ? { state: 'open', words: '' }
      : readingWords(state.rounds[state.current], cornersIn(record.document)),
  rings: ({ answer, state, record }) => {
    const off =
      (answer?.corners.flatMap(({ rings }) => rings.filter(isOffItsGap)).length ?? 0) +
      ringsToSet(record.document, state).length;
    const wanted = [
      ...ringWork(record.document, state),
      ...(answer?.corners.flatMap(({ rings }) => rings) ?? []),
    ].some(({ wantedMm }) => wantedMm !== null);
    if (off > 0) return { state: 'open', words: `${off} to set` };
    return wanted ? { state: 'done', words: 'in their places' } : { state: 'open', words: 'as they stand' };
  },
  ride: ({ facts }) => {
    const notes = facts.filter(({ fact }) => fact.kind === 'note').length;
    return { state: 'open', words: notes === 0 ? '' : `${notes} ${notes === 1 ? 'note' : 'notes'}` };
  },
  'close-out': ({ state }) =>
    state.locked ? { state: 'done', words: 'locked' } : { state: 'open', words: '' },
};

function readingWords(
  round: Job['state']['rounds'][number] | undefined,
  corners: readonly CornerId[],
): {
  state: StageState;
  words: string;
} {
  const counts = corners.map((id) => round?.heights[id]?.length ?? 0);
  const least = Math.min(...counts);
  if (least === 0) {
    const missing = counts.filter((count) => count === 0).length;
    return {
      state: 'open',
      words:
        missing === corners.length
          ? 'no readings'
          : `${missing} ${missing === 1 ? 'corner' : 'corners'} missing`,
    };
  }
  if (!round?.settled) return { state: 'look', words: 'settled or not?' };
  return { state: 'done', words: `${least} ${least === 1 ? 'reading' : 'readings'} a corner` };
}
