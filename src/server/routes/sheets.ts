import { Router, type Request, type RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { GiveSheet, GivenSheets, SheetLink } from '#contract/api.ts';
import { jobIdSchema } from '#contract/schemas/entry.ts';
import { giveSheetSchema, sheetListSchema } from '#contract/schemas/sheet.ts';
import { dropSheet, listSheets, sheetPage } from '#db/sheets.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { validated } from '../http/validate.ts';
import { asGiven, giveSheet } from '../services/sheets.ts';
import { hashOfSecret } from '../shop/secrets.ts';

/** /api/sheets: what is given out to customers as links. */
export function sheetRoutes({ db, publicUrl }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (request, response) => {
      const { job = null } = validated<{ job?: string }>(sheetListSchema, { ...request.query });
      const sheets = (await listSheets(db, job)).map(asGiven);
      response.json({ possible: publicUrl !== null, sheets } satisfies GivenSheets);
    })
    .post(async (request, response) => {
      const sent = validated<GiveSheet>(giveSheetSchema, request.body);
      response.status(201).json((await giveSheet(db, publicUrl, sent)) satisfies SheetLink);
    })
    .all(only('GET', 'POST'));
  router
    .route('/:id')
    .delete(async (request, response) => {
      const { id } = request.params;
      if (jobIdSchema.validate(id).error || !(await dropSheet(db, id)))
        throw new ProblemError('sheet-not-found');
      response.status(204).end();
    })
    .all(only('DELETE'));
  return router;
}

/** Pages a minute from one address: a customer opens a few. */
const MOST = 120;

/** Nothing in it runs, is fetched, is sent or is framed, whatever it says. */
const SEALED =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; base-uri 'none'; form-action 'none'; frame-ancestors 'none'; sandbox";

/** /s/:secret, for anybody who has the link: one sheet as it stood, and nothing else. */
export function openSheets({ db }: Pick<Deps, 'db'>): Router {
  const router = Router();
  router.use(sealed);
  router.use(
    rateLimit({
      windowMs: 60_000,
      limit: MOST,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      keyGenerator: (request: Request) => ipKeyGenerator(request.ip ?? ''),
      message: 'Too many at once. Wait a minute, and open the link again.',
    }),
  );
  router
    .route('/:secret')
    .get(async (request, response) => {
      const page = await sheetPage(db, hashOfSecret(request.params.secret));
      if (page) response.type('html').send(page);
      else
        response
          .status(404)
          .type('text')
          .send('There is nothing under this link, or no longer. Ask the shop that gave it to you.\n');
    })
    .all(only('GET'));
  return router;
}

const sealed: RequestHandler = (_request, response, next) => {
  response.setHeader('Content-Security-Policy', SEALED);
  response.setHeader('Cache-Control', 'no-store');
  response.setHeader('Referrer-Policy', 'no-referrer');
  response.setHeader('X-Robots-Tag', 'noindex');
  next();
};
