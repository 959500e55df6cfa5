import type { Answer } from '../planning/answerShape.ts';
import type { JobRecord } from '#core/document/types.ts';
import {
  fourCorners,
  add,
  adjustment,
  factEntry,
  heights,
  measured,
  plainDocument,
  record,
  settled,
  must,
} from '../../../tests/fixtures/records.ts';
import { hideMachine, readTape, turnSeats, type HiddenMachine } from '../../../tests/fixtures/workshop.ts';
import { frictionPrior, priors } from './prior.ts';
import { answerFor } from '../planning/answer.ts';
import { goodEnough } from '../planning/enough.ts';

describe('what a reading is worth', () => {
  /** Friction at each corner moves a rigid body by 3/4, 1/4, 1/4 and -1/4 there: three quarters of the variance is seen. */
  const bodily = 0.75;
  const friction = frictionPrior(200);

  test('repeats thin out the tape, not the friction', () => {
    const sdAfter = (...repeats: string[]) =>
      must(answerFor(add(measured(375), ...repeats.flatMap((slot) => heights(0, 375, slot))))).corners[0]
        ?.nowSdMm ?? 0;
    expect(sdAfter()).toBeCloseTo(Math.sqrt(1 + bodily * friction ** 2), 1);
    expect(sdAfter('2', '3', '4')).toBeCloseTo(Math.sqrt(0.25 + bodily * friction ** 2), 1);
    const unsettled = must(answerFor(add(record(), ...heights(0, 375))));
    expect(unsettled.corners[0]?.nowSdMm).toBeCloseTo(Math.sqrt(1 + bodily * ((4 / 1.5) * friction) ** 2), 1);
  });

  test('a stray among its repeats is set aside and does not move the height', () => {
    const strayed = must(
      answerFor(add(measured(546), ...heights(0, 547, '2'), ...heights(0, 599, '3').slice(0, 1))),
    );
    expect(strayed.corners[0]?.nowMm).toBeLessThan(547);
    expect(strayed.state.rounds[0]?.aside.LF?.mm).toBe(599);
  });

  test('of two that do not agree neither is sure: both count less, and the height lies between them', () => {
    const apart = must(answerFor(add(measured(546), ...heights(0, 599, '2').slice(0, 1))));
    expect(apart.corners[0]?.nowMm).toBeGreaterThan(550);
    expect(apart.corners[0]?.nowSdMm).toBeGreaterThan(3);
  });

  test('with one round the height is the mean and its spread that of the reading', () => {
    const answer = must(answerFor(add(measured(375), ...heights(0, 377, '2'))));
    expect(answer.corners[0]?.nowMm).toBeCloseTo(376, 1);
    expect(answer.corners[0]?.nowSdMm).toBeCloseTo(Math.sqrt(0.5 + bodily * friction ** 2), 1);
  });
});

describe('the posterior against brute force', () => {
  /** Sums over a fine grid of (front height, gain) what the axle's readings make likely. Two alike fronts, moved alike. */
  function onGrid(before: number, after: number, move: number, nominal: number) {
    const v = 1 + frictionPrior(200) ** 2;
    const [sd, weights] = [nominal * priors.statedRatio, { total: 0, gain: 0, height: 0 }];
    for (let gain = nominal - 5 * sd; gain <= nominal + 5 * sd; gain += sd / 40) {
      for (let start = before - 10; start <= before + 10; start += 0.05) {
        const misfit =
          (before - start) ** 2 / (v / 2) +
          (after - start - gain * move) ** 2 / (v / 2) +
          ((gain - nominal) / sd) ** 2;
        const weight = Math.exp(-misfit / 2);
        weights.total += weight;
        weights.gain += weight * gain;
        weights.height += weight * (start + gain * move);
      }
    }
    return { gain: weights.gain / weights.total, height: weights.height / weights.total };
  }

  test.each([
    [375, 366, -5],
    [380, 362, -8],
    [350, 366, 10],
  ])('from %d to %d mm with %d mm of seat', (before, after, move) => {
    const job = add(
      measured(before),
      ...fourCorners.map((id) => adjustment(1, id, move)),
      settled(1),
      ...heights(1, after),
    );
    const { posterior, corners } = must(answerFor(job));
    const grid = onGrid(before, after, move, 2);
    // The machine's own model knows a little more than the line on the grid: its ratio is a logarithm, its sides differ.
    expect(Math.abs(must(posterior.gains.LF ?? null).now.mean - grid.gain)).toBeLessThan(0.11);
    expect(Math.abs((corners[0]?.nowMm ?? 0) - grid.height)).toBeLessThan(0.3);
  });

  test('an axle that was not moved teaches nothing of itself', () => {
    const job = add(
      measured(375),
      adjustment(1, 'LF', -5),
      adjustment(1, 'RF', -5),
      settled(1),
      ...heights(1, [365, 365, 375, 375]),
    );
    const { LR: rear, LF: front } = must(answerFor(job)).posterior.gains;
    expect(rear?.now.sd).toBeCloseTo(rear?.prior.sd ?? 0, 2);
    expect(front?.now.sd).toBeLessThan((front?.prior.sd ?? 0) / 1.1);
  });

  test('more rounds never make it less sure', () => {
    let job = measured(375);
    let last = Infinity;
    for (const round of [1, 2, 3]) {
      job = add(
        job,
        ...fourCorners.map((id) => adjustment(round, id, -3)),
        settled(round),
        ...heights(round, 375 - 6 * round),
      );
      const { sd } = must(must(answerFor(job)).posterior.gains.LR ?? null).now;
      expect(sd).toBeLessThan(last);
      last = sd;
    }
  });

  test('a corner left out of a later round still follows the body', () => {
    const job = add(
      measured(375),
      ...fourCorners.map((id) => adjustment(1, id, -5)),
      settled(1),
      ...heights(1, 365).slice(0, 3),
    );
    const { corners, posterior } = must(answerFor(job));
    expect(corners[3]?.nowMm).toBeCloseTo(365, 0);
    expect(posterior.heightsByRound).toHaveLength(2);
  });
});

