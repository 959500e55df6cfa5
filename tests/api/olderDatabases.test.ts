import { readFileSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import { applyOps } from '#core/document/ops.ts';
import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { standingFacts } from '#core/document/facts.ts';
import { upgradedEntries } from '#core/document/upgradeFact.ts';
import type { Entry, Json, Op } from '#core/document/types.ts';
import { documentSchema } from '#contract/schemas/document.ts';
import { answerFor } from '#core/planning/answer.ts';
import { migrateDatabase, type Database } from '#db/connect.ts';
import { findJob } from '#db/jobs.ts';
import { MIGRATIONS, oldDatabase, type OldFact } from '../fixtures/oldDatabase.ts';

/** A job as a program of that time wrote it. */
interface OldJob {
  id: string;
  document: Json;
  entries: OldEntry[];
}

interface OldEntry {
  id: string;
  type: 'change' | 'fact' | 'withdraw';
  at: string;
  label: string;
  undoOf: string | null;
  redoOf: string | null;
  replaces?: string | null;
  of?: string;
  ops?: Op[];
  fact?: OldFact;
}

/** Writes a job into a database of its own time, as that program kept it. */
async function keepAsThen(db: Database, { id, document, entries }: OldJob): Promise<void> {
  const now = entries.reduce((sofar, { ops }) => {
    const result = ops ? applyOps(sofar, ops) : { ok: true as const, value: sofar };
    if (!result.ok) throw new Error('expected the changes of an old job to follow each other');
    return result.value;
  }, document);
  await db.execute(
    sql`insert into jobs (id, version, document) values (${id}, ${1 + entries.length}, ${JSON.stringify(now)}::jsonb)`,
  );
  for (const [seq, entry] of entries.entries()) {
    await db.execute(sql`insert into entries (job_id, seq, id, type, at, label, undo_of, redo_of, "of")
      values (${id}, ${seq}, ${entry.id}, ${entry.type}, ${entry.at}, ${entry.label}, ${entry.undoOf}, ${entry.redoOf},
        ${entry.of ?? null})`);
    if (entry.ops)
      await db.execute(
        sql`insert into changes (job_id, seq, ops) values (${id}, ${seq}, ${JSON.stringify(entry.ops)}::jsonb)`,
      );
    if (entry.fact) {
      const { kind, round, corner, slot, valueMm, askedMm, how, told } = entry.fact;
      await db.execute(sql`insert into facts (job_id, seq, kind, round, corner, slot, value_mm, asked_mm, how, told, replaces)
        values (${id}, ${seq}, ${kind}, ${round}, ${corner}, ${slot}, ${valueMm}, ${askedMm}, ${how},
          ${told ? JSON.stringify(told) : null}::jsonb, ${entry.replaces ?? null})`);
    }
  }
}

// Jobs as four earlier programs wrote them, each with the number of its last migration.
test.each([
  [2, 'kittiwake'],
  [3, 'merganser'],
  [4, 'whimbrel'],
  [5, 'shoveler'],
] as const)('a database of migration %i with its %s comes up whole', async (last, name) => {
  const job = JSON.parse(readFileSync(`tests/fixtures/old/${last}-${name}.json`, 'utf8')) as OldJob;
  const { db, drop } = await oldDatabase(last);
  try {
    await keepAsThen(db, job);
    await migrateDatabase(db, MIGRATIONS);
    const record = (await findJob(db, job.id))?.record;
    if (!record) throw new Error('expected the job to be there');
    expect(record.document.schemaVersion).toBe(DOCUMENT_VERSION);
    expect(documentSchema.validate(record.document).error).toBeUndefined();
    expect(record.entries).toHaveLength(job.entries.length);
    // Everything seen and done then stands, in the same places with the same numbers.
    const then = upgradedEntries(job.entries) as Entry[];
    const told = (entries: Entry[]) =>
      standingFacts({ entries }).map(({ fact }) => JSON.parse(JSON.stringify(fact)) as unknown);
    expect(told(record.entries)).toEqual(told(then));
    expect(answerFor(record)?.corners.length).toBeGreaterThan(0);
  } finally {
    await drop();
  }
});
