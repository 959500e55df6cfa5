import type { Answer } from '../plan/answer.ts';
import type { CornerAnswer } from '../plan/cornerAnswer.ts';
import type { CornerId } from '../machine/body.ts';
import { tolerances } from '../tolerances.ts';
import type { Left, MarginKind } from './left.ts';
import { springMargins } from './springMargins.ts';
import { standings, type Standing } from './standing.ts';

export type MarginState = 'clear' | 'tight' | 'short';

/** What is left before one limit at one corner, after the plan. */
export interface Margin {
  kind: MarginKind;
  corner: CornerId;
  /** Which of several of its kind: a spring, a clearance. */
  name: string | null;
  /** The load case it is the least in; null where loads do not matter. */
  loadCase: string | null;
  /** mm left: at the seat for thread, at the wheel for travel, along the spring for coils, at the reference for height. */
  leftMm: number;
  /** One standard deviation of it, mm. */
  sdMm: number;
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
  coil: 'Coil space at full bump',
  seated: 'Spring seated at droop',
  crossover: 'Gap to crossover',
  clearance: 'Clearance',
  height: 'Height within tolerance',
};

/** Shares of the range under which a margin is called tight: thread two turns in ten, travel a fifth or so. */
const TIGHT: Record<MarginKind, number> = {
  'thread-up': 0.15,
  'thread-down': 0.15,
  droop: 0.2,
  'bump-stop': 0.15,
  'bump-metal': 0.2,
  coil: 0.05,
  seated: 0.1,
  crossover: 0.1,
  clearance: 0.2,
  height: 0.25,
};

/** Every margin that can be told, for each corner in the load case where it is least; smallest share first. */
export function marginsFor(answer: Answer): Margin[] {
  const all = standings(answer);
  return answer.corners
    .flatMap((corner) => {
      const own = all.filter(({ id }) => id === corner.id);
      const standing = own.flatMap((one) =>
        [...travelLeft(corner, one), ...springMargins(answer, one), ...clearancesLeft(answer, one)].map(
          (left) => ({
            ...judged(corner.id, left),
            loadCase: own.length > 1 ? one.loadCase : null,
          }),
        ),
      );
      return [
        ...threadMargins(corner),
        ...leastOfEach(standing),
        ...heightMargin(corner, answer.tolerance.value),
      ];
    })
    .sort(bySmallest);
}

/** Of one corner's margins in several load cases, the least of each. */
function leastOfEach(margins: readonly Margin[]): Margin[] {
  const key = ({ kind, name }: Margin) => `${kind}/${name ?? ''}`;
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

function threadMargins({ id, spec, room, seatMm, collarMm }: CornerAnswer): Margin[] {
  const { collarMinMm: min, collarMaxMm: max } = spec;
  const pitch = spec.pitchMm;
  const rangeMm = min !== null && max !== null ? max - min : 10 * pitch.value;
  const one = (kind: MarginKind, leftMm: number): Margin[] => {
    if (!Number.isFinite(leftMm) || collarMm === null) return [];
    const left = { kind, leftMm, rangeMm, sdMm: tolerances.collarSdMm, assumed: false };
    return [{ ...judged(id, left), turns: leftMm / pitch.value }];
  };
  return [...one('thread-up', room.up - seatMm), ...one('thread-down', seatMm - room.down)];
}

function travelLeft({ spec, travelNow }: CornerAnswer, { travelMm, travelSdMm: sdMm }: Standing): Left[] {
  const travel = spec.travelMm;
  const unknown = travelNow.source === 'assumed';
  const assumed = unknown || travel.source === 'assumed';
  const toMetal = travel.value - travelMm;
  const rangeMm = travel.value;
  return [
    { kind: 'droop', leftMm: travelMm, rangeMm, sdMm, assumed: unknown },
    {
      kind: 'bump-stop',
      leftMm: toMetal - spec.stopMm.value,
      rangeMm,
      sdMm,
      assumed: assumed || spec.stopMm.source === 'assumed',
    },
    { kind: 'bump-metal', leftMm: toMetal, rangeMm, sdMm, assumed },
  ];
}

function clearancesLeft({ document }: Answer, { id, risenMm, travelSdMm }: Standing): Left[] {
  return document.corners[id].clearances.map(({ name, nowMm, perMm, leastMm }) => ({
    kind: 'clearance',
    name,
    leftMm: nowMm + perMm * risenMm - leastMm,
    rangeMm: Math.max(nowMm, 10),
    sdMm: Math.abs(perMm) * travelSdMm,
    assumed: false,
  }));
}

function heightMargin({ id, spec, specMm, specSdMm }: CornerAnswer, toleranceMm: number): Margin[] {
  if (spec.targetMm === null) return [];
  const leftMm = toleranceMm - Math.abs(specMm - spec.targetMm);
  return [judged(id, { kind: 'height', leftMm, rangeMm: toleranceMm, sdMm: specSdMm, assumed: false })];
}

function judged(corner: CornerId, { kind, leftMm, rangeMm, sdMm, assumed, name }: Left): Margin {
  const share = Math.min(Math.max(leftMm / rangeMm, 0), 1);
  return {
    kind,
    corner,
    name: name ?? null,
    loadCase: null,
    leftMm,
    sdMm,
    turns: null,
    state: stateOf(kind, leftMm, share),
    share,
    assumed,
  };
}

function stateOf(kind: MarginKind, leftMm: number, share: number): MarginState {
  if (leftMm <= tolerances.missedMm) return 'short';
  return share < TIGHT[kind] ? 'tight' : 'clear';
}
