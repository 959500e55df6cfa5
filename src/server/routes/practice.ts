import { Router, type Response } from 'express';
import type {
  LessonsDone,
  NewPractice,
  NewTry,
  PracticeList,
  PracticePictureAsked,
  PracticeReading,
} from '#contract/practice.ts';
import { jobIdSchema } from '#contract/schemas/entry.ts';
import {
  lessonSchema,
  newPracticeSchema,
  newTrySchema,
  practicePictureSchema,
  practiceReadingSchema,
} from '#contract/schemas/practice.ts';
import { addLesson, lessonsOf } from '#db/practice.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { deviceIn } from '../http/signedIn.ts';
import { validated } from '../http/validate.ts';
import {
  beginPractice,
  beginTry,
  challengeOf,
  challengeOfDay,
  endPractice,
  giveOn,
  picturePractice,
  openTruth,
  practiceOf,
  practiceOfJob,
  practicesOf,
  readPractice,
} from '../services/practice.ts';

/** An id from the address; one that cannot be an id is simply not there. */
function idOf(raw: unknown): string {
  if (jobIdSchema.validate(raw).error) throw new ProblemError('practice-not-found');
  return (raw as string).toLowerCase();
}

/** Whoever works at the device; empty where nobody in particular does. */
const whoIs = (response: Response) => deviceIn(response)?.technician ?? '';

const today = () => new Date().toISOString().slice(0, 10);

/** What is not of one machine: challenges, and lessons that are done. */
function together(router: Router, db: Deps['db']): void {
  router
    .route('/challenge')
    .get(async (_request, response) => {
      response.json(await challengeOfDay(db, today()));
    })
    .all(only('GET'));
  router
    .route('/challenges/:id')
    .get(async (request, response) => {
      response.json(await challengeOf(db, idOf(request.params.id)));
    })
    .all(only('GET'));
  router
    .route('/lessons')
    .get(async (_request, response) => {
      response.json({ done: await lessonsOf(db, whoIs(response)) } satisfies LessonsDone);
    })
    .all(only('GET'));
  router
    .route('/lessons/:lesson')
    .post(async (request, response) => {
      const lesson = validated<string>(lessonSchema, request.params.lesson);
      await addLesson(db, whoIs(response), lesson);
      response.status(201).json({ done: await lessonsOf(db, whoIs(response)) });
    })
    .all(only('POST'));
}

/** /api/practice */
export function practiceRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json({ practices: await practicesOf(db, whoIs(response)) } satisfies PracticeList);
    })
    .post(async (request, response) => {
      const sent = validated<NewPractice>(newPracticeSchema, request.body);
      response.status(201).json(await beginPractice(db, sent, whoIs(response)));
    })
    .all(only('GET', 'POST'));
  together(router, db);
  router
    .route('/of/:job')
    .get(async (request, response) => {
      response.json(await practiceOfJob(db, idOf(request.params.job)));
    })
    .all(only('GET'));
  router
    .route('/tries/:job/read')
    .post(async (request, response) => {
      const reading = validated<PracticeReading>(practiceReadingSchema, request.body);
      response.json(await readPractice(db, idOf(request.params.job), reading));
    })
    .all(only('POST'));
  router
    .route('/tries/:job/picture')
    .post(async (request, response) => {
      const asked = validated<PracticePictureAsked>(practicePictureSchema, request.body);
      response.json(await picturePractice(db, idOf(request.params.job), asked));
    })
    .all(only('POST'));
  router
    .route('/tries/:job/end')
    .post(async (request, response) => {
      response.json(await endPractice(db, idOf(request.params.job)));
    })
    .all(only('POST'));
  router
    .route('/:id')
    .get(async (request, response) => {
      response.json(await practiceOf(db, idOf(request.params.id)));
    })
    .all(only('GET'));
  router
    .route('/:id/tries')
    .post(async (request, response) => {
      const sent = validated<NewTry>(newTrySchema, request.body);
      response.status(201).json(await beginTry(db, idOf(request.params.id), sent));
    })
    .all(only('POST'));
  router
    .route('/:id/open')
    .post(async (request, response) => {
      response.json(await openTruth(db, idOf(request.params.id)));
    })
    .all(only('POST'));
  router
    .route('/:id/share')
    .post(async (request, response) => {
      response.status(201).json(await giveOn(db, idOf(request.params.id)));
    })
    .all(only('POST'));
  return router;
}
