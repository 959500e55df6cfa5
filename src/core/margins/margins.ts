import { camDegrees } from '../document/taken.ts';
import type { SagLimits } from '../document/types.ts';
import type { CornerSpec } from '../estimate/corner.ts';
import { input } from '../calculation/input.ts';
import { restInputs } from '../calculation/restInputs.ts';
import type { SumInput } from '../calculation/types.ts';
import type { Answer } from '../plan/answer.ts';
import type { CornerAnswer } from '../plan/cornerAnswer.ts';
import type { CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';
import type { Left, MarginKind } from './left.ts';
import { distanceAfter, gainsAt, sinceMeasured } from '../stance/clearance.ts';
import { nearestCorner } from '../stance/lowPoints.ts';
import { springMargins } from './springMargins.ts';
import { standings, type Standing } from '../stance/standing.ts';

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
  /** What it was worked out from. */
  inputs: Left['inputs'];
}

export const marginTitles: Record<MarginKind, string> = {
  'thread-up': 'Thread, up',
  'thread-down': 'Thread, down',
  engagement: 'Lower mount, thread engaged',
  cam: 'Cam, up',
  sag: 'Sag within its window',
  droop: 'Droop',
  'bump-stop': 'Bump to stop',
  'bump-metal': 'Bump to metal',
  coil: 'Coil space at full bump',
  seated: 'Spring seated at droop',
  crossover: 'Gap to crossover',
  'ring-order': 'Ring before coil bind',
  clearance: 'Clearance',
  joint: 'Shaft joint angle',
  ground: 'Over the ground',
  height: 'Height within tolerance',
};

/** Shares of the range under which a margin is called tight: thread two turns in ten, travel a fifth or so. */
const TIGHT: Record<MarginKind, number> = {
  'thread-up': 0.15,
  'thread-down': 0.15,
  engagement: 0.15,
  // Above its middle position in the garage a cam has little left for a load.
  cam: 0.5,
  sag: 0.25,
  droop: 0.2,
  'bump-stop': 0.15,
  'bump-metal': 0.2,
  coil: 0.05,
  seated: 0.1,
  crossover: 0.1,
  'ring-order': 0.05,
  clearance: 0.2,
  joint: 0.2,
  ground: 0.2,
  height: 0.25,
};

/** Every margin that can be told, for each corner in the load case where it is least; smallest share first. */
export function marginsFor(answer: Answer): Margin[] {
  const all = standings(answer);
  return answer.corners
    .flatMap((corner) => {
      const own = all.filter(({ id }) => id === corner.id);
      return [...leastOfEach(caseMargins(answer, corner, own)), ...cornerMargins(answer, corner)];
    })
    .sort(bySmallest);
}

/** What is left where loads play no part, or only the load case of the targets. */
function fixedMargins({ document }: Answer, corner: CornerAnswer): Left[] {
  const { sagWindow, torsion } = document.corners[corner.id];
  return [
    ...engagement(document, corner),
    ...(torsion && corner.cam ? camLeft(camDegrees(torsion).length, corner) : []),
    ...(sagWindow ? [sagLeft(sagWindow, corner)] : []),
  ];
}

function engagement({ corners }: Answer['document'], { id, mount }: CornerAnswer): Left[] {
  const fitted = corners[id].mount;
  if (!mount || !fitted || mount.afterMm === null) return [];
  const { afterMm } = mount;
  const leftMm = afterMm - mount.leastMm;
  const rangeMm = Math.max((fitted.mostMm ?? 3 * mount.leastMm) - mount.leastMm, 1);
  const turns = leftMm / fitted.pitchMm;
  const inputs = () => [
    input('e', 'thread engaged after the plan', afterMm, 'length', 'computed'),
    ...(fitted.threadMm === null ? [] : [input('D', 'thread diameter', fitted.threadMm, 'length', 'sheet')]),
    input('least', 'least to keep: 1½ D, or the maker’s if more', mount.leastMm, 'length', 'sheet'),
  ];
  const sdMm = tolerances.collarSdMm;
  return [{ kind: 'engagement', leftMm, rangeMm, sdMm, assumed: false, turns, inputs }];
}

function camLeft(positions: number, { cam, room, seatBy }: CornerAnswer): Left[] {
  const left = positions - 1 - (cam?.after ?? 0);
  return [
    {
      kind: 'cam',
      name: `${left} of ${positions} positions left`,
      leftMm: room.up - seatBy,
      rangeMm: Math.max(room.up - room.down, 1),
      sdMm: 0,
      assumed: false,
      inputs: () => [
        input('n', 'positions of the cam', positions, 'count', 'sheet'),
        input('k', 'position after the plan', (cam?.after ?? 0) + 1, 'count', 'computed'),
        input('left', 'further wind-up at the leg', room.up - seatBy, 'length', 'computed'),
      ],
    },
  ];
}

