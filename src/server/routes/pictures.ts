import { Router } from 'express';
import type { NewReadingPicture, ReadingPicture, ReadingPictureList } from '#contract/pictures.ts';
import { jobIdSchema, photoListSchema } from '#contract/schemas/entry.ts';
import { readingPictureSchema } from '#contract/schemas/picture.ts';
import { readReadingPicture } from '#db/readingPictures.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import { keepReadingPicture, readingPicturesFor } from '../services/pictures.ts';

/** /api/pictures: those that heights were read off. */
export function pictureRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (request, response) => {
      const { job } = validated<{ job: string }>(photoListSchema, { ...request.query });
      response.json({ pictures: await readingPicturesFor(db, job) } satisfies ReadingPictureList);
    })
    .post(async (request, response) => {
      const sent = validated<NewReadingPicture>(readingPictureSchema, request.body);
      response.status(201).json((await keepReadingPicture(db, sent)) satisfies ReadingPicture);
    })
    .all(only('GET', 'POST'));
  router
    .route('/:id')
    .get(async (request, response) => {
      const known = !jobIdSchema.validate(request.params.id).error;
      const picture = known ? await readReadingPicture(db, request.params.id) : null;
      if (!picture) throw new ProblemError('photo-not-found');
      // A picture never changes under its id.
      response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
      response.type('image/jpeg').send(picture);
    })
    .all(only('GET'));
  return router;
}