describe('in a simulated workshop', () => {
  interface Outcome {
    machine: HiddenMachine;
    job: JobRecord;
    answer: Answer;
  }
  const TOLERANCE = 6;
  const within = (machine: HiddenMachine) =>
    machine.heights.every((height) => Math.abs(height - 365) <= TOLERANCE);

  const measure = (job: JobRecord, machine: HiddenMachine, round: number): JobRecord => {
    const readings = readTape(machine);
    const facts = fourCorners.flatMap((corner, i) =>
      (readings[i] ?? []).map((mm, slot) =>
        factEntry({ kind: 'height', round, corner, slot: String(slot + 1), mm }),
      ),
    );
    return add(job, settled(round), ...facts);
  };

  /** Opens a job on a hidden machine and works `rounds` rounds by the book. */
  const worked = new Map<string, Outcome>();
  function work(seed: number, rounds: number): Outcome {
    const known = worked.get(`${seed}/${rounds}`);
    if (known) return known;
    const outcome = workAnew(seed, rounds);
    worked.set(`${seed}/${rounds}`, outcome);
    return outcome;
  }

  function workAnew(seed: number, rounds: number): Outcome {
    if (rounds === 0) {
      const machine = hideMachine(seed, 2, 40);
      const job = measure(
        record(plainDocument((document) => (document.toleranceMm = TOLERANCE))),
        machine,
        0,
      );
      return { machine, job, answer: must(answerFor(job)) };
    }
    const before = work(seed, rounds - 1);
    const { corners } = before.answer;
    const machine = turnSeats(
      before.machine,
      Object.fromEntries(corners.map(({ id, seatBy }) => [id, seatBy])),
    );
    const job = measure(
      add(before.job, ...corners.map(({ id, seatBy }) => adjustment(rounds, id, seatBy))),
      machine,
      rounds,
    );
    return { machine, job, answer: must(answerFor(job)) };
  }

  const seeds = Array.from({ length: 6 }, (_, i) => 1000 + i);

  test('true heights are in after two rounds on at least 5 of 6 machines, and more of them than after one', () => {
    const once = seeds.filter((seed) => within(work(seed, 1).machine)).length;
    const twice = seeds.filter((seed) => within(work(seed, 2).machine)).length;
    expect(twice).toBeGreaterThanOrEqual(5);
    expect(twice).toBeGreaterThanOrEqual(once);
  });

  test('the gain learnt is nearer the truth than the sheet on most machines', () => {
    const better = seeds.filter((seed) => {
      const { machine, answer } = work(seed, 2);
      const { now, prior } = must(answer.posterior.gains.LF ?? null);
      return Math.abs(now.mean - machine.gain.front) < Math.abs(prior.mean - machine.gain.front);
    });
    expect(better.length).toBeGreaterThan(3);
  });

  test('told to stop with a true height out on at most 1 of 6', () => {
    const wrong = seeds.filter((seed) => {
      const { machine, answer } = work(seed, 1);
      return goodEnough(answer) && !within(machine);
    });
    expect(wrong.length).toBeLessThanOrEqual(1);
  });

  test('the stated chance is honest: of landings told with c in 100, about c in 100 land', () => {
    const told = seeds.map((seed) => ({
      chance: must(answerFor(work(seed, 1).job)).chanceNow ?? 0,
      landed: within(work(seed, 1).machine),
    }));
    const expected = told.reduce((sum, { chance }) => sum + chance, 0);
    const landed = told.filter((one) => one.landed).length;
    expect(Math.abs(landed - expected)).toBeLessThan(4);
  });
});
