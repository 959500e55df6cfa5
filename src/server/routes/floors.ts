import { Router } from 'express';
import type { Floors } from '#contract/api.ts';
import { listFloors } from '#db/floors.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';

/** /api/floors */
export function floorRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json({ places: await listFloors(db) } satisfies Floors);
    })
    .all(only('GET'));
  return router;
}
