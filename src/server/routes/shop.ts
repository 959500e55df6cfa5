import { Router } from 'express';
import type { ShopSettings } from '#contract/door.ts';
import { shopSettingsSchema } from '#contract/schemas/door.ts';
import { only } from '../http/methods.ts';
import { validated } from '../http/validate.ts';
import type { Deps } from '../deps.ts';
import { keepSettings, readSettings } from '../services/shopSettings.ts';

/** /api/shop: what holds for the whole shop. */
export function shopRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json((await readSettings(db)) satisfies ShopSettings);
    })
    .post(async (request, response) => {
      const sent = validated<ShopSettings>(shopSettingsSchema, request.body);
      response.json((await keepSettings(db, sent)) satisfies ShopSettings);
    })
    .all(only('GET, POST'));
  return router;
}
