import { cornerNames } from '../machine/body.ts';
import type { Margin, MarginKind } from '../margins/margins.ts';
import type { CornerAnswer } from '../plan/cornerAnswer.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';

type Body = Pick<Sum, 'title' | 'words' | 'formula' | 'inputs'>;

const bodies: Record<MarginKind, (corner: CornerAnswer, toleranceMm: number) => Body> = {
  'thread-up': (corner) => thread(corner, 'up'),
  'thread-down': (corner) => thread(corner, 'down'),
  droop,
  'bump-stop': (corner) => bump(corner, 'stop'),
  'bump-metal': (corner) => bump(corner, 'metal'),
  height,
};

/** What is left before a limit, opened: inputs that add up to the margin. */
export function marginSum(margin: Margin, corner: CornerAnswer, toleranceMm: number): Sum {
  const note = margin.assumed
    ? 'An assumed figure went in: give the corner’s own travel and travel used to firm this up.'
    : null;
  const body = bodies[margin.kind](corner, toleranceMm);
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

function droop({ travelNow, predictedMm, nowMm }: CornerAnswer): Body {
  return {
    title: 'Droop left',
    words: 'wheel travel used after the plan: what it can still extend before it tops out',
    formula: 'droop = z − (h′ − h)',
    inputs: [
      input('z', 'travel used now', travelNow.value, 'length', travelNow.source),
      input('h′ − h', 'rise by the plan', predictedMm - nowMm, 'length', 'computed'),
    ],
  };
}

function bump({ spec, travelAfterMm, travelNow }: CornerAnswer, to: 'stop' | 'metal'): Body {
  const source = travelNow.source === 'assumed' ? 'assumed' : 'computed';
  const inputs = [
    input('z max', 'wheel travel', spec.travelMm.value, 'length', spec.travelMm.source),
    input('z′', 'travel used after the plan', travelAfterMm, 'length', source),
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

function height({ spec, predictedMm }: CornerAnswer, toleranceMm: number): Body {
  return {
    title: 'Height within tolerance',
    words: 'tolerance less the distance from target after the plan',
    formula: 'left = T − |h′ − t|',
    inputs: [
      input('T', 'tolerance', toleranceMm, 'length', 'sheet'),
      input('h′', 'height after', predictedMm, 'length', 'computed'),
      input('t', 'target', spec.targetMm ?? 0, 'length', 'sheet'),
    ],
  };
}
