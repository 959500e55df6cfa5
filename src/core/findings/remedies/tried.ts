import { whichKey } from '../../document/which.ts';
import type { CornerId } from '../../kinds/corners.ts';
import type { MarginKind } from '../../margins/index.ts';
import { marginsFor, type Margin } from '../../margins/margins.ts';
import type { Answer } from '../../planning/answerShape.ts';
import type { CornerAnswer } from '../../planning/cornerAnswer.ts';
import type { RunOut } from '../finding.ts';
import { atItsEnd } from '../runOut.ts';
import type { Cost, Remedy, RemedyDo } from './remedy.ts';

/** share of the range that a remedy leaves where being at the end is what is wrong. */
const RESERVE = 0.1;

/** mm. A margin that loses less is not worth a word. */
const SEEN_MM = 1;

/** Kinds of which less is nearer to harm: those that a remedy may cost. */
const counted: readonly MarginKind[] = [
  'droop', 'bump-stop', 'bump-metal', 'damper-open', 'damper-closed', 'coil', 'seated', 'thread-up', 'thread-down', 'engagement', 'crossover',
  'ring-order', 'clearance', 'joint', 'ground',
]; // oxfmt-ignore

/** What has run out, where, and what the machine is that a remedy is tried on. */
export interface At {
  base: Answer;
  corner: CornerAnswer;
  finding: RunOut;
  margin: Margin;
}

/** The margin that a finding is of, among these. */
export const find = (margins: readonly Margin[], { kind, corner, which }: RunOut) =>
  margins.find(
    (one) => one.kind === kind && one.corner === corner && whichKey(one.which) === whichKey(which),
  ) ?? null;

/** What has to be left: where being at the end is what is wrong a part of the range, else the end is enough. */
export function enough({ finding, margin }: At): number {
  return atItsEnd.includes(finding.kind) ? RESERVE * margin.rangeMm : 0;
}

/** A remedy with what is left then, what the corner rises by, and what comes nearer to its end. */
export function worked({ base, corner, finding }: At, what: RemedyDo, then: Answer): Remedy {
  const margins = marginsFor(then);
  return {
    ...what,
    leftMm: find(margins, finding)?.leftMm ?? null,
    riseMm: riseAt(base, then, corner.id),
    costs: costsOf(base, margins, finding.kind),
  };
}

export function riseAt(base: Answer, then: Answer, id: CornerId): number {
  const at = (answer: Answer) => answer.corners.find((one) => one.id === id)?.predictedMm ?? 0;
  return at(then) - at(base);
}

/** Margins that are nearer to their end than before and need a look then, the nearest first. */
export function costsOf(base: Answer, then: readonly Margin[], cured: MarginKind | null): Cost[] {
  const before = marginsFor(base);
  return then
    .flatMap((one): Cost[] => {
      const was = before.find(
        ({ kind, corner, which }) =>
          kind === one.kind && corner === one.corner && whichKey(which) === whichKey(one.which),
      );
      if (!was || one.kind === cured || !counted.includes(one.kind)) return [];
      return was.leftMm - one.leftMm > SEEN_MM && one.state !== 'clear'
        ? [{ kind: one.kind, corner: one.corner, fromMm: was.leftMm, toMm: one.leftMm }]
        : [];
    })
    .sort((a, b) => a.toMm - b.toMm);
}
