import { Router } from 'express';
import type { ImportRack, PutSpring, Rack } from '#contract/api.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import { jobIdSchema } from '#contract/schemas/entry.ts';
import { importRackSchema, putSpringSchema } from '#contract/schemas/rack.ts';
import { deleteSpring, listSprings } from '#db/rack.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import { keepSpring, takeIn } from '../services/rack.ts';

/** /api/rack */
export function rackRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json({ springs: await listSprings(db) } satisfies Rack);
    })
    .post(async (request, response) => {
      const spring = validated<PutSpring>(putSpringSchema, request.body);
      const kept = await keepSpring(db, spring);
      response.status(spring.version === null ? 201 : 200).json(kept satisfies RackSpring);
    })
    .all(only('GET', 'POST'));
  router
    .route('/import')
    .post(async (request, response) => {
      const { springs } = validated<ImportRack>(importRackSchema, request.body);
      response.json({ springs: await takeIn(db, springs) } satisfies Rack);
    })
    .all(only('POST'));
  router
    .route('/:id')
    .delete(async (request, response) => {
      const { id } = request.params;
      const known = !jobIdSchema.validate(id).error && (await deleteSpring(db, id));
      if (!known) throw new ProblemError('spring-not-found');
      response.status(204).end();
    })
    .all(only('DELETE'));
  return router;
}
