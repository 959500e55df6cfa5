import { Router, type RequestHandler } from 'express';
import { migrateJob } from '#core/job/migrate.ts';
import type { Entry } from '#core/job/types.ts';
import type { Book, EntryAnswer, JobAnswer, JobList, NewJob } from '#contract/api.ts';
import { entrySchema, jobIdSchema, newJobSchema } from '#contract/schemas/entry.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import { addEntry, createJob, jobSummaries, machineBook, readJob } from '../services/jobs.ts';
import type { Deps } from '../deps.ts';

const only =
  (...methods: string[]): RequestHandler =>
  (_request, response) => {
    response.setHeader('Allow', methods.join(', '));
    throw new ProblemError('method-not-allowed');
  };

/** A job id from the address; one that cannot be an id is simply not there. */
function jobId(raw: unknown): string {
  if (jobIdSchema.validate(raw).error) throw new ProblemError('job-not-found');
  return raw as string;
}

/** /api/book */
export function bookRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json({ jobs: await machineBook(db) } satisfies Book);
    })
    .all(only('GET'));
  return router;
}

/** /api/jobs */
export function jobRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json({ jobs: await jobSummaries(db) } satisfies JobList);
    })
    .post(async (request, response) => {
      const job = validated<NewJob>(newJobSchema, migrateJob(request.body));
      response.status(201).json((await createJob(db, job)) satisfies JobAnswer);
    })
    .all(only('GET', 'POST'));
  router
    .route('/:id')
    .get(async (request, response) => {
      response.json((await readJob(db, jobId(request.params.id))) satisfies JobAnswer);
    })
    .all(only('GET'));
  router
    .route('/:id/entries')
    .post(async (request, response) => {
      const id = jobId(request.params.id);
      const entry = validated<Entry>(entrySchema, request.body);
      response.status(201).json({ version: await addEntry(db, id, entry) } satisfies EntryAnswer);
    })
    .all(only('POST'));
  return router;
}
