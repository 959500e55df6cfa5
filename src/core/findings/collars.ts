import { part } from '../calculation/part.ts';
import { collarEvidence } from '../estimate/collarEvidence.ts';
import type { CornerId } from '../kinds/corners.ts';
import { misfitKey } from '../estimate/estimate.ts';
import { collarNow } from '../estimate/rounds.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import type { Finding } from './finding.ts';

/** Logarithm of the odds, 20 to 1, from which on a collar's own reading says that it was turned the other way. */
const OTHER_WAY = 3;
/** mm. A collar further than this from where the moves would put it is asked about: two readings by caliper and a slip. */
const ELSEWHERE_MM = 3;

/** What the collars' own readings say of the last turn: turned the other way, or not where the moves on record lead. */
export function collarFindings(answer: Answer): Finding[] {
  return answer.corners.flatMap((corner) => ofCollar(answer, corner));
}

/** Corners of which the last turn is most likely to have gone the other way, by their collars or by the tape. */
export function turnedOtherWay(answer: Answer): CornerId[] {
  const first = answer.doubt.suspicions[0]?.misfit;
  const byTape = first?.code === 'turned-other-way' ? first.corners : [];
  const byCollar = collarFindings(answer).flatMap((one) =>
    one.code === 'doubt' && one.misfit.code === 'turned-other-way' ? one.misfit.corners : [],
  );
  const all = new Set([...byTape, ...byCollar]);
  return answer.corners.map(({ id }) => id).filter((id) => all.has(id));
}

function ofCollar({ state }: Answer, { id, spec }: CornerAnswer): Finding[] {
  const { rounds, current: round, checkedRight } = state;
  const readMm = rounds[round]?.collars[id];
  const { readingSign } = spec;
  const before = collarNow(rounds.slice(0, round), id, readingSign);
  if (readMm === undefined || before === null) return [];
  const movedMm = rounds[round]?.moves[id] ?? 0;
  const expectedMm = before + readingSign * movedMm;
  const evidence = {
    parts: [
      part('r before', before, 'length', 'measured'),
      part('c', movedMm, 'length', 'measured'),
      part('r', readMm, 'length', 'measured'),
    ],
    onGuess: false,
  };
  const odds = collarEvidence(state, id, { round, readingSign });
  if (odds > OTHER_WAY) {
    const misfit = { code: 'turned-other-way' as const, corners: [id], round };
    if (checkedRight.includes(misfitKey(misfit))) return [];
    const probability = 1 / (1 + Math.exp(-odds));
    return [{ code: 'doubt', misfit, probability, severity: 'stop', when: 'now', evidence }];
  }
  const isElsewhere = Math.abs(readMm - expectedMm) > ELSEWHERE_MM;
  return isElsewhere && !checkedRight.includes(collarKey({ corner: id, round, readMm }))
    ? [
        {
          code: 'collar-elsewhere',
          corner: id,
          round,
          readMm,
          expectedMm,
          severity: 'warn',
          when: 'now',
          evidence,
        },
      ]
    : [];
}

/** Names a collar that stands elsewhere with its reading: once that changes it is asked about anew. */
export function collarKey({
  corner,
  round,
  readMm,
}: {
  corner: CornerId;
  round: number;
  readMm: number;
}): string {
  return `asked:collar ${corner} ${round} ${readMm}`.slice(0, 48);
}