function sagLeft({ fromMm, toMm }: SagLimits, { sagMm, sagSdMm, travelNow }: CornerAnswer): Left {
  const assumed = travelNow.source === 'assumed';
  return {
    kind: 'sag',
    leftMm: Math.min(sagMm - fromMm, toMm - sagMm),
    rangeMm: (toMm - fromMm) / 2,
    sdMm: sagSdMm,
    assumed,
    inputs: () => [
      input('z', 'sag after the plan, as specified', sagMm, 'length', assumed ? 'assumed' : 'computed'),
      input('from', 'least sag', fromMm, 'length', 'sheet'),
      input('to', 'most sag', toMm, 'length', 'sheet'),
    ],
  };
}

/** What loads decide, in each of these standings of one corner. */
function caseMargins(answer: Answer, corner: CornerAnswer, own: readonly Standing[]): Margin[] {
  return own.flatMap((one) =>
    [
      ...travelLeft(answer, corner, one),
      ...springMargins(answer, one),
      ...clearancesLeft(answer, one),
      ...jointsLeft(answer, one),
      ...groundLeft(answer, one),
    ].map((left) => ({ ...judged(corner.id, left), loadCase: own.length > 1 ? one.loadCase : null })),
  );
}

/** What they do not. */
function cornerMargins(answer: Answer, corner: CornerAnswer): Margin[] {
  return [
    ...threadMargins(corner),
    ...fixedMargins(answer, corner).map((left) => judged(corner.id, left)),
    ...heightMargin(corner, answer.tolerance.value),
  ];
}

/** Every margin of every load case by itself, as the answer has it after its plan; smallest share first. */
export function marginsByCase(answer: Answer): { loadCase: string; margins: Margin[] }[] {
  const all = standings(answer);
  const names = [...new Set(all.map(({ loadCase }) => loadCase))];
  return names.map((loadCase) => ({
    loadCase,
    margins: answer.corners
      .flatMap((corner) => [
        ...caseMargins(
          answer,
          corner,
          all.filter((one) => one.id === corner.id && one.loadCase === loadCase),
        ),
        ...cornerMargins(answer, corner),
      ])
      .sort(bySmallest),
  }));
}

const loadless: readonly MarginKind[] = ['thread-up', 'thread-down', 'engagement', 'cam', 'sag', 'height'];

