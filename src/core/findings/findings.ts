import { marginsFor } from '../margins/margins.ts';
import type { Answer } from '../planning/answerShape.ts';
import { standingStill } from '../planning/replan.ts';
import { collarFindings } from './collars.ts';
import { contradictionParts, type Contradiction } from './contradictions.ts';
import { doubts } from './doubts.ts';
import { findingKey, type Finding, type Severity } from './finding.ts';
import { runOuts } from './runOut.ts';
import { springFindings } from './springs.ts';
import { unreachables } from './unreachable.ts';

const rank: Record<Severity, number> = { stop: 0, warn: 1, hint: 2 };

/** Everything there is to say of a job, the gravest first: as its machine stands, and as it would stand after the plan. */
export function findingsFor(answer: Answer, questions: readonly Contradiction[]): Finding[] {
  const restingCase = answer.document.cases[0] ?? null;
  const now = runOuts(marginsFor(standingStill(answer)), 'now', restingCase);
  const after = runOuts(marginsFor(answer), 'after', restingCase);
  const isIn = (list: readonly Finding[]) => {
    const keys = new Set(list.map(findingKey));
    return (one: Finding) => keys.has(findingKey(one));
  };
  const stays = isIn(after);
  const known = isIn(now);
  const doubted = doubts(answer);
  const collars = collarFindings(answer);
  const told = isIn(collars);
  const inTheWay = unreachables(answer);
  const springs = springFindings(answer);
  return [
    ...collars,
    ...doubted.filter((one) => !told(one) && !isTurnTold(one, collars)),
    ...now.map((one): Finding => (stays(one) ? { ...one, when: 'both' } : one)),
    ...after.filter((one) => !known(one)),
    ...inTheWay.filter((one) => !isLooseTold(one, after)),
    ...questions.map(asked),
    ...springs.filter((one) => !isEndTold(one, [...springs, ...inTheWay])),
  ].sort((a, b) => rank[a.severity] - rank[b.severity]);
}

/** What the tape says of a turn need not be said again where the collars themselves say it of those corners. */
function isTurnTold(one: Finding, collars: readonly Finding[]): boolean {
  if (one.code !== 'doubt' || one.misfit.code !== 'turned-other-way') return false;
  const { corners, round } = one.misfit;
  return collars.some(
    (other) =>
      other.code === 'doubt' &&
      other.misfit.code === 'turned-other-way' &&
      other.misfit.round === round &&
      corners.every((id) => 'corners' in other.misfit && other.misfit.corners.includes(id)),
  );
}

/** An adjuster near its end is no hint any more where its spring is wrong by that, or a target is missed by it. */
function isEndTold(one: Finding, told: readonly Finding[]): boolean {
  if (one.code !== 'adjuster-end' && one.code !== 'cam-high') return false;
  return told.some(
    (other) =>
      (other.code === 'spring' && other.corner === one.corner) ||
      (other.code === 'unreachable' && 'corner' in other.reason && other.reason.corner === one.corner),
  );
}

/** A spring that would be loose is told once: by how much, and what cures it. */
function isLooseTold(one: Finding, told: readonly Finding[]): boolean {
  if (one.code !== 'unreachable' || one.reason.kind !== 'loose') return false;
  const { corner } = one.reason;
  return told.some((other) => other.code === 'run-out' && other.kind === 'seated' && other.corner === corner);
}

/** A floor that is corrected for may well be meant: that is only mentioned. */
function asked(question: Contradiction): Finding {
  return {
    code: 'contradiction',
    question,
    severity: question.about === 'floor-twice' ? 'hint' : 'warn',
    when: 'now',
    evidence: { parts: contradictionParts(question), onGuess: false },
  };
}

/** Whether anything has to be put right before the machine goes out, or the plan is worth following as it is. */
export function isStopped(findings: readonly Finding[]): boolean {
  return findings.some(({ severity }) => severity === 'stop');
}
