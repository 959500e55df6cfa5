import fc from 'fast-check';
import { GRAVITY } from '../machine/solver.ts';
import { plainSetup } from '../lab/setup.ts';
import { benchOf, caseTravel } from '../lab/setup.ts';
import { ringPlaces } from '../lab/rings.ts';
import { springFromRack } from './spring.ts';
import { workOut, type Found } from './exact.ts';
import {
  candidateOf,
  checkProblem,
  readProblem,
  ringShares,
  type Candidate,
  type SearchProblem,
} from './problem.ts';
import { searchRack, whyNot, type SearchProgress } from './search.ts';
import { Searcher } from './searcher.ts';
import { searchProblem as problem } from '../../../tests/fixtures/springSearch.ts';
import { blankRackValues, type RackSpring } from './spring.ts';
import { obstacles } from './verdict.ts';

let count = 0;
const spring = (part: Partial<RackSpring>): RackSpring => ({
  ...blankRackValues,
  id: `00000000-0000-4000-8000-${String(count++).padStart(12, '0')}`,
  version: 1,
  name: `spring ${count}`,
  innerMm: 60,
  ...part,
});
const coil = (
  rateNPerMm: number,
  freeLengthMm: number,
  solidLengthMm: number,
  part: Partial<RackSpring> = {},
) => spring({ rateNPerMm, freeLengthMm, solidLengthMm, ...part });

const as = (one: RackSpring, of = problem): Candidate => {
  const made = candidateOf(one, of);
  if (typeof made === 'string') throw new Error(made);
  return made;
};

const run = (of: SearchProblem, rack: readonly RackSpring[], prune = true): SearchProgress => {
  const search = searchRack(of, rack, prune);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
};

/** A rack like a shop's, the same for the same seed. */
const rackOf = (springs: number, seed = 1): RackSpring[] => {
  let state = seed;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  return Array.from({ length: springs }, () => {
    const free = 150 + 250 * random();
    return coil(12 + 90 * random(), free, free * (0.2 + 0.15 * random()), { maxN: 3000 + 6000 * random() });
  });
};

const anyCoil = fc
  .record({
    rate: fc.double({ min: 8, max: 150, noNaN: true }),
    free: fc.double({ min: 60, max: 400, noNaN: true }),
    share: fc.double({ min: 0.25, max: 0.7, noNaN: true }),
    maxN: fc.option(fc.double({ min: 1000, max: 12000, noNaN: true })),
    tender: fc.boolean(),
  })
  .map(({ rate, free, share, maxN, tender }) => coil(rate, free, free * share, { maxN, tender }));

test('a problem that contradicts itself is named', () => {
  const checked = checkProblem({ ...problem, targetMm: 400, room: { leastMm: 400, mostMm: 300 }, cases: [] });
  expect(checked.ok ? [] : checked.faults.map(({ path }) => path)).toEqual([
    'cases',
    'targetMm',
    'room.mostMm',
  ]);
});

