import { letGoWords, whoWords } from '../sagPrompts.ts';
import { leftAtRest } from './rest.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { showsSag } from '#core/document/showsSag.ts';
import type { SagRead } from '#core/sag/asRead.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import type { LetGo } from '#core/document/sagReadings.ts';
import { sagFigure } from '#core/figures/sagFigure.ts';
import { middleOf } from '#core/sag/schools.ts';
import { GRAVITY } from '#core/machine/solver.ts';
import { tolerances } from '#core/tolerances.ts';

/** Sag of one end in one state as it was read. Null where it was not. `who` is 'alone' or the rider's key. */
export function sagSum(answer: Answer, end: SagEnd, who: string): Sum | null {
  const { read, measured } = sagFigure(answer, end, who);
  if (!read || !measured) return null;
  const both = read.press.length > 0;
  if (showsSag(answer.document, end.id)) return gaugeSum(answer, end, { who, read, mm: measured.value });
  const mean = (symbol: string, how: LetGo, list: readonly number[]) =>
    input(symbol, letGoWords[how], meanOf(list), 'length', 'measured');
  return {
    title: `Sag, ${whoWords(answer.document, who)}, ${cornerNames[end.id]}`,
    words: both
      ? 'what it reads fully extended, less the middle of pressed and lifted: between them friction is out of it'
      : 'what it reads fully extended, less what it reads as it rests: friction is somewhere in it',
    formula: both ? 'sag = L1 − (L2 + L3) / 2' : 'sag = L1 − L',
    inputs: [
      input('L1', 'fully extended', meanOf(read.extended), 'length', 'measured'),
      ...(both
        ? [mean('L2', 'press', read.press), mean('L3', 'lift', read.lift)]
        : [mean('L', 'rest', read.rest)]),
    ],
    result: { value: measured.value, unit: 'length' },
    note: null,
  };
}

/** The same by a gauge that shows the sag itself. */
function gaugeSum(
  { document }: Answer,
  { id }: SagEnd,
  { who, read, mm }: { who: string; read: SagRead; mm: number },
): Sum {
  const shown = (symbol: string, how: LetGo, list: readonly number[]) =>
    input(symbol, letGoWords[how], -meanOf(list), 'length', 'measured');
  const both = read.press.length > 0;
  return {
    title: `Sag, ${whoWords(document, who)}, ${cornerNames[id]}`,
    words: both
      ? 'the middle of what the gauge shows pressed and lifted, zeroed fully extended: friction is out of it'
      : 'what the gauge shows, zeroed fully extended: friction is somewhere in it',
    formula: both ? 'sag = (S1 + S2) / 2' : 'sag = S',
    inputs: both
      ? [shown('S1', 'press', read.press), shown('S2', 'lift', read.lift)]
      : [shown('S', 'rest', read.rest)],
    result: { value: mm, unit: 'length' },
    note: null,
  };
}

/** The wheel travel behind a sag, as all readings, loads and springs have it. */
export function sagEstimateSum(answer: Answer, end: SagEnd, who: string): Sum {
  const { estimated, measured } = sagFigure(answer, end, who);
  const alone = who === 'alone';
  const { solver } = answer.predictAt(
    alone ? { ...answer.now, aboard: answer.machine.alone } : answer.now,
  ).outcome;
  return {
    title: `Estimated sag, ${whoWords(answer.document, who)}, ${cornerNames[end.id]}`,
    words:
      'the wheel travel at which the machine comes to rest, from all readings. Loads, springs and ratio count beside the tape',
    formula: measured ? 'ẑ = z + Δ' : 'F·MR + Fg = W at every end',
    inputs: [
      ...(measured
        ? [
            input('z', 'as read', measured.value, 'length', 'measured'),
            input('Δ', 'what all else draws it by', estimated.value - measured.value, 'length', 'computed'),
          ]
        : []),
      input(
        'W',
        'sprung weight on this end',
        (alone ? end.alone : end.ridden).kg * GRAVITY,
        'force',
        'learnt',
      ),
      input('σ', 'one standard deviation', estimated.sd, 'length', 'computed'),
    ],
    result: { value: estimated.value, unit: 'length' },
    left: leftAtRest(solver),
    note: null,
  };
}

