import { readdirSync, readFileSync } from 'node:fs';
import { everySum, wrongWith } from '../../../tests/fixtures/everySum.ts';
import { add, adjustment, factEntry, must, record, settled } from '../../../tests/fixtures/records.ts';
import { blankDocument } from '#core/document/create.ts';
import { adjusterKinds, adjustersMetAt } from '#core/kinds/adjusters/index.ts';
import { migrateJob } from '#core/document/migrate.ts';
import { fittingFields } from '#core/document/fitting.ts';
import type { JobRecord } from '#core/document/types.ts';
import { cornersOf, footingOf } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { machineClasses } from '#core/kinds/classes/index.ts';

const demos = readdirSync('demo').filter((name) => name.endsWith('.json'));

describe('every sum that can be opened adds up', () => {
  test.each(demos)('%s, at every stage of its record', (name) => {
    const whole = migrateJob(JSON.parse(readFileSync(`demo/${name}`, 'utf8'))) as JobRecord;
    const rounds = [
      ...new Set(whole.entries.flatMap((entry) => (entry.type === 'fact' ? [entry.fact.round] : []))),
    ];
    const cuts = rounds.map((round) =>
      whole.entries.filter((entry) => entry.type !== 'fact' || entry.fact.round <= round),
    );
    const sums = cuts.flatMap((entries) => everySum({ ...whole, entries }));
    expect(sums.length).toBeGreaterThan(0);
    expect(sums.flatMap(wrongWith)).toEqual([]);
  });
});

/** One job per kind of adjuster, on the first class that has it: read off its targets, turned once, read again. */
const kinds = adjusterKinds.map((kind) => {
  const machineClass = must(
    machineClasses.find((one) =>
      cornersOf(one).some((id) => adjustersMetAt(footingOf(one), id).includes(kind)),
    ) ?? null,
  );
  return { kind, machineClass };
});

describe.each(kinds)('$kind on a $machineClass', ({ kind, machineClass }) => {
  test('every sum adds up, before and after it is moved', () => {
    const document = blankDocument(machineClass, 'Sandpiper');
    document.toleranceMm = 4;
    const ids = cornersOf(machineClass);
    ids.forEach((id, k) => {
      const corner = document.corners[id];
      if (adjustersMetAt(footingOf(machineClass), id).includes(kind))
        Object.assign(corner, fittingFields(kind));
      Object.assign(corner, { ratio: 0.6, travelMm: 200, stopMm: 30, pitchMm: 2, targetMm: 400 + k });
      corner.clearances = [
        { name: 'tyre to arch', nowMm: 40, perMm: 1, leastMm: 20, atMm: null, rows: null },
        { name: 'shaft', nowMm: 30, perMm: 0, leastMm: 10, atMm: null, rows: [[-20, 22], [0, 30], [25, 35]] },
      ]; // oxfmt-ignore
      corner.boots = [{ name: 'outer joint', nowDeg: 12, mostDeg: 24, shaftMm: 420 }];
    });
    const baseline = add(record(document), ...heightsAt(ids, 0, 388), settled(0));
    const later = add(
      baseline,
      ...ids.map((id) => adjustment(1, id, 3)),
      ...heightsAt(ids, 1, 394),
      settled(1),
    );
    expect(everySum(baseline).flatMap(wrongWith)).toEqual([]);
    expect(everySum(later).flatMap(wrongWith)).toEqual([]);
  });
});

function heightsAt(ids: readonly CornerId[], round: number, mm: number) {
  return ids.map((corner, k) => factEntry({ kind: 'height', round, corner, slot: '1', mm: mm + 1.5 * k }));
}
