import { Router, type Request } from 'express';
import { upgradedEntry } from '#core/document/upgradeFact.ts';
import { withPlainIds } from '#core/document/plainIds.ts';
import { migrateJob } from '#core/document/migrate.ts';
import type { Entry } from '#core/document/types.ts';
import type {
  Book,
  EntryAnswer,
  JobAnswer,
  JobList,
  ListQuery,
  MachineBook,
  MoreEntries,
  NewJob,
  PutAway,
  Shelf,
  WhereJob,
} from '#contract/api.ts';
import {
  awaySchema,
  entriesSchema,
  entrySchema,
  jobIdSchema,
  jobListSchema,
  listQuerySchema,
  newJobSchema,
} from '#contract/schemas/entry.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import {
  addEntries,
  addEntry,
  createJob,
  jobSummaries,
  machineBook,
  machineList,
  moveJob,
  whereJobIs,
} from '../services/jobs.ts';
import { recordText } from '../services/records.ts';
import type { Deps } from '../deps.ts';

/** A job id from the address; one that cannot be an id is simply not there. */
function jobId(raw: unknown): string {
  if (jobIdSchema.validate(raw).error) throw new ProblemError('job-not-found');
  return (raw as string).toLowerCase();
}

/** Which part of a list is asked for, out of the address; left out, the first fifty of all. */
function listParts({ find = '', offset = '0', limit = '50' }: Request['query']) {
  return { find, offset: Number(offset), limit: Number(limit) };
}

/** /api/book */
export function bookRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (request, response) => {
      response.json(
        (await machineList(
          db,
          validated<ListQuery>(listQuerySchema, listParts(request.query)),
        )) satisfies Book,
      );
    })
    .all(only('GET'));
  router
    .route('/:key')
    .get(async (request, response) => {
      if (jobIdSchema.validate(request.params.key).error) throw new ProblemError('machine-not-found');
      response.json({ jobs: await machineBook(db, request.params.key) } satisfies MachineBook);
    })
    .all(only('GET'));
  return router;
}

/** /api/jobs */
export function jobRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (request, response) => {
      const { shelf = 'all' } = request.query;
      const query = validated<ListQuery & { shelf: Shelf }>(jobListSchema, {
        ...listParts(request.query),
        shelf,
      });
      response.json((await jobSummaries(db, query)) satisfies JobList);
    })
    .post(async (request, response) => {
      const sent = validated<NewJob>(newJobSchema, migrateJob(request.body));
      const job = { ...sent, id: sent.id.toLowerCase(), entries: sent.entries.map(withPlainIds) };
      response.status(201).json((await createJob(db, job)) satisfies JobAnswer);
    })
    .all(only('GET, POST'));
  router
    .route('/:id')
    .get(async (request, response) => {
      response.type('json').send(await recordText(db, jobId(request.params.id)));
    })
    .all(only('GET'));
  router
    .route('/:id/entries')
    .post(async (request, response) => {
      const id = jobId(request.params.id);
      const entry = withPlainIds(validated<Entry>(entrySchema, upgradedEntry(request.body)));
      response.status(201).json({ version: await addEntry(db, id, entry) } satisfies EntryAnswer);
    })
    .all(only('POST'));
  router
    .route('/:id/entries/more')
    .post(async (request, response) => {
      const id = jobId(request.params.id);
      const sent = request.body as Partial<MoreEntries> | null;
      const entries = Array.isArray(sent?.entries) ? sent.entries.map(upgradedEntry) : sent?.entries;
      const more = validated<MoreEntries>(entriesSchema, { ...sent, entries });
      const version = await addEntries(db, id, more.entries.map(withPlainIds));
      response.status(201).json({ version } satisfies EntryAnswer);
    })
    .all(only('POST'));
  router
    .route('/:id/away')
    .get(async (request, response) => {
      response.json((await whereJobIs(db, jobId(request.params.id))) satisfies WhereJob);
    })
    .post(async (request, response) => {
      const id = jobId(request.params.id);
      const { away } = validated<PutAway>(awaySchema, request.body);
      response.json((await moveJob(db, id, away)) satisfies PutAway);
    })
    .all(only('GET, POST'));
  return router;
}
