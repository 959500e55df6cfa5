import { factUnits, isNumbered, numbered, numberOf, type Fact, type FactKind } from './factKinds.ts';
import { factEntry } from '../../../tests/fixtures/records.ts';
import { blankDocument } from './create.ts';
import { lateEntry, upgradedEntries, upgradedEntry, upgradedFact, wholeFact } from './upgradeFact.ts';

const kinds = Object.keys(factUnits) as FactKind[];
const place = { round: 1, corner: 'LF', slot: '1' } as const;
const old = (kind: FactKind, more: object) => ({
  ...{ ...place, kind, valueMm: null, askedMm: null, how: null, told: null },
  ...more,
});

test.each(kinds.filter(isNumbered))(
  '%s: its number stands under its own unit, and is read from there',
  (kind) => {
    const upgraded = upgradedFact(old(kind, { valueMm: 12.5 })) as Fact;
    expect(upgraded).toEqual(numbered({ ...place, kind }, 12.5));
    expect(numberOf(upgraded)).toBe(12.5);
    expect(Object.keys(upgraded)).toContain(factUnits[kind]);
    // What a store keeps, which has no empty fields, is the same fact.
    const kept = Object.fromEntries(Object.entries(upgraded).filter(([, value]) => value !== null));
    expect(wholeFact(kept as never)).toEqual(upgraded);
  },
);

test.each([
  ['settled', { how: 'rolled' }, { how: 'rolled' }],
  ['prep', { how: 'skipped' }, { how: 'skipped' }],
  ['note', { how: 'rides low' }, { words: 'rides low' }],
  ['recheck', { valueMm: 300, how: '2026-12-24' }, { km: 300, day: '2026-12-24' }],
  ['cycled', { valueMm: 3, how: 'tyre' }, { mm: 3, nearest: 'tyre' }],
  ['adjustment', { valueMm: -4, askedMm: -5 }, { mm: -4, askedMm: -5 }],
  ['acknowledged', { how: 'checked' }, { remark: 'checked' }],
  ['height', { valueMm: 372, typed: '372' }, { mm: 372, typed: '372' }],
  ['locked', {}, {}],
] as const)('%s as an earlier version wrote it', (kind, was, is) => {
  expect(upgradedFact(old(kind, was))).toEqual({ ...place, kind, ...is });
});

test('a plan keeps all that was told, what was left open in it too', () => {
  const told = { corners: { LF: { seatMm: 2, turns: 1, stopAtMm: null } }, chance: 0.5 };
  expect(upgradedFact(old('plan', { told }))).toEqual({ ...place, kind: 'plan', told });
});

test('what is of this version, or no fact at all, is left as it is', () => {
  const now = { ...place, kind: 'height', mm: 372 };
  for (const one of [now, null, 5, 'x', {}, { kind: 'guess', valueMm: 3 }])
    expect(upgradedFact(one)).toBe(one);
  expect(upgradedEntries('x')).toBe('x');
  expect(upgradedEntries([{ type: 'change', ops: [] }])).toEqual([{ type: 'change', ops: [] }]);
});

test('a number on a kind that has none stays, to be refused by its name', () => {
  expect(upgradedFact(old('locked', { valueMm: 1 }))).toHaveProperty('valueMm', 1);
});

test('an entry that an earlier page sends late: what it did to air is put in bar, a seat stays a seat', () => {
  const document = blankDocument('car', 'Petrel');
  const air = { gaugeBar: 4, volumeCm3: 240, areaMm2: 1100, exponent: 1.1, second: null };
  Object.assign(document.corners.LR, { fitting: 'air', air });
  const done = (corner: 'LF' | 'LR', askedMm: number | null = -4) =>
    factEntry({ kind: 'adjustment', round: 1, corner, slot: 'done', mm: -3, askedMm });
  const seat = done('LF');
  expect(lateEntry(document, seat)).toBe(seat);
  expect(lateEntry(document, done('LR'))).toMatchObject({
    fact: { kind: 'inflated', corner: 'LR', bar: expect.closeTo(-0.3, 9), askedBar: expect.closeTo(-0.4, 9) },
  });
  expect(lateEntry(document, done('LR', null))).toMatchObject({ fact: { askedBar: null } });
  // A plan by itself says that it was told by pressure.
  const told = { corners: { LR: { seatMm: -3, turns: -1.5, airToBar: 3.7 } }, chance: 1 };
  expect(upgradedEntry({ type: 'fact', fact: { ...place, kind: 'plan', corner: null, told } })).toMatchObject(
    {
      fact: { told: { corners: { LR: { seatMm: 0, turns: 0, airByBar: expect.closeTo(-0.3, 9) } } } },
    },
  );
});
