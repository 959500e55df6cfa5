import express, { Router, type Response } from 'express';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Photo, PhotoList } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import { jobIdSchema, photoListSchema, photoPlaceSchema } from '#contract/schemas/entry.ts';
import { deletePhoto, readPhoto } from '#db/photos.ts';
import type { Deps } from '../deps.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import { only } from '../http/methods.ts';
import { addPhoto, photosFor } from '../services/photos.ts';

/** /api/photos */
export function photoRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (request, response) => {
      const { job } = validated<{ job: string }>(photoListSchema, { ...request.query });
      response.json({ photos: await photosFor(db, job) } satisfies PhotoList);
    })
    .post(express.raw({ type: 'image/*', limit: limits.photoBytes }), async (request, response) => {
      const place = validated<{ job: string; corner: CornerId; id?: string; at?: string }>(photoPlaceSchema, {
        ...request.query,
      });
      const sent: unknown = request.body;
      if (!Buffer.isBuffer(sent)) throw new ProblemError('not-a-picture');
      response.status(201).json((await addPhoto(db, place, sent)) satisfies Photo);
    })
    .all(only('GET', 'POST'));
  const send = async (response: Response, id: unknown, size: 'picture' | 'small') => {
    const picture = await readPhoto(db, photoId(id), size);
    if (!picture) throw new ProblemError('photo-not-found');
    // A picture never changes under its id.
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type('image/jpeg').send(picture);
  };
  router
    .route('/:id')
    .get(async (request, response) => send(response, request.params.id, 'picture'))
    .delete(async (request, response) => {
      if (!(await deletePhoto(db, photoId(request.params.id)))) throw new ProblemError('photo-not-found');
      response.status(204).end();
    })
    .all(only('GET', 'DELETE'));
  router
    .route('/:id/small')
    .get(async (request, response) => send(response, request.params.id, 'small'))
    .all(only('GET'));
  return router;
}

/** An id from the address; one that cannot be an id is simply not there. */
function photoId(raw: unknown): string {
  if (jobIdSchema.validate(raw).error) throw new ProblemError('photo-not-found');
  return raw as string;
}
