import type { Sum } from './types.ts';
import { gainGroups } from '#core/estimate/corner.ts';
import { blankDocument } from '#core/document/create.ts';
import { answerFor } from '#core/planning/answer.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  measured,
  must,
  plainDocument,
  settled,
} from '../../../tests/fixtures/records.ts';
import {
  chanceSum,
  collarSum,
  crossSum,
  gainSum,
  estimateSum,
  heightNowSum,
  offSum,
  predictedSum,
  seatMoveSum,
  stopAtSum,
} from './cornerSums.ts';

const inputOf = (sum: Sum | null, symbol: string) =>
  sum?.inputs.find((one) => one.symbol === symbol)?.value ?? NaN;

const first = () => must(answerFor(measured([376, 374, 381, 379])));
/** A round turned four millimetres down everywhere, and read again. */
const later = () =>
  must(
    answerFor(
      add(
        measured([376, 374, 381, 379]),
        ...fourCorners.map((id) => adjustment(1, id, -4)),
        settled(1),
        ...heights(1, [368, 366, 373, 371]),
      ),
    ),
  );

describe('figures of a corner open to what is behind them', () => {
  test('measured height: the mean of the readings, to the digit, and the offset', () => {
    const readings = must(answerFor(add(measured(376), ...heights(0, 379, '2'))));
    const sum = heightNowSum(must(readings.corners[0] ?? null), readings);
    expect([inputOf(sum, 'L1'), inputOf(sum, 'L2'), sum.result.value]).toEqual([376, 379, 377.5]);
    const offset = must(
      answerFor(
        measured(
          376,
          plainDocument((document) => (document.corners.LF.reference.offsetMm = 12)),
        ),
      ),
    );
    const with12 = heightNowSum(must(offset.corners[0] ?? null), offset);
    expect([inputOf(with12, 'o'), with12.result.value]).toEqual([12, 388]);
  });

  test('estimated height: the reading and what the other readings draw it by add up to it', () => {
    const answer = later();
    for (const corner of answer.corners) {
      const sum = estimateSum(corner, answer);
      expect(inputOf(sum, 'h') + inputOf(sum, 'Δ')).toBeCloseTo(sum.result.value, 9);
      expect(sum.result.value).toBe(corner.nowMm);
    }
  });

  test('seat move and stop: turns times pitch is the move, and the move leads from reading to stop', () => {
    const answer = first();
    for (const corner of answer.corners) {
      const move = seatMoveSum(corner, answer);
      expect(move.result.value * inputOf(move, 'p')).toBeCloseTo(inputOf(move, 'c'), 9);
      const stop = must(stopAtSum(corner));
      expect(inputOf(stop, 'r') + inputOf(stop, 'c')).toBeCloseTo(stop.result.value, 9);
    }
  });

  test('on a datum that shrinks the move is taken off, and the formula says so', () => {
    const answer = must(
      answerFor(
        measured(
          376,
          plainDocument((document) => (document.corners.LF.collar.grows = 'against-seat')),
        ),
      ),
    );
    const stop = must(stopAtSum(must(answer.corners[0] ?? null)));
    expect(stop.formula).toBe('stop = r − c');
    expect(inputOf(stop, 'r') - inputOf(stop, 'c')).toBeCloseTo(stop.result.value, 9);
  });

  test('without a collar read there is no stop and no reading to open', () => {
    const job = measured(376);
    const without = {
      ...job,
      entries: job.entries.filter((one) => one.type !== 'fact' || one.fact.kind !== 'collar'),
    };
    const answer = must(answerFor(without));
    const corner = must(answer.corners[0] ?? null);
    expect([stopAtSum(corner), collarSum(corner, answer)]).toEqual([null, null]);
  });

  test('a collar is carried along by every move since it was read', () => {
    const answer = later();
    const corner = must(answer.corners[0] ?? null);
    const sum = must(collarSum(corner, answer));
    expect([inputOf(sum, 'r₀'), inputOf(sum, 'c1')]).toEqual([90, -4]);
    expect(sum.result.value).toBe(86);
    expect(sum.inputs[0]?.name).toBe('read in the baseline');
  });

  test('off by: height less target; no target, nothing to be off', () => {
    const answer = first();
    const corner = must(answer.corners[2] ?? null);
    const sum = must(offSum(corner, answer));
    expect(inputOf(sum, 'h') - inputOf(sum, 't')).toBeCloseTo(sum.result.value, 12);
    expect(sum.result.value).toBe(381 - (corner.spec.targetMm ?? NaN));
    expect(offSum({ ...corner, spec: { ...corner.spec, targetMm: null } }, answer)).toBeNull();
  });

  test('height after: all four moves go into it', () => {
    const answer = first();
    const corner = must(answer.corners[1] ?? null);
    const sum = predictedSum(corner, answer);
    answer.corners.forEach((one) => expect(inputOf(sum, `c ${one.id}`)).toBe(one.seatBy));
    expect(sum.result.value).toBe(corner.predictedMm);
  });

  test('what a front and a rear give is told once for both sides, from nominal to learnt', () => {
    const answer = later();
    const groups = gainGroups(answer.document);
    expect(groups.map(({ title }) => title)).toEqual(['front', 'rear']);
    for (const group of groups) {
      const sum = must(gainSum(group, answer));
      expect(sum.result.value).toBeCloseTo(answer.posterior.gains[group.id]?.now.mean ?? NaN, 9);
    }
    expect(gainGroups(blankDocument('snowmobile', 'Brent')).map(({ title }) => title)).toEqual([
      'front',
      'skid front arm',
      'skid rear arm',
    ]);
  });

  test('cross weight is its four wheels; equal fronts open to the two of them', () => {
    const answer = must(
      answerFor(
        measured(
          376,
          plainDocument((document) => (document.crossTarget = 0.5)),
        ),
      ),
    );
    const sum = must(crossSum(answer));
    const at = (id: string) => inputOf(sum, id);
    expect((at('RF') + at('LR')) / (at('LF') + at('RF') + at('LR') + at('RR'))).toBeCloseTo(
      sum.result.value,
      9,
    );
    const equal = must(
      answerFor(
        measured(
          376,
          plainDocument((document) => (document.frontEqual = true)),
        ),
      ),
    );
    const front = must(crossSum(equal));
    expect(front.inputs.map(({ symbol }) => symbol)).toEqual(['LF', 'RF']);
    expect(inputOf(front, 'RF') / (inputOf(front, 'LF') + inputOf(front, 'RF'))).toBeCloseTo(
      front.result.value,
      9,
    );
  });

  test('chances: of the heights now and after, with how well each is known', () => {
    const answer = first();
    const [now, after] = [must(chanceSum(answer, 'now')), must(chanceSum(answer, 'after'))];
    expect([now.result.value, after.result.value]).toEqual([answer.chanceNow, answer.chanceAfter]);
    expect(inputOf(after, 'σ LF')).toBeGreaterThan(0);
    const untold = must(
      answerFor(
        measured(
          376,
          plainDocument((document) => fourCorners.forEach((id) => (document.corners[id].targetMm = null))),
        ),
      ),
    );
    expect(chanceSum(untold, 'now')).toBeNull();
  });
});

test('a reading that replaces another takes its place in the sum', () => {
  const job = measured(376);
  const old = job.entries.find(
    (one) => one.type === 'fact' && one.fact.kind === 'height' && one.fact.corner === 'LF',
  );
  const answer = must(
    answerFor(add(job, factEntry({ kind: 'height', corner: 'LF', mm: 371 }, old?.id ?? null))),
  );
  expect(inputOf(heightNowSum(must(answer.corners[0] ?? null), answer), 'L1')).toBe(371);
});
