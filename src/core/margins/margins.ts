import { whichKey, type Which } from '../document/which.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Answer } from '../planning/answerShape.ts';
import type { CornerAnswer } from '../planning/cornerAnswer.ts';
import { standings, type Standing } from '../stance/standing.ts';
import { tolerances } from '../tolerances.ts';
import { marginKinds, type MarginKind } from './index.ts';
import type { Left, LoadMargin, StandingMargin } from './margin.ts';

export type MarginState = 'clear' | 'tight' | 'short';

/** What is left before one limit at one corner, after the plan. */
export interface Margin {
  kind: MarginKind;
  corner: CornerId;
  /** Which of several of its kind: a spring, a clearance. */
  which: Which | null;
  /** The load case it is the least in; null where loads do not matter. */
  loadCase: string | null;
  /** mm left: at the seat for thread, at the wheel for travel, along the spring for coils, at the reference for height. */
  leftMm: number;
  /** The whole of which it is left, mm. */
  rangeMm: number;
  /** One standard deviation of it, mm. */
  sdMm: number;
  /** The same in turns, for thread. */
  turns: number | null;
  state: MarginState;
  /** 0..1 of the whole range that is left; orders the column and sets the bar. */
  share: number;
  /** Whether an assumed figure went into it. */
  assumed: boolean;
  /** What it was worked out from. */
  inputs: Left['inputs'];
}

const all = Object.entries(marginKinds) as [MarginKind, LoadMargin | StandingMargin][];
const byLoad = all.flatMap(([kind, of]) => (of.byLoad ? [{ kind, ...of }] : []));
const standing = all.flatMap(([kind, of]) => (of.byLoad ? [] : [{ kind, ...of }]));

/** Every margin that can be told, for each corner in the load case where it is least; smallest share first. */
export function marginsFor(answer: Answer): Margin[] {
  const stood = standings(answer);
  return answer.corners
    .flatMap((corner) => {
      const own = stood.filter(({ id }) => id === corner.id);
      return [...leastOfEach(caseMargins(answer, corner, own)), ...cornerMargins(answer, corner)];
    })
    .sort(bySmallest);
}

/** What loads decide, in each of these standings of one corner. */
function caseMargins(answer: Answer, corner: CornerAnswer, own: readonly Standing[]): Margin[] {
  return own.flatMap((one) =>
    byLoad.flatMap(({ kind, left }) =>
      left({ answer, corner }, one).map((what) => ({
        ...judged(corner.id, kind, what),
        loadCase: own.length > 1 ? one.loadCase : null,
      })),
    ),
  );
}

/** What they do not. */
function cornerMargins(answer: Answer, corner: CornerAnswer): Margin[] {
  return standing.flatMap(({ kind, left }) =>
    left({ answer, corner }).map((what) => judged(corner.id, kind, what)),
  );
}

/** Every margin of every load case by itself, as the answer has it after its plan; smallest share first. */
export function marginsByCase(answer: Answer): { loadCase: string; margins: Margin[] }[] {
  const stood = standings(answer);
  const names = [...new Set(stood.map(({ loadCase }) => loadCase))];
  return names.map((loadCase) => ({
    loadCase,
    margins: answer.corners
      .flatMap((corner) => [
        ...caseMargins(
          answer,
          corner,
          stood.filter((one) => one.id === corner.id && one.loadCase === loadCase),
        ),
        ...cornerMargins(answer, corner),
      ])
      .sort(bySmallest),
  }));
}

/** Whether what is on board changes it. */
export function dependsOnLoad({ kind }: Margin): boolean {
  return marginKinds[kind].byLoad;
}

/** Of one corner's margins in several load cases, the least of each. */
function leastOfEach(margins: readonly Margin[]): Margin[] {
  const key = ({ kind, which }: Margin) => `${kind}/${whichKey(which)}`;
  const sorted = [...margins].sort((a, b) => a.leftMm - b.leftMm);
  return sorted.filter((margin, i) => sorted.findIndex((one) => key(one) === key(margin)) === i);
}

/** Shorts first, then tights, then by share. */
function bySmallest(a: Margin, b: Margin): number {
  const rank = { short: 0, tight: 1, clear: 2 };
  return rank[a.state] - rank[b.state] || a.share - b.share;
}

/** The worst corner of each kind, smallest first. */
export function worstOfEachKind(margins: readonly Margin[]): Margin[] {
  return margins.filter((margin, i) => margins.findIndex(({ kind }) => kind === margin.kind) === i);
}

function judged(
  corner: CornerId,
  kind: MarginKind,
  { leftMm, rangeMm, sdMm, assumed, which, turns, tight, inputs }: Left,
): Margin {
  const share = Math.min(Math.max(leftMm / rangeMm, 0), 1);
  return {
    kind,
    corner,
    which: which ?? null,
    loadCase: null,
    leftMm,
    rangeMm,
    sdMm,
    turns: turns ?? null,
    state: stateOf(leftMm, share, tight ?? marginKinds[kind].tight),
    share,
    assumed,
    inputs,
  };
}

function stateOf(leftMm: number, share: number, tight: number): MarginState {
  if (leftMm <= tolerances.missedMm) return 'short';
  return share < tight ? 'tight' : 'clear';
}
