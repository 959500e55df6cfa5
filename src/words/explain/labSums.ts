import { input } from './input.ts';
import type { Sum, SumInput } from './types.ts';
import { bottoming, frequencyHz } from '#core/lab/curve.ts';
import { ringPlaces } from '#core/lab/rings.ts';
import { sectionAt } from '#core/lab/section.ts';
import { caseTravel, type Bench } from '#core/lab/setup.ts';
import { GRAVITY } from '#core/machine/solver.ts';

/** Where the bench stands at rest, with the force its springs carry there. */
function rest({ setup, model }: Bench) {
  const travelMm = caseTravel({ setup, model });
  model.evaluate(travelMm);
  const x = model.springAt(travelMm) + model.preloadMm;
  model.elastic.evaluate(x);
  const { forceN: springN, rateNPerMm: springRate } = model.elastic;
  model.evaluate(travelMm);
  const { forceN: wheelN, rateNPerMm } = model;
  // The spring's own ratio, where it sits apart from the damper.
  return { travelMm, x, springN, springRate, wheelN, ratio: model.springRatioAt(travelMm), rateNPerMm };
}

const kgOf = ({ setup }: Bench) => setup.cases[0]?.kg ?? NaN;

const load = ({ setup }: Bench): SumInput[] => [
  input('m', 'carried by this wheel’s springs', setup.cases[0]?.kg ?? NaN, 'mass', 'sheet'),
  input('W', 'its weight, m · 9.81', (setup.cases[0]?.kg ?? NaN) * GRAVITY, 'force', 'computed'),
];

/** Travel used at rest. */
export function restSum(bench: Bench): Sum {
  const { travelMm, x, springN, wheelN, ratio } = rest(bench);
  return {
    title: 'Travel used at rest',
    words: 'the wheel travel at which springs, gas and stop push back as much as the wheel carries',
    formula: 'F·MR + gas + stop = W',
    inputs: [
      ...load(bench),
      input('p', 'preload at full droop', bench.setup.preloadMm, 'length', 'sheet'),
      input('MR', 'damper per wheel where it rests', ratio, 'ratio', 'sheet'),
      input('x', 'springs compressed there, r(z) + p', x, 'length', 'computed'),
      input('F', 'spring force there', springN, 'force', 'computed'),
    ],
    result: { value: travelMm, unit: 'length' },
    left: input('left over', 'force not balanced', wheelN - kgOf(bench) * GRAVITY, 'force', 'computed'),
    note: null,
  };
}

/** Wheel rate at rest. */
export function wheelRateSum(bench: Bench): Sum {
  const { springN, springRate, ratio, rateNPerMm } = rest(bench);
  return {
    title: 'Wheel rate at rest',
    words:
      'rate of the springs that still move, through the ratio; the ratio’s own change with travel, gas and stop added',
    formula: 'K = k · MR² + F · dMR/dz + gas + stop',
    inputs: [
      input('k', 'rate of the springs together there', springRate, 'rate', 'computed'),
      input('MR', 'damper per wheel there', ratio, 'ratio', 'sheet'),
      input('k MR²', 'of that, through the ratio', springRate * ratio * ratio, 'rate', 'computed'),
      input('F', 'spring force there', springN, 'force', 'computed'),
      input(
        'rest',
        'changing ratio, gas and stop',
        rateNPerMm - springRate * ratio * ratio,
        'rate',
        'computed',
      ),
    ],
    result: { value: rateNPerMm, unit: 'rate' },
    note: null,
  };
}

/** Natural frequency at rest. */
export function frequencySum(bench: Bench): Sum {
  const { rateNPerMm } = rest(bench);
  const kg = bench.setup.cases[0]?.kg ?? NaN;
  return {
    title: 'Natural frequency at rest',
    words: 'how fast the load would bob on this wheel rate without a damper',
    formula: 'f = √(1000 · K / m) / 2π',
    inputs: [
      input('K', 'wheel rate at rest', rateNPerMm, 'rate', 'computed'),
      input('m', 'carried by this wheel’s springs', kg, 'mass', 'sheet'),
    ],
    result: { value: frequencyHz(rateNPerMm, kg), unit: 'hertz' },
    note: 'Tyre and unsprung mass are left out.',
  };
}

