import { Router } from 'express';
import type { Kits, PutKit } from '#contract/api.ts';
import type { Kit } from '#core/kits/kit.ts';
import { jobIdSchema } from '#contract/schemas/entry.ts';
import { putKitSchema } from '#contract/schemas/kit.ts';
import { deleteKit } from '#db/kits.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import { keepKit, kitsNow } from '../services/kits.ts';

/** /api/kits */
export function kitRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json((await kitsNow(db)) satisfies Kits);
    })
    .post(async (request, response) => {
      const kit = validated<PutKit>(putKitSchema, request.body);
      const kept = await keepKit(db, kit);
      response.status(kit.version === null ? 201 : 200).json(kept satisfies Kit);
    })
    .all(only('GET', 'POST'));
  router
    .route('/:id')
    .delete(async (request, response) => {
      const { id } = request.params;
      const known = !jobIdSchema.validate(id).error && (await deleteKit(db, id));
      if (!known) throw new ProblemError('kit-not-found');
      response.status(204).end();
    })
    .all(only('DELETE'));
  return router;
}