/** Whether what is on board changes it. */
export function dependsOnLoad({ kind }: Margin): boolean {
  return !loadless.includes(kind);
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

function threadMargins({ id, spec, room, seatBy, collarMm }: CornerAnswer): Margin[] {
  const { collarMinMm: min, collarMaxMm: max } = spec;
  const pitch = spec.pitchMm;
  const rangeMm = min !== null && max !== null ? max - min : 10 * pitch.value;
  const one = (kind: MarginKind, leftMm: number): Margin[] => {
    if (!Number.isFinite(leftMm) || collarMm === null) return [];
    const inputs = () => threadInputs(spec, collarMm + spec.readingSign * seatBy, kind === 'thread-up');
    const left = { kind, leftMm, rangeMm, sdMm: tolerances.collarSdMm, assumed: false, inputs };
    // Turns of a pitch that nobody gave would be a guess beside a measured length.
    return [judged(id, pitch.source === 'assumed' ? left : { ...left, turns: leftMm / pitch.value })];
  };
  return [...one('thread-up', room.up - seatBy), ...one('thread-down', seatBy - room.down)];
}

function threadInputs(spec: CornerSpec, stopMm: number, up: boolean): SumInput[] {
  const atMax = up === (spec.readingSign === 1);
  const limitMm = (atMax ? spec.collarMaxMm : spec.collarMinMm) ?? 0;
  return [
    input(
      'r end',
      `${atMax ? 'greatest' : 'least'} collar reading of good thread`,
      limitMm,
      'length',
      'sheet',
    ),
    input('stop', 'reading to stop at', stopMm, 'length', 'computed'),
    input('p', 'thread pitch per turn', spec.pitchMm.value, 'length', spec.pitchMm.source),
  ];
}

function travelLeft(answer: Answer, { id, spec, travelNow }: CornerAnswer, standing: Standing): Left[] {
  const { travelMm, travelSdMm: sdMm } = standing;
  const travel = spec.travelMm;
  const unknown = travelNow.source === 'assumed';
  const assumed = unknown || travel.source === 'assumed';
  const toMetal = travel.value - travelMm;
  const rangeMm = travel.value;
  // What it rests by is no evidence of a place that is only assumed.
  const used = () =>
    unknown
      ? [
          input(
            'z',
            'wheel travel used: the usual place, and what it has moved since',
            travelMm,
            'length',
            'assumed',
          ),
        ]
      : [
          ...restInputs(answer.machine, id, standing),
          input('z', 'wheel travel used', travelMm, 'length', 'computed'),
        ];
  const whole = input('z max', 'wheel travel', travel.value, 'length', travel.source);
  const stop = input('s', 'travel taken by the stop', spec.stopMm.value, 'length', spec.stopMm.source);
  return [
    { kind: 'droop', leftMm: travelMm, rangeMm, sdMm, assumed: unknown, inputs: used },
    {
      kind: 'bump-stop',
      leftMm: toMetal - spec.stopMm.value,
      rangeMm,
      sdMm,
      assumed: assumed || spec.stopMm.source === 'assumed',
      inputs: () => [whole, ...used(), stop],
    },
    { kind: 'bump-metal', leftMm: toMetal, rangeMm, sdMm, assumed, inputs: () => [whole, ...used()] },
  ];
}

function clearancesLeft(answer: Answer, { id, risenMm, travelSdMm }: Standing): Left[] {
  return answer.document.corners[id].clearances.map((one) => {
    const { name, nowMm, leastMm } = one;
    const sinceMm = sinceMeasured(answer, id, one, risenMm);
    const gain = gainsAt(one, sinceMm);
    return {
      kind: 'clearance',
      name,
      leftMm: distanceAfter(one, sinceMm) - leastMm,
      rangeMm: Math.max(nowMm, 10),
      sdMm: Math.abs(gain) * travelSdMm,
      assumed: false,
      inputs: () => [
        input('d', 'distance as measured', nowMm, 'length', 'measured'),
        input('g', 'gained per mm the body rises there', gain, 'gain', 'sheet'),
        input('Δh', 'risen over this corner since', sinceMm, 'length', 'computed'),
        input('least', 'least wanted', leastMm, 'length', 'sheet'),
      ],
    };
  });
}

/**
 * A shaft of length L hanging down outwards by an angle a hangs at sin a' = sin a + rise / L once its inner end has risen:
 * what is left is the rise that brings it to its most, L (sin most - sin a').
 */
function jointsLeft({ document }: Answer, { id, risenMm, travelSdMm }: Standing): Left[] {
  const sine = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
  return document.corners[id].boots.map(({ name, nowDeg, mostDeg, shaftMm }) => {
    const then = Math.min(Math.max(sine(nowDeg) + risenMm / shaftMm, -1), 1);
    const thenDeg = (Math.asin(then) * 180) / Math.PI;
    return {
      kind: 'joint',
      name,
      leftMm: shaftMm * (sine(mostDeg) - then),
      rangeMm: Math.max(shaftMm * sine(mostDeg), 10),
      sdMm: travelSdMm,
      assumed: false,
      inputs: () => [
        input('a', 'angle at the baseline', nowDeg, 'angle', 'measured'),
        input('L', 'shaft, joint to joint', shaftMm, 'length', 'sheet'),
        input('Δh', 'risen over this corner since', risenMm, 'length', 'computed'),
        input('a′', 'angle then, by sin a′ = sin a + Δh / L', thenDeg, 'angle', 'computed'),
        input('most', 'most it may take', mostDeg, 'angle', 'sheet'),
      ],
    };
  });
}

/** Low points of the body that lie nearest to this corner. */
function groundLeft({ document }: Answer, { id, bodyRise, travelSdMm }: Standing): Left[] {
  return document.stance.points.flatMap((point): Left[] => {
    const { name, xMm, yMm, nowMm, leastMm } = point;
    if (leastMm === null || nearestCorner({ document }, point) !== id) return [];
    const risenMm = bodyRise(xMm, yMm);
    return [
      {
        kind: 'ground',
        name,
        leftMm: nowMm + risenMm - leastMm,
        rangeMm: Math.max(nowMm, 10),
        sdMm: travelSdMm,
        assumed: false,
        inputs: () => [
          input('d', 'over the ground at the baseline', nowMm, 'length', 'measured'),
          input('Δh', 'risen there since, tyres and all', risenMm, 'length', 'computed'),
          input('least', 'least wanted', leastMm, 'length', 'sheet'),
        ],
      },
    ];
  });
}

function heightMargin({ id, spec, specMm, specSdMm }: CornerAnswer, toleranceMm: number): Margin[] {
  if (spec.targetMm === null) return [];
  const leftMm = toleranceMm - Math.abs(specMm - spec.targetMm);
  const target = spec.targetMm;
  const inputs = () => [
    input('T', 'tolerance', toleranceMm, 'length', 'sheet'),
    input('h′', 'height after, as specified', specMm, 'length', 'computed'),
    input('t', 'target', target, 'length', 'sheet'),
  ];
  return [
    judged(id, { kind: 'height', leftMm, rangeMm: toleranceMm, sdMm: specSdMm, assumed: false, inputs }),
  ];
}

function judged(
  corner: CornerId,
  { kind, leftMm, rangeMm, sdMm, assumed, name, turns, inputs }: Left,
): Margin {
  const share = Math.min(Math.max(leftMm / rangeMm, 0), 1);
  return {
    kind,
    corner,
    name: name ?? null,
    loadCase: null,
    leftMm,
    sdMm,
    turns: turns ?? null,
    state: stateOf(kind, leftMm, share),
    share,
    assumed,
    inputs,
  };
}

function stateOf(kind: MarginKind, leftMm: number, share: number): MarginState {
  if (leftMm <= tolerances.missedMm) return 'short';
  return share < TIGHT[kind] ? 'tight' : 'clear';
}
