import { FaultList, type Checked } from '../faults.ts';
import type { RatioDescription } from '../geometry/ratioMap.ts';
import { plainSetup, type LabSetup } from '../lab/setup.ts';
import { asOne, solidOf, springFromRack, type RackSpring } from './spring.ts';
import type { SpringDescription } from '../springs/spring.ts';
import { springFrom } from '../document/spring.ts';

/** A load case that the springs must serve. */
export interface SearchCase {
  name: string;
  /** Sprung kg on this wheel. */
  kg: number;
  /** Wheel travel used that is wanted, mm. */
  fromMm: number;
  toMm: number;
}

/** What springs are looked for: a wheel, what it carries, where it is to stand, and what can be adjusted. */
export interface SearchProblem {
  travelMm: number;
  ratio: RatioDescription;
  springRatio: RatioDescription | null;
  stop: LabSetup['stop'];
  gas: LabSetup['gas'];
  /** The seat is set for the first. */
  cases: SearchCase[];
  /** Wheel travel used in the first case, mm. */
  targetMm: number;
  /** Room for the springs at full droop, seat fully towards them and fully away, mm. */
  room: { leastMm: number; mostMm: number };
  /** Where a ring can stand and when it is to come; null is no ring. */
  ring: RingWish | null;
  /** Inner diameter that fits, mm; null takes any. */
  inner: { leastMm: number; mostMm: number } | null;
  /** Margins every answer must keep, mm. */
  least: { coilMm: number; seatedMm: number; bumpMm: number };
  /** How many of each work side by side, as in the two legs of a fork: all that is told of springs is of one. */
  sideBySide: 1 | 2;
  /** How many of each are needed in stock; 0 looks at the whole catalogue. */
  inStock: number;
  kinds: { single: boolean; tender: boolean; dual: boolean };
}

/** Where a ring can stand, and the share of the bump travel left that it is to come at. */
interface RingWish {
  /** Face of the seat to ring, mm. */
  leastMm: number;
  mostMm: number;
  share: number;
  /** Where what is wished does not do, it may come anywhere between. */
  fromShare: number;
  toShare: number;
}

/** Shares of bump that a ring is tried at, the wished one first: both ends of what is allowed, and two between. */
export function ringShares({ share, fromShare, toShare }: RingWish): number[] {
  const between = [0, 1 / 3, 2 / 3, 1].map((part) => fromShare + part * (toShare - fromShare));
  return [share, ...between.filter((one) => Math.abs(one - share) > 0.005)];
}

export const SEARCH_CASES = 6;

/** A wheel with middle-of-the-road figures: something to type over. */
export const plainProblem: SearchProblem = {
  travelMm: 200,
  ratio: { kind: 'constant', ratio: 0.75 },
  springRatio: null,
  stop: plainSetup.stop,
  gas: null,
  cases: [{ name: 'ride height', kg: 240, fromMm: 60, toMm: 75 }],
  targetMm: 67,
  room: { leastMm: 220, mostMm: 280 },
  ring: { leastMm: 20, mostMm: 250, share: 0.5, fromShare: 0.35, toShare: 0.7 },
  inner: null,
  least: { coilMm: 4, seatedMm: 2, bumpMm: 15 },
  sideBySide: 1,
  inStock: 0,
  kinds: { single: true, tender: true, dual: true },
};

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A problem out of a link: of the right shape, with what was left out filled in; null where it is none. */
export function readProblem(input: unknown): SearchProblem | null {
  if (!isObject(input)) return null;
  const problem = { ...plainProblem, ...input } as SearchProblem;
  const { ratio, springRatio, stop, gas, cases, room, inner, least, kinds } = problem;
  // A ring of which no range is told is wished at one share.
  const ring = isObject(problem.ring)
    ? {
        ...problem.ring,
        fromShare: problem.ring.fromShare ?? problem.ring.share,
        toShare: problem.ring.toShare ?? problem.ring.share,
      }
    : problem.ring;
  const whole = [ratio, room, least, kinds].every(isObject);
  const optional = [springRatio, stop, gas, ring, inner].every((part) => part === null || isObject(part));
  return whole && optional && Array.isArray(cases) && cases.every(isObject) ? { ...problem, ring } : null;
}

/** Every fault of a problem. */
export function checkProblem(problem: SearchProblem): Checked<SearchProblem> {
  const faults = new FaultList();
  const { cases, travelMm, targetMm, room, ring, inner } = problem;
  if (cases.length < 1 || cases.length > SEARCH_CASES)
    faults.add('cases', cases, { be: 'count', of: 'load cases', least: 1, most: SEARCH_CASES });
  cases.forEach(({ kg, fromMm, toMm }, i) => {
    faults.number(`cases[${i}].kg`, kg, { min: 1, max: 5000 });
    if (faults.number(`cases[${i}].fromMm`, fromMm, { min: 0, max: travelMm }))
      faults.number(`cases[${i}].toMm`, toMm, { min: fromMm, max: travelMm });
  });
  faults.number('targetMm', targetMm, { min: 0, max: travelMm });
  if (faults.number('room.leastMm', room.leastMm, { min: 0, max: 3000 }))
    faults.number('room.mostMm', room.mostMm, { min: room.leastMm, max: 3000 });
  if (ring && faults.number('ring.leastMm', ring.leastMm, { min: -500, max: 3000 }))
    faults.number('ring.mostMm', ring.mostMm, { min: ring.leastMm, max: 3000 });
  if (ring && faults.number('ring.fromShare', ring.fromShare, { min: 0.01, max: 1 }))
    if (faults.number('ring.toShare', ring.toShare, { min: ring.fromShare, max: 1 }))
      faults.number('ring.share', ring.share, { min: ring.fromShare, max: ring.toShare });
  if (inner && faults.number('inner.leastMm', inner.leastMm, { min: 0, max: 500 }))
    faults.number('inner.mostMm', inner.mostMm, { min: inner.leastMm, max: 500 });
  return faults.faults.length === 0 ? { ok: true, value: problem } : { ok: false, faults: faults.faults };
}

/** A rack spring as the search takes it. */
export interface Candidate {
  spring: RackSpring;
  description: SpringDescription;
  freeMm: number;
  /** Free minus solid length; infinite where its solid length is not known. */
  wayMm: number;
  maxN: number;
  /** N/mm; not a number where it is progressive. */
  rate: number;
}

/** Why a spring is not even tried. */
export type Unusable = 'rate' | 'free' | 'inner' | 'stock';

/** The spring as a candidate, or why it is none. */
export function candidateOf(spring: RackSpring, problem: SearchProblem): Candidate | Unusable {
  const { inner, inStock, sideBySide } = problem;
  const { freeLengthMm, innerMm, stock, maxN } = spring;
  const one = springFromRack(spring);
  const document = one && asOne(one, sideBySide);
  const description = document && springFrom('', document, new FaultList());
  if (!description) return 'rate';
  if (freeLengthMm === null) return 'free';
  if (inner && (innerMm === null || innerMm < inner.leastMm - 1e-9 || innerMm > inner.mostMm + 1e-9))
    return 'inner';
  if (stock < inStock * sideBySide) return 'stock';
  const solid = solidOf(spring);
  return {
    spring,
    description,
    freeMm: freeLengthMm,
    wayMm: solid ? freeLengthMm - solid.value : Infinity,
    maxN: (maxN ?? Infinity) * sideBySide,
    rate: description.kind === 'linear' ? description.rateNPerMm : NaN,
  };
}
