import type { Answer } from '../plan/answer.ts';
import type { CornerAnswer } from '../plan/cornerAnswer.ts';
import type { CornerId } from '../machine/body.ts';
import { tolerances } from '../tolerances.ts';

export type MarginKind = 'thread-up' | 'thread-down' | 'droop' | 'bump-stop' | 'bump-metal' | 'height';
export type MarginState = 'clear' | 'tight' | 'short';

/** What is left before one limit at one corner, after the plan. */
export interface Margin {
  kind: MarginKind;
  corner: CornerId;
  /** mm left: at the seat for thread, at the wheel for travel, at the reference for height. */
  leftMm: number;
  /** The same in turns, for thread. */
  turns: number | null;
  state: MarginState;
  /** 0..1 of the whole range that is left; orders the column and sets the bar. */
  share: number;
  /** Whether an assumed figure went into it. */
  assumed: boolean;
}

export const marginTitles: Record<MarginKind, string> = {
  'thread-up': 'Thread, up',
  'thread-down': 'Thread, down',
  droop: 'Droop',
  'bump-stop': 'Bump to stop',
  'bump-metal': 'Bump to metal',
  height: 'Height within tolerance',
};

/** Shares of the range under which a margin is called tight: thread two turns in ten, travel a fifth or so. */
const TIGHT: Record<MarginKind, number> = {
  'thread-up': 0.15,
  'thread-down': 0.15,
  droop: 0.2,
  'bump-stop': 0.15,
  'bump-metal': 0.2,
  height: 0.25,
};

/** Every margin that can be told, smallest share first. */
export function marginsFor(answer: Answer): Margin[] {
  return answer.corners.flatMap((corner) => cornerMargins(corner, answer.tolerance.value)).sort(bySmallest);
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

function cornerMargins(corner: CornerAnswer, toleranceMm: number): Margin[] {
  return [...threadMargins(corner), ...travelMargins(corner), ...heightMargin(corner, toleranceMm)];
}

function threadMargins({ id, spec, room, seatMm, collarMm }: CornerAnswer): Margin[] {
  const { collarMinMm: min, collarMaxMm: max } = spec;
  const pitch = spec.pitchMm;
  const range = min !== null && max !== null ? max - min : null;
  const one = (kind: MarginKind, leftMm: number): Margin[] => {
    if (!Number.isFinite(leftMm) || collarMm === null) return [];
    const margin = make(kind, id, leftMm, range ?? 10 * pitch.value, false);
    return [{ ...margin, turns: leftMm / pitch.value }];
  };
  return [...one('thread-up', room.up - seatMm), ...one('thread-down', seatMm - room.down)];
}

function travelMargins({ id, spec, travelNow, travelAfterMm }: CornerAnswer): Margin[] {
  const travel = spec.travelMm;
  const assumed = travelNow.source === 'assumed' || travel.source === 'assumed';
  const toMetal = travel.value - travelAfterMm;
  return [
    make('droop', id, travelAfterMm, travel.value, travelNow.source === 'assumed'),
    make(
      'bump-stop',
      id,
      toMetal - spec.stopMm.value,
      travel.value,
      assumed || spec.stopMm.source === 'assumed',
    ),
    make('bump-metal', id, toMetal, travel.value, assumed),
  ];
}

function heightMargin({ id, spec, specMm }: CornerAnswer, toleranceMm: number): Margin[] {
  if (spec.targetMm === null) return [];
  return [make('height', id, toleranceMm - Math.abs(specMm - spec.targetMm), toleranceMm, false)];
}

function make(kind: MarginKind, corner: CornerId, leftMm: number, rangeMm: number, assumed: boolean): Margin {
  const share = Math.min(Math.max(leftMm / rangeMm, 0), 1);
  return { kind, corner, leftMm, turns: null, state: stateOf(kind, leftMm, share), share, assumed };
}

function stateOf(kind: MarginKind, leftMm: number, share: number): MarginState {
  if (leftMm <= tolerances.missedMm) return 'short';
  return share < TIGHT[kind] ? 'tight' : 'clear';
}