describe('the fast way agrees with the full model', () => {
  test('in what stands in the way, where it rests, and what is left', () => {
    const searcher = new Searcher(problem);
    fc.assert(
      fc.property(fc.option(anyCoil), anyCoil, (first, second) => {
        const upper = first && as(first);
        const lower = as({ ...second, tender: false });
        if (upper) searcher.pair(upper, lower);
        else searcher.single(lower);
        const exact = workOut(problem, upper, lower);
        // On the very edge of a limit either may be right.
        fc.pre(exact.obstacle === 'none' ? exact.share > 0.01 : exact.shortBy > 0.01);
        expect(searcher.obstacle === 0).toBe(exact.obstacle === 'none');
        expect(searcher.preloadMm).toBeCloseTo(exact.preloadMm, 1);
        if (exact.obstacle !== 'none') return;
        exact.sagMm.forEach((mm, c) => expect(Math.abs((searcher.sagMm[c] ?? NaN) - mm)).toBeLessThan(0.1));
        expect(searcher.share).toBeCloseTo(exact.share, 2);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a ring that may come anywhere in a range', () => {
  const range = { ...(problem.ring as NonNullable<SearchProblem['ring']>), fromShare: 0.3, toShare: 0.9 };
  const fixed = (share: number) => ({
    ...problem,
    ring: { ...range, share, fromShare: share, toShare: share },
  });

  test('does whatever one of its places alone does: those left out could not', () => {
    const whole = new Searcher({ ...problem, ring: range });
    const alone = ringShares(range).map((share) => new Searcher(fixed(share)));
    const rack = rackOf(60, 21).map((one) => as(one));
    let moved = 0;
    for (const upper of rack)
      for (const lower of rack) {
        const does = whole.pair(upper, lower);
        const each = alone.map((one) => one.pair(upper, lower));
        expect(does).toBe(each.some(Boolean));
        if (!does) continue;
        expect(whole.limitMm).toBeCloseTo(alone[each.indexOf(true)]?.limitMm ?? NaN, 9);
        moved += Number(!each[0]);
      }
    expect(moved).toBeGreaterThan(5);
  });

  test('stays where it is wished as long as that does', () => {
    const springs = rackOf(40, 4);
    const [wide, narrow] = [{ ...problem, ring: range }, fixed(range.share)].map((of) => run(of, springs));
    const key = (one: Found) => `${one.upper?.id ?? ''}+${one.lower.id}`;
    const places = new Map(wide?.found.map((one) => [key(one), one.ring?.limitMm]));
    expect(wide?.landed).toBeGreaterThan(narrow?.landed ?? NaN);
    const both = narrow?.found.filter((one) => one.ring && places.has(key(one))) ?? [];
    expect(both.length).toBeGreaterThan(0);
    for (const one of both) expect(places.get(key(one))).toBeCloseTo(one.ring?.limitMm ?? NaN, 9);
  });

  test.each([
    [{ fromShare: 0.7, toShare: 0.4 }, ['ring.toShare']],
    [{ fromShare: 0.6, toShare: 0.9 }, ['ring.share']],
    [{ fromShare: 0, toShare: 0.9 }, ['ring.fromShare']],
  ])('a range that contradicts itself is named: %j', (part, paths) => {
    const checked = checkProblem({ ...problem, ring: { ...range, ...part } });
    expect(checked.ok ? [] : checked.faults.map(({ path }) => path)).toEqual(paths);
  });

  test('a link of before ranges were told wishes for one share', () => {
    const { ring } = readProblem({ ...problem, ring: { leastMm: 20, mostMm: 200, share: 0.4 } }) ?? problem;
    expect(ring).toEqual({ leastMm: 20, mostMm: 200, share: 0.4, fromShare: 0.4, toShare: 0.4 });
  });
});

test('both ways tell the same obstacle, but for what lies on the edge of two', () => {
  const rack = [...rackOf(40, 9), ...rackOf(10, 11).map((one) => ({ ...one, tender: true, rateNPerMm: 6 }))];
  const searcher = new Searcher(problem);
  let same = 0;
  for (const upper of rack)
    for (const lower of rack.slice(0, 40)) {
      searcher.pair(as(upper), as(lower));
      same += Number(obstacles[searcher.obstacle] === workOut(problem, as(upper), as(lower)).obstacle);
    }
  expect(same).toBeGreaterThan(0.99 * 50 * 40);
});

describe('what is found', () => {
  const rack = rackOf(60);

  test('stands on its target where there is room, its ring where it is wished, by the bench as well', () => {
    const { found } = run(problem, rack);
    expect(found.length).toBeGreaterThan(0);
    for (const one of found.slice(0, 10)) {
      expect(one.obstacle).toBe('none');
      const springs = [one.upper, one.lower].flatMap((part) => (part ? (springFromRack(part) ?? []) : []));
      const bench = benchOf({
        ...plainSetup,
        ...problem,
        springs,
        rings: one.ring ? [{ after: 0, limitMm: one.ring.limitMm, on: 'seat' }] : [],
        preloadMm: one.preloadMm,
      });
      if (!bench.ok) throw new Error(JSON.stringify(bench.faults));
      problem.cases.forEach(({ fromMm, toMm }, c) => {
        const z = caseTravel(bench.value, c);
        expect(z).toBeCloseTo(one.sagMm[c] ?? NaN, 6);
        expect(z).toBeGreaterThan(fromMm - 0.03);
        expect(z).toBeLessThan(toMm + 0.03);
      });
      if (one.ring) {
        const places = ringPlaces(bench.value, 0);
        expect(places.fromSeatMm).toBeCloseTo(one.ring.fromSeatMm, 6);
        expect(places.ofBump).toBeGreaterThan(0.3);
        expect(places.ofBump).toBeLessThan(0.8);
        expect(places.travelMm).toBeCloseTo(one.transitionMm ?? NaN, 4);
      }
    }
  });

  test('comes with most left first, and nothing better is left out', () => {
    const { found } = run(problem, rack);
    const shares = found.map(({ share }) => share);
    expect([...shares].sort((a, b) => b - a).map((one) => one.toFixed(2))).toEqual(
      shares.map((one) => one.toFixed(2)),
    );
    const all = rack.flatMap((lower) =>
      [null, ...rack].map((upper) => workOut(problem, upper && as(upper), as(lower))),
    );
    const best = Math.max(...all.filter(({ obstacle }) => obstacle === 'none').map(({ share }) => share));
    expect(shares[0]).toBeCloseTo(best, 2);
    // Those on the very edge may be told either way.
    expect(
      Math.abs(run(problem, rack).landed - all.filter(({ obstacle }) => obstacle === 'none').length),
    ).toBeLessThan(4);
  });

  test('is the same when springs that the load alone closes are left out beforehand', () => {
    for (const seed of [2, 3, 4]) {
      const some = [...rackOf(40, seed), coil(4, 150, 90), coil(9, 120, 100), coil(6, 200, 120)];
      for (const coilMm of [0, 4]) {
        const of = { ...problem, least: { ...problem.least, coilMm } };
        const [pruned, full] = [run(of, some), run(of, some, false)];
        expect(pruned.landed).toBe(full.landed);
        expect(pruned.found).toEqual(full.found);
        expect(pruned.of).toBeLessThan(full.of);
      }
    }
  });

  test('a progressive spring is tried through its table', () => {
    // Straight rows: the same as a coil of that rate.
    const straight = coil(30, 400, 110);
    const table = {
      ...straight,
      id: 'table',
      rateNPerMm: null,
      rows: [
        [0, 0],
        [100, 3000],
        [280, 8400],
      ] as [number, number][],
    };
    const alone = {
      ...problem,
      kinds: { single: true, tender: false, dual: false },
      room: { leastMm: 200, mostMm: 420 },
    };
    const [one, other] = [run(alone, [straight]), run(alone, [table])];
    expect(one.landed).toBe(other.landed);
    expect(other.found[0]?.sagMm[2]).toBeCloseTo(one.found[0]?.sagMm[2] ?? NaN, 6);
  });

  test('a tender goes solid under load and is not counted as bound', () => {
    const of = {
      ...problem,
      kinds: { single: false, tender: true, dual: false },
      room: { leastMm: 300, mostMm: 480 },
    };
    const { found } = run(of, [coil(4, 90, 40, { tender: true }), coil(40, 330, 110)]);
    expect(found[0]?.kind).toBe('tender');
    // Carried by the main spring alone: 150 kg less the gas, over MR and k.
    const { preloadMm = NaN, sagMm = [] } = found[0] ?? {};
    expect(sagMm[0]).toBeCloseTo(105, 3);
    expect(preloadMm).toBeGreaterThan(20);
    expect(150 * GRAVITY).toBeGreaterThan(1000);
  });

  test('progress is told, and a search can be left at any time', () => {
    const steps = [...searchRack(problem, rackOf(220, 5))];
    expect(steps.length).toBeGreaterThan(1);
    expect(steps.every(({ tried, of }) => tried < of && tried % 20_000 === 0)).toBe(true);
  });
});

describe('why not', () => {
  const rack = rackOf(30, 7);

  test.each([
    ['inner', coil(40, 300, 100, { innerMm: 70 })],
    ['stock', coil(40, 300, 100, { stock: 0 })],
    ['free', coil(40, 300, 100, { freeLengthMm: null, solidLengthMm: null })],
    ['rate', coil(40, 300, 100, { rateNPerMm: null })],
  ] as const)('a spring that cannot be tried: %s', (why, one) => {
    expect(whyNot({ ...problem, inStock: 1 }, [...rack, one], one.id)).toEqual({ kind: 'unusable', why });
  });

  test('an inner diameter just at either end of what fits is tried, whatever rounding left of it', () => {
    const [least, most] = [59.7 + 0.1, 60.2 + 0.1];
    for (const innerMm of [59.8, 60.3]) {
      const one = coil(40, 300, 100, { innerMm });
      const answer = whyNot({ ...problem, inner: { leastMm: least, mostMm: most } }, [...rack, one], one.id);
      expect(answer).not.toEqual({ kind: 'unusable', why: 'inner' });
    }
  });

  test('one that the load alone closes is told as solid', () => {
    const weak = coil(5, 150, 100);
    expect(whyNot(problem, [...rack, weak], weak.id)).toEqual({ kind: 'solid' });
  });

  test('any other by what stands in the way of its combinations, and the nearest of them', () => {
    const stiff = coil(150, 300, 100);
    const answer = whyNot(
      { ...problem, kinds: { single: true, tender: false, dual: false } },
      [stiff],
      stiff.id,
    );
    if (answer.kind !== 'tried') throw new Error(answer.kind);
    expect(answer).toMatchObject({ tried: 1, landed: 0 });
    expect(answer.nearest?.lower.id).toBe(stiff.id);
    expect(['room-short', 'sag-little', 'sag-much', 'seated']).toContain(answer.nearest?.obstacle);
  });

  test('one that is in an answer says in how many', () => {
    const { found, landed } = run(problem, rackOf(60));
    const some = rackOf(60).map((one, i) => ({ ...one, id: `s${i}` }));
    const at = some.findIndex(
      ({ name, rateNPerMm }) => name !== '' && rateNPerMm === found[0]?.lower.rateNPerMm,
    );
    const answer = whyNot(problem, some, `s${at}`);
    if (answer.kind !== 'tried') throw new Error(answer.kind);
    expect(answer.landed).toBeGreaterThan(0);
    expect(answer.landed).toBeLessThanOrEqual(landed);
  });
});