/** Where the first ring takes over; null without one that does. */
export function takeoverSum(bench: Bench, j = 0): Sum | null {
  const { travelMm, gapMm } = ringPlaces(bench, j);
  if (travelMm === null) return null;
  const at = rest(bench);
  return {
    title: 'Ring takes over',
    words:
      'from rest the slider closes its gap to the ring. The springs beyond it close as well. For plain coils Δ is g · (1 + k₁/k₂) / MR, else the whole curve is used',
    formula: 'z = z₀ + Δ',
    inputs: [
      input('z₀', 'travel used at rest', at.travelMm, 'length', 'computed'),
      input('g', 'gap from slider to ring at rest', gapMm, 'length', 'computed'),
      input('MR', 'damper per wheel at rest', at.ratio, 'ratio', 'sheet'),
      input('Δ', 'wheel travel from rest to it', travelMm - at.travelMm, 'length', 'computed'),
    ],
    result: { value: travelMm, unit: 'length' },
    note: null,
  };
}

/** Least way left to solid at full bump; null where no spring’s solid length is known. */
export function coilSpaceSum(bench: Bench): Sum | null {
  const { setup, model } = bench;
  const springs = sectionAt(bench, setup.travelMm).springs.filter(
    ({ tender, solidMm }) => !tender && solidMm !== null,
  );
  if (springs.length === 0) return null;
  const lefts = springs.map(({ fromMm, toMm, solidMm }) => toMm - fromMm - (solidMm ?? 0));
  const early = setup.travelMm - model.zMax;
  return {
    title: early > 1e-6 ? 'Springs solid before full bump' : 'Coil space left at full bump',
    words:
      early > 1e-6
        ? 'wheel travel that is missing because the springs are solid first'
        : 'the least of what each spring, as long as it then is, has left over its solid length; tenders are meant to close',
    formula: early > 1e-6 ? 'missing = z full − z solid' : 'left = least (L − L solid)',
    inputs: [
      input('z full', 'wheel travel to metal', setup.travelMm, 'length', 'sheet'),
      ...springs.flatMap(({ name, fromMm, toMm, solidMm }, i) => [
        input(`L${i + 1}`, `${name}, length at full bump`, toMm - fromMm, 'length', 'computed'),
        input(`S${i + 1}`, `${name}, solid length`, solidMm ?? 0, 'length', 'sheet'),
      ]),
    ],
    result: { value: early > 1e-6 ? early : Math.min(...lefts), unit: 'length' },
    note: null,
  };
}

/** What springs, gas and stop take in from rest to full bump. */
export function bottomingSum(bench: Bench): Sum {
  const { model } = bench;
  const { travelMm } = rest(bench);
  return {
    title: 'Energy to full bump',
    words: 'energy stored in springs, gas and stop at the end of travel, less what they hold at rest',
    formula: 'E = U(z end) − U(z₀)',
    inputs: [
      input('z₀', 'travel used at rest', travelMm, 'length', 'computed'),
      input('z end', 'end of travel', model.zMax, 'length', 'sheet'),
      input('U₀', 'held at rest', (model.energy(travelMm) - model.energy(0)) / 1000, 'joule', 'computed'),
      input(
        'U end',
        'held at the end',
        (model.energy(model.zMax) - model.energy(0)) / 1000,
        'joule',
        'computed',
      ),
    ],
    result: { value: bottoming(bench).fromRideJ, unit: 'joule' },
    note: 'Counted from full droop. The damper’s share is left out: it comes on top.',
  };
}

/** The fall that uses up the travel; null where even standing does. */
export function dropSum(bench: Bench): Sum | null {
  const { model, setup } = bench;
  const { dropMm } = bottoming(bench);
  if (dropMm === null) return null;
  const kg = setup.cases[0]?.kg ?? NaN;
  return {
    title: 'Equivalent drop height',
    words: 'height from which the load may fall, wheel hanging, and just reach the end of travel',
    formula: 'h = 1000 · U / (9.80665 · m) − z end',
    inputs: [
      input('m', 'carried by this wheel’s springs', kg, 'mass', 'sheet'),
      input('z end', 'end of travel', model.zMax, 'length', 'sheet'),
      input(
        'U',
        'taken in from full droop',
        (model.energy(model.zMax) - model.energy(0)) / 1000,
        'joule',
        'computed',
      ),
    ],
    result: { value: dropMm, unit: 'length' },
    note: 'Springs, gas and stop alone: a damper takes in as much again and more.',
  };
}
