import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { factUnits, isNumbered, type Fact, type FactKind } from '#core/document/factKinds.ts';
import { upgradedEntries } from '#core/document/upgradeFact.ts';
import { migrateDatabase, type Database } from '#db/connect.ts';
import { findJob } from '#db/jobs.ts';
import { MIGRATIONS, oldDatabase, type OldFact } from '../fixtures/oldDatabase.ts';
import { plainDocument } from '../fixtures/records.ts';

/** The last migration before facts had fields of their own. */
const LAST_OLD = 5;

let db: Database;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ db, drop } = await oldDatabase(LAST_OLD));
});

afterAll(() => drop());

const blank = { round: 1, corner: 'LF', slot: '1', valueMm: null, askedMm: null, how: null, told: null };
const told = {
  corners: {
    LF: { seatMm: 2, turns: 1, stopAtMm: null },
    // Air, as it was told then: tenths of a bar as if they were mm.
    LR: { seatMm: -3, turns: -1.5, stopAtMm: null, airToBar: 3.7 },
  },
  chance: 0.5,
};
const facts: OldFact[] = [
  ...(Object.keys(factUnits) as FactKind[])
    .filter(isNumbered)
    .filter((kind) => kind !== 'inflated')
    .map((kind, k) => ({ ...blank, kind, valueMm: 10 + k / 4 })),
  { ...blank, kind: 'adjustment', slot: 'done', valueMm: -4, askedMm: -5 },
  { ...blank, kind: 'adjustment', corner: 'LR', slot: 'done', valueMm: -3, askedMm: -3 },
  { ...blank, kind: 'adjustment', round: 2, corner: 'LR', slot: 'done', valueMm: 1, askedMm: null },
  { ...blank, kind: 'height', slot: '2', valueMm: 374.65, typed: '14 3/4 in' },
  { ...blank, kind: 'cycled', slot: 'bump', valueMm: 0, how: 'tyre' },
  { ...blank, kind: 'settled', corner: null, slot: 'how', how: 'rolled and bounced' },
  { ...blank, kind: 'prep', corner: null, slot: 'tyres', how: 'skipped' },
  { ...blank, kind: 'note', corner: null, slot: 'n1', how: 'rides low' },
  { ...blank, kind: 'recheck', corner: null, slot: 'due', how: '2026-12-24' },
  { ...blank, kind: 'plan', corner: null, slot: 'plan', told },
  { ...blank, kind: 'acknowledged', corner: null, slot: 'top-nut', how: 'checked' },
  { ...blank, kind: 'locked', corner: null, slot: 'locked' },
];

test('every row that an earlier version kept is there afterwards, each number under its own unit', async () => {
  const id = randomUUID();
  const document = JSON.stringify(plainDocument());
  await db.execute(
    sql`insert into jobs (id, version, document) values (${id}, ${facts.length}, ${document}::jsonb)`,
  );
  for (const [
    k,
    { kind, round, corner, slot, valueMm, askedMm, how, told: plan, typed },
  ] of facts.entries()) {
    await db.execute(sql`insert into entries (job_id, seq, id, type, at, label)
      values (${id}, ${k}, ${randomUUID()}, 'fact', '2026-03-02T08:00:00Z', 'old')`);
    await db.execute(sql`insert into facts (job_id, seq, kind, round, corner, slot, value_mm, asked_mm, how, told, typed)
      values (${id}, ${k}, ${kind}, ${round}, ${corner}, ${slot}, ${valueMm}, ${askedMm}, ${how},
        ${plan === null ? null : JSON.stringify(plan)}::jsonb, ${typed ?? null})`);
  }
  await migrateDatabase(db, MIGRATIONS);
  const entries = (await findJob(db, id))?.record.entries ?? [];
  const read = entries.map((entry) => (entry.type === 'fact' ? entry.fact : null));
  const upgraded = upgradedEntries(facts.map((fact) => ({ type: 'fact', fact }))) as { fact: Fact }[];
  expect(read).toEqual(upgraded.map(({ fact }) => fact));
  const at = (corner: string) => read.filter((fact) => fact?.corner === corner);
  expect(at('LR')).toMatchObject([
    { kind: 'inflated', round: 1, bar: expect.closeTo(-0.3, 9), askedBar: expect.closeTo(-0.3, 9) },
    { kind: 'adjustment', round: 2, mm: 1 },
  ]);
  expect(read.find((fact) => fact?.kind === 'plan')).toMatchObject({
    told: {
      corners: {
        LF: { seatMm: 2, turns: 1 },
        LR: { seatMm: 0, turns: 0, airToBar: 3.7, airByBar: expect.closeTo(-0.3, 9) },
      },
    },
  });
  // And they still cannot be rewritten.
  await expect(db.execute(sql`update facts set fields = '{}'`)).rejects.toMatchObject({
    cause: { message: expect.stringMatching(/append-only/) },
  });
});
