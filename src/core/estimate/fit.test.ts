import { add, factEntry, record } from '../../../tests/fixtures/records.ts';
import { blankDocument } from '../document/create.ts';
import type { JobRecord } from '../document/types.ts';
import { cornersOf } from '../kinds/classes/index.ts';
import { machineOf } from './believed.ts';
import { evidenceOf } from './evidence.ts';
import { costAt, fit, readAs } from './fit.ts';
import { readRounds } from './rounds.ts';

const ids = cornersOf('car');

/** A car of which ratios alone are said, 0.5: front seats go down by 10 mm, and its front reads so much lower. */
function lowered(byMm: number): JobRecord {
  const document = blankDocument('car', 'Dotterel');
  for (const id of ids) Object.assign(document.corners[id], { targetMm: 400, pitchMm: 2, ratio: 0.5 });
  const read = (round: number, front: number) => [
    factEntry({ kind: 'settled', round, slot: 'how', how: 'rolled' }),
    ...['1', '2', '3'].flatMap((slot) =>
      ids.map((corner, i) => factEntry({ kind: 'height', round, corner, slot, mm: i < 2 ? front : 420 })),
    ),
  ];
  const turned = ids.map((corner, i) =>
    factEntry({ kind: 'adjustment', round: 1, corner, slot: 'done', mm: i < 2 ? -10 : 0 }),
  );
  return add(record(document), ...read(0, 420), ...turned, ...read(1, 420 - byMm));
}

/** What is believed of it, and what was read. */
function evidence(byMm: number) {
  const job = lowered(byMm);
  const machine = machineOf(job.document, ids);
  if (!machine.ok) throw new Error('expected a machine');
  const { rounds } = evidenceOf(job.document, machine.value, readRounds(job), ids);
  return { believed: machine.value.believed, rounds };
}

test('where a machine gives far from what is believed, the readings are followed as far as it can give', () => {
  // 8 mm of 20 are missing, 16 deviations of the tape at each of two corners.
  const { believed, rounds } = evidence(12);
  const found = fit(believed, rounds);
  expect(found.converged).toBe(true);
  expect(found.cost).toBeLessThan(15);
  const front = found.rounds.map(({ heights }) => heights[0] ?? NaN);
  expect(Math.abs((front[0] ?? NaN) - (front[1] ?? NaN) - 12)).toBeLessThan(1);
});

test('a fit ends where a step in no direction is better, with every reference placed by its readings', () => {
  const { believed, rounds } = evidence(15);
  const found = fit(believed, rounds);
  expect(costAt(found, rounds)).toBeCloseTo(found.cost, 6);
  for (let k = 0; k < found.best.length; k++)
    for (const by of [-0.1, 0.1]) {
      const best = found.best.slice();
      best[k] = (best[k] ?? 0) + by;
      expect(costAt({ ...found, best }, rounds)).toBeGreaterThan(found.cost - 0.02);
    }
  for (const [r, { readings }] of rounds.entries())
    for (const reading of readings) {
      const off = readAs(reading).value - (found.rounds[r]?.heights[reading.index] ?? NaN);
      expect(Math.abs(off)).toBeLessThan(2 * readAs(reading).sd);
    }
});
