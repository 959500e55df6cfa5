import { referenceKinds } from '../geometry/reference.ts';
import { cornerNames } from '../machine/body.ts';
import { meanOf } from '../numerics/mean.ts';
import type { Answer } from '../plan/answer.ts';
import type { SagEnd } from '../sag/bench.ts';
import { wayWords, whoWords } from '../sag/prompts.ts';
import { halfBandOf, midReading, type LetGo } from '../sag/readings.ts';
import { middleOf } from '../sag/schools.ts';
import { GRAVITY } from '../machine/solver.ts';
import { tolerances } from '../tolerances.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';

/** Sag of one end in one state, as read and as the whole machine has it. `who` is 'alone' or the rider's key. */
export function sagSum(answer: Answer, end: SagEnd, who: string): Sum {
  const state = who === 'alone' ? end.alone : end.ridden;
  const sag = answer.state.rounds.findLast((round) => round.sag[end.id])?.sag[end.id];
  const read = Object.entries(sag?.states[who] ?? {}) as [LetGo, number[]][];
  const mid = sag ? midReading(sag.states[who] ?? {}, halfBandOf(sag)) : null;
  const { kind } = answer.document.corners[end.id].reference;
  return {
    title: `Sag, ${whoWords(answer.document, who)}, ${cornerNames[end.id]}`,
    words:
      'what it reads fully extended, less the middle of pressed and lifted: between them friction is out of it. Loads, springs and ratio of the whole machine have their say too',
    formula:
      referenceKinds[kind].follows === 'damper' ? 'sag = (L1 − (L2 + L3)/2) / MR' : 'sag = L1 − (L2 + L3)/2',
    inputs: [
      ...(sag?.extended.length
        ? [input('L1', 'fully extended', meanOf(sag.extended), 'length', 'measured')]
        : []),
      ...read.map(([how, list]) =>
        input(
          how === 'press' ? 'L2' : how === 'lift' ? 'L3' : 'L',
          wayWords[how],
          meanOf(list),
          'length',
          'measured',
        ),
      ),
      ...(mid ? [input('(L2+L3)/2', 'without friction', mid.mm, 'length', 'computed')] : []),
      input('W', 'sprung weight on this end', state.kg * GRAVITY, 'force', 'learnt'),
      input('σ', 'one standard deviation', state.nowSdMm, 'length', 'computed'),
    ],
    result: { value: state.nowMm, unit: 'length' },
    note:
      who === 'alone'
        ? null
        : 'As ridden: gear, luggage and fuel that were not on while reading are added by their weight.',
  };
}

/** Sag of one end once what is asked has been turned. `who` is 'alone' or the rider's key. */
export function sagAfterSum(answer: Answer, end: SagEnd, who: string): Sum {
  const state = who === 'alone' ? end.alone : end.ridden;
  const corner = answer.corners.find(({ id }) => id === end.id);
  return {
    title: `Sag then, ${whoWords(answer.document, who)}, ${cornerNames[end.id]}`,
    words:
      'the machine as the readings have it, with every adjuster moved as told, come to rest under this load',
    formula: 'F(x)·MR = W at every end, with x = r(z) + p + c',
    inputs: [
      input('z', 'sag now', state.nowMm, 'length', 'measured'),
      input('c', 'seat move told', corner?.seatMm ?? 0, 'length', 'computed'),
      input('W', 'sprung weight on this end', state.kg * GRAVITY, 'force', 'learnt'),
      input('p', 'preload then', end.preload.mm, 'length', 'computed'),
      input('σ', 'one standard deviation', state.afterSdMm, 'length', 'computed'),
    ],
    result: { value: state.afterMm, unit: 'length' },
    note: null,
  };
}

/** The coil that both sags ask for. Null where there is none. */
export function neededSum({ document }: Answer, end: SagEnd): Sum | null {
  const { sagWindow, staticWindow, sagMm } = document.corners[end.id];
  if (!end.needed || !sagWindow || !staticWindow) return null;
  return {
    title: `The spring that both sags ask for, ${cornerNames[end.id]}`,
    words:
      'preload moves both sags alike, only the rate moves them apart: the rate with which the machine alone and the rider on both stand in the middle of their windows',
    formula: 'k = (F₁ − F₀) / (r₁ − r₀),  F = (W − gas − stop) / r′,  p = F₀/k − r₀',
    inputs: [
      input('W₀', 'sprung weight, machine alone', end.alone.kg * GRAVITY, 'force', 'learnt'),
      input('W₁', 'the same, rider on', end.ridden.kg * GRAVITY, 'force', 'learnt'),
      input('z₀', 'static sag wanted', middleOf(staticWindow), 'length', 'sheet'),
      input('z₁', 'rider sag wanted', sagMm ?? middleOf(sagWindow), 'length', 'sheet'),
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
