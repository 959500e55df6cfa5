import { part, type Part } from '../calculation/part.ts';
import type { JobMisfit } from '../estimate/estimate.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { Finding, Severity } from './finding.ts';

/** How grave it is: work goes on from a wrong ratio or an odd reading once it is planned for, not from a wrong turn. */
const graveness: Record<JobMisfit['code'], Severity> = {
  'turned-other-way': 'stop',
  'one-corner': 'warn',
  aboard: 'warn',
  'odd-reading': 'warn',
  'hooked-bar': 'warn',
  ratio: 'hint',
};

/** What readings and machine do not agree about, the likeliest first; only that one is grave. */
export function doubts(answer: Answer): Finding[] {
  return answer.doubt.suspicions.map(({ misfit, probability }, k) => ({
    code: 'doubt',
    misfit,
    probability,
    severity: k === 0 ? graveness[misfit.code] : 'hint',
    when: 'now',
    evidence: { parts: partsOf(answer, misfit), onGuess: false },
  }));
}

/** What was read and turned that speaks of it. */
function partsOf({ state, corners }: Answer, misfit: JobMisfit): Part[] {
  const ids = corners.map(({ id }) => id);
  switch (misfit.code) {
    case 'one-corner':
      return [part('off', misfit.offMm, 'length', 'measured')];
    case 'odd-reading':
      return turnedAndRead(state, [misfit.corner], misfit.round);
    case 'turned-other-way':
      return turnedAndRead(state, misfit.corners, misfit.round);
    case 'aboard':
      return turnedAndRead(state, ids, misfit.round);
    case 'ratio':
    case 'hooked-bar':
      return turnedAndRead(
        state,
        ids.filter((id) => axleOf(id) === misfit.axle),
        state.current,
      );
  }
}

/** What was turned in a round, and the heights before and after it, mm; of the first readings those alone. */
function turnedAndRead({ rounds }: Answer['state'], ids: readonly CornerId[], round: number): Part[] {
  return ids.flatMap((id): Part[] => {
    const read = (k: number) => rounds[k]?.heights[id];
    const [was, is] = [read(round - 1), read(round)];
    const moved = rounds[round]?.moves[id] ?? rounds[round]?.mounts[id];
    return [
      ...(moved === undefined ? [] : [part('c', moved, 'length', 'measured', id)]),
      ...(was ? [part('L before', meanOf(was), 'length', 'measured', id)] : []),
      ...(is ? [part('L', meanOf(is), 'length', 'measured', id)] : []),
    ];
  });
}
