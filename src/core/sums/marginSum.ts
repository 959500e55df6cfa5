import { cornerNames } from '../machine/body.ts';
import type { MarginKind } from '../margins/left.ts';
import type { Margin } from '../margins/margins.ts';
import type { CornerAnswer } from '../plan/cornerAnswer.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';

type Body = Pick<Sum, 'title' | 'words' | 'formula' | 'inputs'>;

const bodies: Record<MarginKind, (corner: CornerAnswer, toleranceMm: number, margin: Margin) => Body> = {
  'thread-up': (corner) => thread(corner, 'up'),
  'thread-down': (corner) => thread(corner, 'down'),
  droop: (_corner, _tolerance, margin) => droop(margin),
  'bump-stop': (corner, _tolerance, margin) => bump(corner, 'stop', margin),
  'bump-metal': (corner, _tolerance, margin) => bump(corner, 'metal', margin),
  coil: (_corner, _tolerance, margin) => plain(margin, springSums.coil),
  seated: (_corner, _tolerance, margin) => plain(margin, springSums.seated),
  crossover: (_corner, _tolerance, margin) => plain(margin, springSums.crossover),
  clearance: (_corner, _tolerance, margin) => plain(margin, springSums.clearance),
  height,
};

/** What is left before a limit, opened: inputs that add up to the margin. */
export function marginSum(margin: Margin, corner: CornerAnswer, toleranceMm: number): Sum {
  const note = margin.assumed
    ? 'An assumed figure went in: give the corner’s own travel and travel used to firm this up.'
    : null;
  const body = bodies[margin.kind](corner, toleranceMm, margin);
  const title = `${body.title}, ${cornerNames[margin.corner]}`;
  return { ...body, title, result: { value: margin.leftMm, unit: 'length' }, note };
}

function thread({ spec, stopAtMm }: CornerAnswer, way: 'up' | 'down'): Body {
  const atMax = (way === 'up') === (spec.readingSign === 1);
  const limitMm = (atMax ? spec.collarMaxMm : spec.collarMinMm) ?? 0;
  return {
    title: `Thread left ${way}`,
    words: 'from the reading to stop at to the end of good thread',
    formula: atMax ? 'left = r max − stop' : 'left = stop − r min',
    inputs: [
      input(atMax ? 'r max' : 'r min', 'collar limit', limitMm, 'length', 'sheet'),
      input('stop', 'reading to stop at', stopAtMm ?? 0, 'length', 'computed'),
      input('p', 'thread pitch per turn', spec.pitchMm.value, 'length', spec.pitchMm.source),
    ],
  };
}

interface Wording {
  title: string;
  words: string;
  formula: string;
  left: string;
}

const springSums: Record<'coil' | 'seated' | 'crossover' | 'clearance', Wording> = {
  coil: {
    title: 'Coil space',
    words: 'what the spring can still close with the wheel at the end of its travel',
    formula: 'left = (free − solid) − x at full bump',
    left: 'way left to solid',
  },
  seated: {
    title: 'Spring seated at droop',
    words: 'how far the springs are still compressed with the wheel hanging',
    formula: 'p = free length − room at full droop, plus every seat move since',
    left: 'preload after the plan',
  },
  crossover: {
    title: 'Gap to crossover',
    words: 'way of the slider to its ring where the machine rests',
    formula: 'gap = c₀ + p − F/k₁ on the body, c₀ − F/k₁ on the seat',
    left: 'slider to ring',
  },
  clearance: {
    title: 'Clearance',
    words: 'as measured at the baseline, carried along with height, less the least that is wanted',
    formula: 'left = d + g (h′ − h₀) − least',
    left: 'left over the least',
  },
};

/** A margin that comes out of the machine's own model: what it is, where it is least, and how sure it is. */
function plain({ leftMm, sdMm, name, loadCase }: Margin, { title, words, formula, left }: Wording): Body {
  const where = loadCase === null ? '' : `; least when ${loadCase}`;
  return {
    title: name === null ? title : `${title}, ${name}`,
    words: words + where,
    formula,
    inputs: [
      input('left', left, leftMm, 'length', 'computed'),
      ...(sdMm > 0 ? [input('σ', 'one standard deviation', sdMm, 'length', 'computed')] : []),
    ],
  };
}

function caseWords({ loadCase }: Margin): string {
  return loadCase === null ? '' : `, ${loadCase}`;
}

function droop(margin: Margin): Body {
  return {
    title: 'Droop left',
    words: `wheel travel used after the plan${caseWords(margin)}: what it can still extend before it tops out`,
    formula: 'Fw(z) = W solved for z, on the ratio and preload that the readings bear out',
    inputs: [
      input('z', 'travel used after the plan', margin.leftMm, 'length', 'computed'),
      input('σ', 'one standard deviation', margin.sdMm, 'length', 'computed'),
    ],
  };
}

function bump({ spec, travelNow }: CornerAnswer, to: 'stop' | 'metal', margin: Margin): Body {
  const source = travelNow.source === 'assumed' ? 'assumed' : 'computed';
  const stop = to === 'stop' ? spec.stopMm.value : 0;
  const inputs = [
    input('z max', 'wheel travel', spec.travelMm.value, 'length', spec.travelMm.source),
    input(
      'z′',
      `travel used after the plan${caseWords(margin)}`,
      spec.travelMm.value - stop - margin.leftMm,
      'length',
      source,
    ),
  ];
  if (to === 'metal')
    return {
      title: 'Bump to metal',
      words: 'wheel travel left until metal',
      formula: 'left = z max − z′',
      inputs,
    };
  return {
    title: 'Bump to stop',
    words: 'wheel travel left until the bump stop is touched',
    formula: 'left = z max − z′ − s',
    inputs: [
      ...inputs,
      input('s', 'travel taken by the stop', spec.stopMm.value, 'length', spec.stopMm.source),
    ],
  };
}

function height({ spec, specMm }: CornerAnswer, toleranceMm: number): Body {
  return {
    title: 'Height within tolerance',
    words: 'tolerance less the distance from target after the plan',
    formula: 'left = T − |h′ − t|',
    inputs: [
      input('T', 'tolerance', toleranceMm, 'length', 'sheet'),
      input('h′', 'height after, as specified', specMm, 'length', 'computed'),
      input('t', 'target', spec.targetMm ?? 0, 'length', 'sheet'),
    ],
  };
}
