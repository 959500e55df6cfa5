import { camPosition } from '#core/document/taken.ts';
import type { TorsionDocument } from '#core/document/types.ts';
import { sagWish } from '#core/document/sagWish.ts';
import { leftAtRest, restInputs } from './rest.ts';
import { input } from './input.ts';
import type { Sum, SumInput } from './types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { cornerSpec, type GainGroup } from '#core/estimate/corner.ts';
import { axleOf, cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { contactOf } from '#core/machine/equilibrium.ts';
import { meanOf } from '#core/numerics/mean.ts';
import { chanceOtherwise } from '#core/planning/landing.ts';
import type { CornerAnswer, CornerMove } from '#core/planning/cornerAnswer.ts';
import type { Source } from '#core/estimate/corner.ts';
import { cornerHeight, type CornerHeight } from '#core/figures/cornerHeight.ts';
import type { ToldCorner } from '#core/document/types.ts';

/** The height as measured in the newest round, or in an earlier one: the mean of its readings, plus the offset to the specified point. */
export function heightNowSum(corner: CornerAnswer, answer: Answer, round = answer.state.current): Sum {
  const readings = answer.state.rounds[round]?.heights[corner.id] ?? [];
  const { offsetMm } = corner.spec;
  return {
    title: `Measured height, ${cornerNames[corner.id]}`,
    words: 'mean of this round’s readings, plus the offset to the specified point',
    formula: 'h = mean(L) + o',
    inputs: [
      ...readings.map((reading, i) => input(`L${i + 1}`, `reading ${i + 1}`, reading, 'length', 'measured')),
      ...(offsetMm === 0 ? [] : [input('o', 'offset to the specified point', offsetMm, 'length', 'sheet')]),
    ],
    result: { value: meanOf(readings) + offsetMm, unit: 'length' },
    note: null,
  };
}

/** The true height as all rounds say: the reading, and how far what is known of friction and the moves draws it. */
export function estimateSum(corner: CornerAnswer, answer: Answer): Sum {
  const readings = answer.state.rounds[answer.state.current]?.heights[corner.id] ?? [];
  const measured = meanOf(readings) + corner.spec.offsetMm;
  return {
    title: `Estimated height, ${cornerNames[corner.id]}`,
    words:
      'this round’s reading, drawn towards what earlier readings and moves predict. Friction holds a machine a little high or low each time',
    formula: 'ĥ = h + Δ',
    inputs: [
      input('h', 'measured', measured, 'length', 'measured'),
      input('Δ', 'what the other readings draw it by', corner.nowMm - measured, 'length', 'computed'),
    ],
    result: { value: corner.nowMm, unit: 'length' },
    note: `Good to ± ${corner.nowSdMm.toFixed(1)} mm, one standard deviation. Plans are made from it.`,
  };
}

/** The seat move: least squares over all corners. */
export function seatMoveSum(corner: CornerMove, answer: Answer): Sum {
  const unit = toldIn(corner, answer.document.corners[corner.id].torsion);
  const bySag = wantedSags(answer);
  return {
    title: `Seat move, ${cornerNames[corner.id]}`,
    words: answer.wholeBody
      ? 'the moves of all four seats that bring the heights nearest their targets, within the thread, in eighths of a turn'
      : 'the moves of the seats that bring the heights read so far nearest their targets. An unread corner moves as its twin',
    formula:
      bySag.length > 0 ? `least Σ (z′ − z*)²,  ${unit.formula}` : `least Σ (h′ − t)²,  ${unit.formula}`,
    inputs: [
      ...bySag,
      ...answer.corners.flatMap(({ id, spec, nowSpecMm, specMm }) =>
        spec.targetMm === null
          ? []
          : [
              input(
                `t−h ${id}`,
                `still wanted, ${cornerNames[id]}`,
                spec.targetMm - nowSpecMm,
                'length',
                'computed',
              ),
              input(
                `t−h′ ${id}`,
                `left after it, ${cornerNames[id]}`,
                spec.targetMm - specMm,
                'length',
                'computed',
              ),
            ],
      ),
      input('g', 'wheel per seat', corner.gain, 'gain', gainSource(corner)),
      ...unit.inputs,
      ...(Number.isFinite(corner.room.up)
        ? [input('c max', 'seat room up', corner.room.up, 'length', 'computed')]
        : []),
      ...(Number.isFinite(corner.room.down)
        ? [input('c min', 'seat room down', corner.room.down, 'length', 'computed')]
        : []),
      input('c', 'seat move chosen', corner.seatBy, 'length', 'computed'),
    ],
    result: unit.result,
    note: 'Every seat moves every height: a rigid body on its springs, tyres and hooked bars. With equal wheel rates one seat gives its own corner about 3/4 of its move. Its neighbours get 1/4, the corner across −1/4. It is worked out again as the seats move.',
  };
}

/** Sags that are wanted, each with what is left of it after the plan. */
function wantedSags({ document, corners }: Answer): SumInput[] {
  return corners.flatMap(({ id, sagMm, nowSagMm }) => {
    const wanted = sagWish(document, id)?.mm;
    if (wanted === undefined) return [];
    const name = cornerNames[id];
    return [
      input(`z*−z ${id}`, `sag still wanted, ${name}`, wanted - nowSagMm, 'length', 'computed'),
      input(`z*−z′ ${id}`, `left after it, ${name}`, wanted - sagMm, 'length', 'computed'),
    ];
  });
}

/** In what a move is told: turns of the thread, whole steps, a position of the cam, steps of pressure. */
function toldIn(
  { spec, seatBy, turns, steps, cam, airBar, placeAssumed }: CornerMove,
  torsion: TorsionDocument | null,
) {
  const standsBy = placeAssumed ? 'assumed' : 'measured';
  const { pitchMm, stepMm } = spec;
  if (cam)
    return {
      formula: 'position = n + m',
      inputs: [
        input('n', 'position now', camPosition(torsion, cam.now), 'count', standsBy),
        input(
          'm',
          'positions to move',
          camPosition(torsion, cam.after) - camPosition(torsion, cam.now),
          'count',
          'computed',
        ),
      ],
      result: { value: camPosition(torsion, cam.after), unit: 'count' as const },
    };
  if (airBar)
    return {
      formula: 'pressure = p₀ + c · 0.1 bar',
      inputs: [input('p₀', 'bar now', airBar.now, 'count', standsBy)],
      result: { value: airBar.after, unit: 'count' as const },
    };
  if (steps !== null)
    return {
      formula: 'steps = c / s',
      inputs: [input('s', 'seat per step', stepMm.value, 'length', stepMm.source)],
      result: { value: seatBy / stepMm.value, unit: 'count' as const },
    };
  return {
    formula: 'turns = c / p',
    inputs: [input('p', 'thread pitch per turn', pitchMm.value, 'length', pitchMm.source)],
    result: { value: turns, unit: 'turns' as const },
  };
}

/** Learnt as soon as readings have moved it off what the sheet says. */
function gainSource({ gain, spec }: Pick<CornerMove, 'gain' | 'spec'>): Source {
  return Math.abs(gain * spec.ratio.value - 1) < 1e-3 ? spec.ratio.source : 'learnt';
}

/** The collar reading to stop at. Null when no collar was read. */
export function stopAtSum(corner: CornerMove): Sum | null {
  if (corner.stopAtMm === null || corner.collarMm === null) return null;
  return {
    title: `Stop at, ${cornerNames[corner.id]}`,
    words: `collar reading now, ${corner.spec.readingSign === 1 ? 'plus' : 'less'} the seat move`,
    formula: corner.spec.readingSign === 1 ? 'stop = r + c' : 'stop = r − c',
    inputs: [
      input('r', 'collar reading now', corner.collarMm, 'length', 'measured'),
      input('c', 'seat move, up positive', corner.seatBy, 'length', 'computed'),
    ],
    result: { value: corner.stopAtMm, unit: 'length' },
    note:
      'On this datum the reading ' +
      (corner.spec.readingSign === 1 ? 'grows' : 'shrinks') +
      ' as the seat moves towards the spring.',
  };
}

/** The height expected after the plan, with its band. */
export function predictedSum(corner: CornerAnswer, answer: Answer): Sum {
  const { solver } = answer.predictAt(answer.after).outcome;
  const i = answer.machine.corners.indexOf(corner.id);
  return {
    title: `Height after, ${cornerNames[corner.id]}`,
    words: 'height now, plus what all the seat moves give here once the machine has come to rest again',
    formula: 'h′ = h + Δh, where F·MR + Fg = W at every corner',
    inputs: [
      input('h', 'height now, by all readings so far', corner.nowMm, 'length', 'computed'),
      input('Δh', 'what the moves give here', corner.predictedMm - corner.nowMm, 'length', 'computed'),
      ...answer.corners.map((other) =>
        input(`c ${other.id}`, `seat move, ${cornerNames[other.id]}`, other.seatBy, 'length', 'computed'),
      ),
      ...restInputs(answer.machine, corner.id, contactOf(solver, i)),
      input('σ', 'one standard deviation', corner.predictedSdMm, 'length', 'computed'),
    ],
    result: { value: corner.predictedMm, unit: 'length' },
    left: leftAtRest(solver),
    note: '± is one standard deviation. It includes the readings, the friction left, and what is not known of ratio, springs, preload and weights.',
  };
}

/** How far a height as it was read is from its target. Null where it was not read in this round, or nothing is wanted. */
export function offSum(corner: CornerAnswer, answer: Answer): Sum | null {
  const { targetMm } = corner.spec;
  const { measured } = cornerHeight(answer, corner.id);
  if (targetMm === null || !measured) return null;
  return {
    title: `Off by, ${cornerNames[corner.id]}`,
    words: 'the height as measured in this round, less the target',
    formula: 'off = h − t',
    inputs: [
      input('h', 'height as measured', measured.value, 'length', 'measured'),
      input('t', 'target', targetMm, 'length', 'sheet'),
    ],
    result: { value: measured.value - targetMm, unit: 'length' },
    note: null,
  };
}

/** Where a collar stands: the last reading, carried along by the moves done since. Null when no collar was read. */
export function collarSum(corner: CornerAnswer, { state }: Answer): Sum | null {
  const read = state.rounds.findLast(({ collars }) => collars[corner.id] !== undefined);
  if (!read || corner.collarMm === null) return null;
  const { readingSign } = corner.spec;
  const moves = state.rounds.filter(({ round }) => round > read.round);
  return {
    title: `Collar reads, ${cornerNames[corner.id]}`,
    words: `the last reading, ${readingSign === 1 ? 'plus' : 'less'} every seat move done since`,
    formula: readingSign === 1 ? 'r = r₀ + c₁ + c₂ + …' : 'r = r₀ − c₁ − c₂ − …',
    inputs: [
      input(
        'r₀',
        `read in ${read.round === 0 ? 'the baseline' : `round ${read.round}`}`,
        read.collars[corner.id] ?? 0,
        'length',
        'measured',
      ),
      ...moves.map(({ round, moves: done }) =>
        input(
          `c${round}`,
          `seat move of round ${round}, up positive`,
          done[corner.id] ?? 0,
          'length',
          'measured',
        ),
      ),
    ],
    result: { value: corner.collarMm, unit: 'length' },
    note: null,
  };
}

/** Cross weight after the plan, or the right front's share where the fronts are to be equal. Null where the machine does not stand on four wheels. */
export function crossSum({ cross, predictAt, specifiedAfter, machine }: Answer): Sum | null {
  if (!cross) return null;
  const { pads } = predictAt(specifiedAfter).outcome.solver;
  const front = cross.frontRight.equal;
  const shown = machine.corners.filter((id) => !front || axleOf(id) === 'front');
  return {
    title: front ? 'Right front of the front' : 'Cross weight, right front and left rear',
    words: front
      ? 'what stands on the right front, over what stands on both front wheels'
      : 'what stands on the right front and the left rear, over what stands on all four',
    formula: front ? 'X = RF / (LF + RF)' : 'X = (RF + LR) / (LF + RF + LR + RR)',
    inputs: shown.map((id) =>
      input(
        id,
        `on the ${cornerNames[id]}`,
        pads[machine.corners.indexOf(id)] ?? 0,
        'force',
        machine.sources[id].load,
      ),
    ),
    result: { value: front ? cross.frontRight.after : cross.after, unit: 'percent' },
    note: 'After the plan, with on board what the targets are for.',
  };
}

/** The chance that every true height is in tolerance: as it stands now, or after the plan. */
export function chanceSum(answer: Answer, when: 'now' | 'after'): Sum | null {
  const after = when === 'after';
  const chance = after ? answer.chanceAfter : answer.chanceNow;
  if (chance === null) return null;
  const planned = answer.doubt.planned;
  const { km, level, aboard } = answer.specifiedAfter;
  const otherwise = chanceOtherwise(
    { ...answer, read: answer.corners.map(({ id }) => id) },
    after ? answer.specifiedAfter : { ...answer.now, km, level, aboard },
  );
  return {
    title: after ? 'Chance in tolerance' : 'Chance that all are in tolerance now',
    words: `share of random draws of the heights ${after ? 'after the plan' : 'now'} in which every corner is within tolerance of its target`,
    formula: planned < 1 ? 'P = q · w / 1000 + r' : 'P = w / 1000',
    inputs: [
      input(
        'w',
        'of 1000 draws, in which every corner is in',
        (1000 * (chance - otherwise)) / planned,
        'count',
        'computed',
      ),
      ...(planned < 1
        ? [
            input('q', 'that the machine is as it is planned from', planned, 'share', 'computed'),
            input(
              'r',
              'that it ends in tolerance although something else is so',
              otherwise,
              'share',
              'computed',
            ),
          ]
        : []),
      input('T', 'tolerance', answer.tolerance.value, 'length', answer.tolerance.source),
      ...answer.corners.map((corner) =>
        input(
          `σ ${corner.id}`,
          `spread, ${cornerNames[corner.id]}`,
          after ? corner.predictedSdMm : corner.nowSdMm,
          'length',
          'computed',
        ),
      ),
    ],
    result: { value: chance, unit: 'share' },
    note: 'True heights are meant, not one lucky reading.',
  };
}

/** What was issued for a corner when turning began. */
export function toldSum(told: ToldCorner, where: string): Sum {
  if (told.airByBar !== undefined) return toldPressureSum(told, told.airByBar, where);
  const turned = told.turns !== 0;
  return {
    title: `As issued, ${where}`,
    words: 'kept as it was issued when turning began; it does not change with what is learnt since',
    formula: turned ? 'turns = c / p' : 'turns = 0',
    inputs: [
      input('c', 'seat move issued', told.seatMm, 'length', 'told'),
      ...(turned ? [input('p', 'thread pitch then', told.seatMm / told.turns, 'length', 'told')] : []),
    ],
    result: { value: told.turns, unit: 'turns' },
    note: null,
  };
}

function toldPressureSum({ airToBar = 0 }: ToldCorner, byBar: number, where: string): Sum {
  return {
    title: `As issued, ${where}`,
    words: 'kept as it was issued when the work began; it does not change with what is learnt since',
    formula: 'pressure = p₀ + Δp',
    inputs: [
      input('p₀', 'bar before', airToBar - byBar, 'count', 'told'),
      input('Δp', 'bar more issued', byBar, 'count', 'told'),
    ],
    result: { value: airToBar, unit: 'count' },
    note: null,
  };
}

/** This round's reading against what was predicted for what was really done. */
export function comparedSum(height: CornerHeight, where: string): Sum | null {
  const { measured, predicted } = height;
  if (!predicted) return null;
  return {
    title: `Against the prediction, ${where}`,
    words: 'this round’s readings, less what all earlier readings predicted for what was really done',
    formula: measured ? 'off = h − h′' : 'h′',
    inputs: [
      ...(measured
        ? [input('h', 'mean of this round’s readings', measured.value, 'length', 'measured')]
        : []),
      input('h′', 'predicted for what was done', predicted.value, 'length', 'computed'),
      input('σ', 'one standard deviation of a reading about it', predicted.sd, 'length', 'computed'),
    ],
    result: { value: measured ? measured.value - predicted.value : predicted.value, unit: 'length' },
    note: null,
  };
}

function gainKnownFrom(id: CornerId, { document }: Answer): Source {
  return cornerSpec(document, id).ratio.source;
}

/** What was learnt of a ratio. */
export function gainSum({ id, title }: GainGroup, answer: Answer): Sum | null {
  const gain = answer.posterior.gains[id];
  if (!gain) return null;
  const { prior, now } = gain;
  return {
    title: `Wheel per seat, ${title}`,
    words: 'the sheet’s ratio weighed against the travel used and what every adjustment so far really did',
    formula: 'g = g₀ + Δg',
    inputs: [
      input('g₀', 'before anything was read: 1/MR', prior.mean, 'gain', gainKnownFrom(id, answer)),
      input('σ₀', 'its standard deviation', prior.sd, 'gain', 'assumed'),
      input('Δg', 'what every reading has made of it', now.mean - prior.mean, 'gain', 'learnt'),
      input('σ', 'standard deviation now', now.sd, 'gain', 'learnt'),
    ],
    result: { value: now.mean, unit: 'gain' },
    note: null,
  };
}