/** Sag of one end once what is asked has been turned. `who` is 'alone' or the rider's key. */
export function sagAfterSum(answer: Answer, end: SagEnd, who: string): Sum {
  const state = who === 'alone' ? end.alone : end.ridden;
  const situation = answer.specifiedAfter;
  const { solver } = answer.predictAt(
    who === 'alone' ? { ...situation, aboard: answer.machine.alone } : situation,
  ).outcome;
  const corner = answer.corners.find(({ id }) => id === end.id);
  return {
    title: `Sag then, ${whoWords(answer.document, who)}, ${cornerNames[end.id]}`,
    words:
      'the machine as the readings have it, with every adjuster moved as told, come to rest under this load',
    formula: 'z′ = z + Δz, where F·MR + Fg = W at every end',
    inputs: [
      input('z', 'sag now, by all readings so far', state.nowMm, 'length', 'computed'),
      input(
        'Δz',
        'what is turned, and what settles, makes of it',
        state.afterMm - state.nowMm,
        'length',
        'computed',
      ),
      input('c', 'seat move issued', corner?.seatBy ?? 0, 'length', 'computed'),
      input('W', 'sprung weight on this end', state.kg * GRAVITY, 'force', 'learnt'),
      input('p', 'preload then', end.preload.mm, 'length', 'computed'),
      input('σ', 'one standard deviation', state.afterSdMm, 'length', 'computed'),
    ],
    result: { value: state.afterMm, unit: 'length' },
    left: leftAtRest(solver),
    note: null,
  };
}

/** The coil that both sags ask for. Null where there is none. */
export function neededSum({ document }: Answer, end: SagEnd): Sum | null {
  const { sagWindow, staticWindow, sagMm } = document.corners[end.id];
  if (!end.needed || !sagWindow || !staticWindow) return null;
  const { light: at, heavy } = end.needed;
  return {
    title: `The spring that both sags ask for, ${cornerNames[end.id]}`,
    words:
      'preload moves both sags alike; only the rate moves them apart. At this rate both sags stand in the middle of their windows',
    formula: 'k = (F₁ − F₀) / (r₁ − r₀),  p = F₀ / k − r₀',
    inputs: [
      input('W₀', 'sprung weight, machine alone', end.alone.kg * GRAVITY, 'force', 'learnt'),
      input('W₁', 'the same, rider on', end.ridden.kg * GRAVITY, 'force', 'learnt'),
      input('z₀', 'static sag wanted', middleOf(staticWindow), 'length', 'sheet'),
      input('z₁', 'rider sag wanted', sagMm ?? middleOf(sagWindow), 'length', 'sheet'),
      input(
        'F₀',
        'force along the spring there: load less gas and stop, by its ratio',
        at.loadN,
        'force',
        'computed',
      ),
      input('F₁', 'the same, rider on', heavy.loadN, 'force', 'computed'),
      input('r₀', 'spring closed there', at.springMm, 'length', 'computed'),
      input('r₁', 'the same, rider on', heavy.springMm, 'length', 'computed'),
      input('p', 'preload it would then have', end.needed.preloadMm, 'length', 'computed'),
      input('σ', 'one standard deviation of the rate', end.needed.sdNPerMm, 'rate', 'computed'),
    ],
    result: { value: end.needed.rateNPerMm, unit: 'rate' },
    note: null,
  };
}

/** What friction holds at an end. Null where no band was read. */
export function frictionSum(answer: Answer, { id, friction, travelMm }: SagEnd): Sum | null {
  if (!friction) return null;
  const sag = answer.state.rounds.findLast((round) => round.sag[id])?.sag[id];
  const bands = Object.entries(sag?.states ?? {}).flatMap(([who, { press, lift }]) =>
    press?.length && lift?.length
      ? [input('L3−L2', whoWords(answer.document, who), meanOf(lift) - meanOf(press), 'length', 'measured')]
      : [],
  );
  return {
    title: `Friction band, ${cornerNames[id]}`,
    words:
      'lifted and let go, less pressed and let go: the widest of what was read. Half of it works each way',
    formula: 'band = max(L3 − L2)',
    inputs: [...bands, input('travel', 'the whole travel', travelMm, 'length', 'sheet')],
    result: { value: friction.bandMm, unit: 'length' },
    note: `Up to ${100 * tolerances.frictionBand.good} % of the travel is good. Beyond ${100 * tolerances.frictionBand.poor} % something binds, seals are dry, or it was not let settle: no reading is worth much then.`,
  };
}
