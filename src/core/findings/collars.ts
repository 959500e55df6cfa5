import { part } from '../calculation/part.ts';
import { collarEvidence } from '../estimate/collarEvidence.ts';
import type { CornerId } from '../kinds/corners.ts';
import { isTurnChecked } from '../estimate/estimate.ts';
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
  const all = answer.corners.flatMap((corner) => ofCollar(answer, corner));
  const turned = all.flatMap((one) =>
    one.code === 'doubt' && one.misfit.code === 'turned-other-way' ? [{ ...one, misfit: one.misfit }] : [],
  );
  const [first] = turned;
  if (!first) return all;
  // Turned the other way in one round is one thing to look at, at however many corners.
  const together: Finding = {
    ...first,
    misfit: { ...first.misfit, corners: turned.flatMap(({ misfit }) => misfit.corners) },
    probability: Math.min(...turned.map(({ probability }) => probability)),
    evidence: { parts: turned.flatMap(({ evidence }) => evidence.parts), onGuess: false },
  };
  return [together, ...all.filter(({ code }) => code !== 'doubt')];
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
      part('r before', before, 'length', 'measured', id),
      part('c', movedMm, 'length', 'measured', id),
      part('r', readMm, 'length', 'measured', id),
    ],
    onGuess: false,
  };
  const odds = collarEvidence(state, id, { round, readingSign });
  if (odds > OTHER_WAY) {
    const misfit = { code: 'turned-other-way' as const, corners: [id], round };
    if (isTurnChecked(checkedRight, id, round)) return [];
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
