import express, { Router } from 'express';
import type { ShopSettings } from '#contract/door.ts';
import { limits } from '#contract/limits.ts';
import { shopSettingsSchema } from '#contract/schemas/door.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import type { Deps } from '../deps.ts';
import { keepLogo, keepSettings, readLogo, readSettings, removeLogo } from '../services/shopSettings.ts';

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

/** /api/shop/logo: a picture as it is. */
export function logoRoutes({ db }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      const logo = await readLogo(db);
      if (!logo) throw new ProblemError('photo-not-found');
      // Its address is asked for with what names it, so that another logo is at another.
      response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
      response.type('image/png').send(logo);
    })
    .post(express.raw({ type: 'image/*', limit: limits.photoBytes }), async (request, response) => {
      const sent: unknown = request.body;
      if (!Buffer.isBuffer(sent)) throw new ProblemError('not-a-picture');
      response.status(201).json((await keepLogo(db, sent)) satisfies ShopSettings);
    })
    .delete(async (_request, response) => {
      response.json((await removeLogo(db)) satisfies ShopSettings);
    })
    .all(only('GET', 'POST', 'DELETE'));
  return router;
}
