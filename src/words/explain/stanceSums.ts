import { input } from './input.ts';
import type { Sum, SumInput } from './types.ts';
import type { BootDocument, JobDocument } from '#core/document/types.ts';
import { rodsOf, tieRodTurns, usualSteering } from '#core/stance/toe.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { angleAfter } from '#core/stance/joint.ts';
import type { Axle } from '#core/kinds/corners.ts';
import type { LinkLength } from '#core/stance/link.ts';
import type { LowPoint } from '#core/stance/lowPoints.ts';
import type { Shift } from '#core/stance/alignment.ts';
import type { Rake, WheelGap } from '#core/stance/gaps.ts';

/** Tyre to arch over a wheel, before the work, now or after the plan. */
export function gapSum(gap: WheelGap, when: 'before' | 'now' | 'after', diameterMm: number): Sum {
  const { mm, heightMm, tyreTakesMm } = gap[when];
  const hub = gap.from === 'hub';
  const then = { before: 'before the work', now: 'now', after: 'after the plan' }[when];
  return {
    title: `Wheel gap ${then}, ${cornerNames[gap.id]}`,
    words: hub
      ? 'hub to arch, less half the tyre’s diameter'
      : 'ground to arch, less the tyre’s diameter as far as its load leaves it',
    formula: hub ? 'g = h − D / 2' : 'g = h − (D − u)',
    inputs: [
      input('h', `${hub ? 'hub' : 'ground'} to arch ${then}`, heightMm, 'length', 'computed'),
      input('D', 'tyre diameter', diameterMm, 'length', 'measured'),
      ...(hub ? [] : [input('u', 'squeezed by its load', diameterMm - tyreTakesMm, 'length', 'computed')]),
    ],
    result: { value: mm, unit: 'length' },
    note: 'Heights as all readings together have them.',
  };
}

/** Tyre to arch after the plan, on tyres that are to go on. */
export function nextGapSum({ id, after, onNextTyresMm }: WheelGap): Sum {
  return {
    title: `Wheel gap on the next tyres, ${cornerNames[id]}`,
    words: 'the gap after the plan, less what the next tyre’s radius is more',
    formula: 'g′ = g − ΔR',
    inputs: [
      input('g', 'gap after the plan', after.mm, 'length', 'computed'),
      input(
        'ΔR',
        'radius added: half of what its diameter is more',
        after.mm - onNextTyresMm,
        'length',
        'measured',
      ),
    ],
    result: { value: onNextTyresMm, unit: 'length' },
    note: 'Measure the tyre; what is written on it is a name.',
  };
}

/** A low point over the ground, after the plan. */
export function lowPointSum(point: LowPoint): Sum {
  return {
    title: `${point.name}, over the ground`,
    words:
      'as measured at the baseline, plus what the body rises over that place: its plane and the tyres under it',
    formula: 'c = c₀ + Δh',
    inputs: [
      input('c₀', 'at the baseline', point.nowMm, 'length', 'measured'),
      input('x', 'ahead of the middle of the wheelbase', point.xMm, 'length', 'measured'),
      input('y', 'left of the middle', point.yMm, 'length', 'measured'),
      input(
        'Δh',
        'risen there: the plane of the body at x, y',
        point.afterMm - point.nowMm,
        'length',
        'computed',
      ),
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
      'the steepest plane that touches the tyre and passes just under the point; a rise between the wheels has one to either tyre',
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
      'its length, plus what it was short when measured, minus its wheel’s rise against the other wheel once at the targets',
    formula: 'l′ = l + g′,  g′ = g − q·Δz',
    inputs: [
      input('l', 'length as it is', linkMm, 'length', 'measured'),
      input('g', 'too short by, as measured', link.gapMm, 'length', 'measured'),
      input('q', 'mm at the link per mm of wheel', perWheel, 'ratio', 'sheet'),
      input(
        'Δz',
        'goes up against the wheel across by',
        (link.gapMm - link.gapThenMm) / perWheel,
        'length',
        'computed',
      ),
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
    words: 'what it gains per mm that the corner drops, times the drop by this plan since it was read',
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

/** Rear over front at the reference points, now or after the plan. */
export function rakeSum(rake: Rake, when: 'now' | 'after', wheelbaseMm: number): Sum {
  const { frontMm, rearMm, mm, deg } = rake[when];
  const then = when === 'now' ? 'now' : 'after the plan';
  return {
    title: `Rake ${then}`,
    words:
      'mean of the rear heights less mean of the front heights; over the wheelbase it is an angle, nose down positive',
    formula: 'r = mean(h rear) − mean(h front),  α = atan(r / L)',
    inputs: [
      input('h front', `mean of the front ${then}`, frontMm, 'length', 'computed'),
      input('h rear', `mean of the rear ${then}`, rearMm, 'length', 'computed'),
      input('L', 'wheelbase', wheelbaseMm, 'length', 'sheet'),
      input('α', 'as an angle', deg, 'angle', 'computed'),
    ],
    result: { value: mm, unit: 'length' },
    note: null,
  };
}

/** Turns of each tie rod for the toe that is wanted. */
export function rodSum(toeMm: number, { steering }: JobDocument): Sum {
  const wanted = steering.toeMm ?? usualSteering.toeMm;
  const { diameterMm, armMm, pitchMm } = rodsOf({ steering });
  const given = (own: number | null, from: SumInput['source']) => (own === null ? 'assumed' : from);
  return {
    title: 'Turns of each tie rod',
    words:
      'half of the change falls to each wheel; over the tyre it is an angle, at the steering arm a way, over the pitch so many turns',
    formula: 'n = a·(t′ − t) / (2·D·p)',
    inputs: [
      input('t′', 'toe-in wanted', wanted, 'length', given(steering.toeMm, 'sheet')),
      input('t', 'toe-in as it will be without', toeMm, 'length', 'computed'),
      input('D', 'tyre diameter', diameterMm, 'length', given(steering.tyreMm, 'measured')),
      input('a', 'steering arm', armMm, 'length', given(steering.armMm, 'measured')),
      input('p', 'pitch of the tie rod', pitchMm, 'length', given(steering.pitchMm, 'measured')),
    ],
    result: { value: tieRodTurns(wanted - toeMm, { diameterMm, armMm, pitchMm }), unit: 'ratio' },
    note: 'Both rods alike and the same way, so that the wheel stays straight. Positive is more toe-in.',
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
