import type { BootDocument } from '../job/types.ts';
import { cornerNames, type CornerId } from '../machine/body.ts';
import { angleAfter } from '../stance/ledger.ts';
import type { Axle } from '../machine/classes.ts';
import type { LinkLength } from '../stance/link.ts';
import type { LowPoint } from '../stance/lowPoints.ts';
import type { Shift } from '../stance/alignment.ts';
import type { Rake, WheelGap } from '../stance/gaps.ts';
import { input } from './input.ts';
import type { Sum, SumInput } from './types.ts';

/** Tyre to arch over a wheel. */
export function gapSum(gap: WheelGap, diameterMm: number): Sum {
  return {
    title: `Wheel gap, ${cornerNames[gap.id]}`,
    words:
      'hub to arch less half the tyre’s diameter; measured from the ground, less the diameter and what the tyre gives',
    formula: 'g = h − D / 2',
    inputs: [
      input('D', 'tyre diameter', diameterMm, 'length', 'measured'),
      input('h', 'hub to arch after the plan', gap.afterMm + diameterMm / 2, 'length', 'computed'),
      input('g₀', 'gap before the work', gap.beforeMm, 'length', 'computed'),
      input('g', 'gap now', gap.nowMm, 'length', 'computed'),
    ],
    result: { value: gap.afterMm, unit: 'length' },
    note: null,
  };
}

/** A low point over the ground, after the plan. */
export function lowPointSum(point: LowPoint): Sum {
  return {
    title: `${point.name}, over the ground`,
    words:
      'as measured at the baseline, plus what the body rises over that place: its plane and the tyres under it',
    formula: 'c = c₀ + (1, x, y)·Δq',
    inputs: [
      input('c₀', 'at the baseline', point.nowMm, 'length', 'measured'),
      input('x', 'ahead of the middle of the wheelbase', point.xMm, 'length', 'measured'),
      input('y', 'left of the middle', point.yMm, 'length', 'measured'),
      input('Δh', 'risen there', point.afterMm - point.nowMm, 'length', 'computed'),
    ],
    result: { value: point.afterMm, unit: 'length' },
    note: null,
  };
}

interface AngleOf {
  title: string;
  /** What limits it. */
  by: string;
  deg: number;
  heightMm: number;
  /** Tyres it is counted from: radius, and how far the point lies from under the axle, mm. */
  tyres: readonly { axle: Axle; radiusMm: number; awayMm: number }[];
}

/** A ramp or crest that just passes. */
export function angleSum({ title, by, deg, heightMm, tyres }: AngleOf): Sum {
  return {
    title,
    words:
      'the steepest plane that touches the tyre and passes just under the point; a crest has one to either tyre',
    formula: 'a sin α + (R − h) cos α = R',
    inputs: [
      input('h', `${by} over the ground after the plan`, heightMm, 'length', 'computed'),
      ...tyres.flatMap(({ axle, radiusMm, awayMm }) => [
        input(`R ${axle}`, `${axle} tyre radius`, radiusMm, 'length', 'measured'),
        input(`a ${axle}`, `from under the ${axle} axle`, awayMm, 'length', 'measured'),
      ]),
    ],
    result: { value: deg, unit: 'angle' },
    note: null,
  };
}

/** Length of a bar's link for no preload. */
export function linkSum(link: LinkLength, linkMm: number, perWheel: number): Sum {
  return {
    title: `Link of the ${link.axle} bar, ${cornerNames[link.corner]}`,
    words:
      'its length, plus what it lacked where it was measured, less what its wheel goes up against the wheel across until everything stands as the targets mean it',
    formula: 'l′ = l + g − q·Δ(z − z across)',
    inputs: [
      input('l', 'length as it is', linkMm, 'length', 'measured'),
      input('g', 'too short by, as measured', link.gapMm, 'length', 'measured'),
      input('q', 'mm at the link per mm of wheel', perWheel, 'ratio', 'sheet'),
      input('g′', 'too short by, then', link.gapThenMm, 'length', 'computed'),
    ],
    result: { value: linkMm + link.gapThenMm, unit: 'length' },
    note: 'Driver in and whatever else the targets are for; springs settled; floor level.',
  };
}

/** How camber or toe goes with height, and what the plan makes of it. */
export function shiftSum(
  title: string,
  { now, perMm, source, downMm, shift, after }: Shift,
  toe: boolean,
): Sum | null {
  if (perMm === null || shift === null) return null;
  const unit = toe ? 'length' : 'angle';
  const from: SumInput['source'] = source === 'sheet' ? 'sheet' : 'learnt';
  return {
    title,
    words:
      'what it gains per mm that the corner comes down, times what the plan brings it down from where it was read',
    formula: after === null ? 'Δ = k·Δz' : 'a′ = a + k·Δz',
    inputs: [
      input('k', `${toe ? 'mm' : 'degrees'} per mm`, perMm, 'ratio', from),
      input('Δz', 'comes down by', downMm, 'length', 'computed'),
      ...(now === null ? [] : [input('a', 'as last read', now, unit, 'measured')]),
    ],
    result: { value: after ?? shift, unit },
    note: source === 'learnt' ? 'Learnt from readings in two rounds, at heights apart.' : null,
  };
}

/** Rear over front at the reference points, after the plan. */
export function rakeSum({ frontMm, rearMm, afterMm, afterDeg }: Rake, wheelbaseMm: number): Sum {
  return {
    title: 'Rake after the plan',
    words:
      'mean of the rear heights less mean of the front heights; over the wheelbase it is an angle, nose down positive',
    formula: 'r = mean(h rear) − mean(h front),  α = atan(r / L)',
    inputs: [
      input('h front', 'mean of the front after the plan', frontMm, 'length', 'computed'),
      input('h rear', 'mean of the rear after the plan', rearMm, 'length', 'computed'),
      input('L', 'wheelbase', wheelbaseMm, 'length', 'sheet'),
      input('α', 'as an angle', afterDeg, 'angle', 'computed'),
    ],
    result: { value: afterMm, unit: 'length' },
    note: null,
  };
}

/** A shaft’s angle once the body has risen over its wheel. */
export function jointSum({ name, nowDeg, shaftMm }: BootDocument, corner: CornerId, risenMm: number): Sum {
  return {
    title: `${name}, ${cornerNames[corner]}`,
    words: 'its inner end goes up with the body, its outer end stays with the wheel',
    formula: 'sin a′ = sin a + Δh / L',
    inputs: [
      input('a', 'angle at the baseline', nowDeg, 'angle', 'measured'),
      input('L', 'joint to joint', shaftMm, 'length', 'sheet'),
      input('Δh', 'risen over this wheel by then', risenMm, 'length', 'computed'),
    ],
    result: { value: angleAfter({ nowDeg, shaftMm }, risenMm), unit: 'angle' },
    note: null,
  };
}
