import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { migrateJob } from '#core/document/migrate.ts';
import type { ImportRack, NewJob, PutKit } from '#contract/api.ts';
import { newJobSchema } from '#contract/schemas/entry.ts';
import type { Database, Queryable } from '#db/connect.ts';
import { putKitSchema } from '#contract/schemas/kit.ts';
import { importRackSchema } from '#contract/schemas/rack.ts';
import { putKit } from '#db/kits.ts';
import { isEmpty } from '#db/jobs.ts';
import { importSprings } from '#db/rack.ts';
import { validated } from './http/validate.ts';
import { createJob } from './services/jobs.ts';

/** Loads the demo jobs of a folder into an empty database, and leaves any other alone. Gives how many were loaded. */
export async function loadDemo(db: Database, folder: string): Promise<number> {
  if (!(await isEmpty(db))) return 0;
  // All of it or nothing: what was cut short would never be filled up.
  return db.transaction((tx) => fill(tx, folder));
}

async function fill(db: Queryable & Pick<Database, 'transaction'>, folder: string): Promise<number> {
  const rack = validated<ImportRack>(
    importRackSchema,
    JSON.parse(await readFile(join(folder, 'rack', 'springs.json'), 'utf8')),
  );
  await importSprings(db, rack.springs);
  const { kits } = JSON.parse(await readFile(join(folder, 'kits', 'kits.json'), 'utf8')) as {
    kits: unknown[];
  };
  for (const kit of kits) await putKit(db, validated<PutKit>(putKitSchema, kit));
  const files = (await readdir(folder)).filter((file) => file.endsWith('.json')).sort();
  for (const file of files) {
    const job = validated<NewJob>(
      newJobSchema,
      migrateJob(JSON.parse(await readFile(join(folder, file), 'utf8'))),
    );
    await createJob(db, job);
  }
  return files.length;
}
