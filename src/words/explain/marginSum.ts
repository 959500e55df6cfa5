import { whichWords } from '../which.ts';
import { marginNamed } from './marginNames.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';
import type { Part } from '#core/calculation/part.ts';
import type { MarginKind } from '#core/margins/index.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import type { Margin } from '#core/margins/margins.ts';

interface Wording {
  title: string;
  words: string;
  formula: string;
}

const wordings: Record<MarginKind, Wording> = {
  'thread-up': {
    title: 'Thread left towards the spring',
    words: 'between the reading to stop at and the end of good thread',
    formula: 'left = |r end − stop|',
  },
  'thread-down': {
    title: 'Thread left away from the spring',
    words: 'between the reading to stop at and the end of good thread',
    formula: 'left = |r end − stop|',
  },
  engagement: {
    title: 'Lower mount, thread engaged',
    words: 'thread that stays in the mount over the least it must keep',
    formula: 'left = e − least',
  },
  cam: {
    title: 'Cam positions left',
    words: 'positions above the one chosen; past the middle one the spring is too soft',
    formula: 'left = n − k positions, so much wind-up',
  },
  sag: {
    title: 'Sag within its window',
    words: 'the nearer edge of the window',
    formula: 'left = min(z − from, to − z)',
  },
  droop: {
    title: 'Droop left',
    words:
      'wheel travel used after the plan: what it can still extend before it tops out. It rests where F·MR + Fg = W',
    formula: 'left = z',
  },
  'bump-stop': {
    title: 'Travel left to the bump stop',
    words: 'wheel travel left until the bump stop is touched',
    formula: 'left = z max − z − s',
  },
  'bump-metal': {
    title: 'Travel left to metal',
    words: 'wheel travel left until metal',
    formula: 'left = z max − z',
  },
  'damper-open': {
    title: 'Damper left to open',
    words: 'its length fully open, less the length it was read at, carried along with the wheel',
    formula: 'L′ = L + MR·Δz; left = open − L′',
  },
  'damper-closed': {
    title: 'Damper left to close',
    words: 'the length it was read at, carried along with the wheel, less its length fully closed',
    formula: 'L′ = L + MR·Δz; left = L′ − closed',
  },
  coil: {
    title: 'Coil space',
    words: 'what the spring can still close with the wheel at the end of its travel',
    formula: 'left = min((free − solid) − x, X solid − X)',
  },
  seated: {
    title: 'Preload at full droop',
    words: 'how far the springs are still compressed with the wheel hanging',
    formula: 'left = p₀ + c',
  },
  crossover: {
    title: 'Gap to crossover',
    words: 'way of the slider to its ring where the machine rests',
    formula: 'left = c₀ + p − m − u',
  },
  'ring-order': {
    title: 'Ring before coil bind',
    words: 'what the coils before the ring could still close when it takes over',
    formula: 'left = least (w − u)',
  },
  clearance: {
    title: 'Clearance',
    words: 'as measured at the baseline, carried along with height, less the least that is wanted',
    formula: 'left = d + g·Δh − least',
  },
  joint: {
    title: 'Shaft joint angle',
    words: 'rise of the body that brings the shaft to the most its joint or boot may take',
    formula: 'left = L·(sin most − sin a) − Δh',
  },
  ground: {
    title: 'Ground clearance',
    words:
      'a low point as measured at the baseline, moved with the body and its tyres, minus the least that is wanted',
    formula: 'left = d + Δh − least',
  },
  height: {
    title: 'Height within tolerance',
    words: 'tolerance less the distance from target after the plan',
    formula: 'left = T − |h′ − t|',
  },
};

/** Thread that was measured beside its seat, in place of the collar's limits. */
const asFound = {
  words: 'thread left as it was found, less what the seat goes that way',
  formula: 'left = t₀ − c',
};
const isAsFound = (parts: readonly Part[]) => parts.some(({ symbol }) => symbol === 't₀');

/** What is left before a limit, opened: formula, what went in, how sure it is. */
export function marginSum(margin: Margin): Sum {
  const { kind, which, loadCase, corner, leftMm, sdMm, assumed } = margin;
  const parts = margin.inputs();
  const { title, words, formula } = isAsFound(parts) ? { ...wordings[kind], ...asFound } : wordings[kind];
  return {
    title: [which === null ? title : `${title}, ${whichWords(which)}`, cornerNames[corner]].join(', '),
    words: loadCase === null ? words : `${words}; least when ${loadCase}`,
    formula,
    inputs: [
      ...parts.map((part) => marginNamed(kind, part)),
      ...(sdMm > 0 ? [input('σ', 'one standard deviation', sdMm, 'length', 'computed')] : []),
    ],
    result: { value: leftMm, unit: 'length' },
    note: assumed
      ? 'An assumed figure went in: give the corner’s own springs, travel and travel used to firm this up.'
      : null,
  };
}
