import { leftOver } from './rest.ts';
import { input } from './input.ts';
import type { Sum } from './types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { GRAVITY } from '#core/machine/solver.ts';
import type { BookEnd } from '#core/sag/book.ts';
import type { Attitude } from '#core/sag/attitude.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { FORK_RAKE_DEG, type Lowering } from '#core/sag/lowering.ts';
import type { SagAsking } from '#core/sag/worth.ts';

/** Weight that an end's springs carry, with nobody on or ridden. */
export function carriedSum(end: SagEnd, who: 'alone' | 'ridden'): Sum {
  const state = end[who];
  return {
    title: `Carried ${who === 'alone' ? 'with nobody on' : 'ridden'}, ${cornerNames[end.id]}`,
    words:
      'force of springs, gas and stop where it comes to rest: the weight on that end, without wheel and half the arm',
    formula: 'm = Fw / 9.80665',
    inputs: [
      input('z', 'sag then', state.afterMm, 'length', 'computed'),
      input('Fw', 'force at the wheel there', state.kg * GRAVITY, 'force', 'learnt'),
    ],
    result: { value: state.kg, unit: 'mass' },
    note: 'Known springs tell the load, known loads the springs: both as all readings together have them.',
  };
}

/** Force of the preload after the plan. */
export function preloadSum({ id, preload, rate }: SagEnd): Sum {
  return {
    title: `Preload then, ${cornerNames[id]}`,
    words: 'how far the spring is pressed together fully extended, and what it pushes with there',
    formula: preload.mm > 0 ? 'F = k·p' : 'F = 0',
    inputs: [
      input('p', 'preload after the plan, along the spring', preload.mm, 'length', 'computed'),
      ...(preload.mm > 0
        ? [
            input(
              'k',
              'mean rate as far as that',
              preload.forceN / preload.mm,
              'rate',
              rate.known ? 'learnt' : 'assumed',
            ),
          ]
        : []),
    ],
    result: { value: preload.forceN, unit: 'force' },
    note: 'Until the load is more than this the end stays topped out. It makes the spring no stiffer.',
  };
}

/** Sag that one step of an adjuster takes away. */
export function stepSum(end: SagEnd, alone = false): Sum {
  const { nowMm } = alone ? end.alone : end.ridden;
  return {
    title: `One step more, ${cornerNames[end.id]}`,
    words: `the machine by its readings, at rest with ${alone ? 'nobody' : 'the rider'} on: as it is set now, and one step further`,
    formula: 'Δ = z(c) − z(c + step)',
    inputs: [
      input('z(c)', 'sag as it is set now', nowMm, 'length', 'computed'),
      input('z(c + step)', 'the same a step further', nowMm - end.perStep.mm, 'length', 'computed'),
    ],
    result: { value: end.perStep.mm, unit: 'length' },
    note: null,
  };
}

/** Sag that another rider of the book will have. */
export function bookSagSum(
  name: string,
  {
    id,
    sagMm,
    sdMm,
    leftN,
    corner,
  }: Pick<BookEnd, 'id' | 'sagMm' | 'sdMm' | 'leftN'> & {
    corner: Pick<BookEnd['corner'], 'seatBy'>;
  },
): Sum {
  return {
    title: `Sag, ${name}, ${cornerNames[id]}`,
    words:
      'the machine by its readings, at rest, with this rider, passenger and luggage, at this rider’s settings',
    formula: 'F·MR + Fg = W at every end',
    inputs: [
      input('c', 'this rider’s seat move from where it is now', corner.seatBy, 'length', 'computed'),
      input('σ', 'one standard deviation', sdMm, 'length', 'computed'),
    ],
    result: { value: sagMm, unit: 'length' },
    left: leftOver(leftN),
    note: null,
  };
}

/** How far a chassis is tipped from where it stands fully extended. */
export function attitudeSum({ noseDownDeg, frontSagMm, rearSagMm, wheelbaseMm }: Attitude): Sum {
  return {
    title: 'Attitude of the chassis',
    words: 'what the front comes down more than the rear, over the wheelbase',
    formula: 'α = atan((z front − z rear) / L)',
    inputs: [
      input('z front', 'sag in front, ridden', frontSagMm, 'length', 'computed'),
      input('z rear', 'sag behind, ridden', rearSagMm, 'length', 'computed'),
      input('L', 'wheelbase', wheelbaseMm, 'length', 'sheet'),
    ],
    result: { value: noseDownDeg, unit: 'angle' },
    note: 'Nose down is positive.',
  };
}

/** How far fork tubes come up through the clamps to follow a lowered rear. */
export function tubesSum({ dropMm, tubesMm }: Lowering): Sum {
  return {
    title: 'Tubes in the clamps',
    words:
      'so that the chassis keeps its angle the front comes down as much; raked tubes slide further than they drop',
    formula: 't = d / cos ρ',
    inputs: [
      input('d', 'lowered at the axle by', dropMm, 'length', 'sheet'),
      input('ρ', 'rake of the fork from upright', FORK_RAKE_DEG, 'angle', 'assumed'),
    ],
    result: { value: tubesMm, unit: 'length' },
    note: null,
  };
}

/** What one more reading would make of the spread of the sags at an end. */
export function worthSum({ id, sdMm, withItMm }: SagAsking): Sum {
  return {
    title: `What it would settle, ${cornerNames[id]}`,
    words:
      'spread of static and rider sag of that end once the reading is in, without the part that the reading explains',
    formula: 'σ′ = √(σ² − t²)',
    inputs: [
      input('σ', 'one standard deviation as it is', sdMm, 'length', 'computed'),
      input('t', 'what the reading takes off it', Math.sqrt(sdMm ** 2 - withItMm ** 2), 'length', 'computed'),
    ],
    result: { value: withItMm, unit: 'length' },
    note: 'This is what stands behind the ±, one standard deviation.',
  };
}
