import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { sql } from 'drizzle-orm';
import { limits } from '#contract/limits.ts';
import { problemOf } from '#contract/problems.ts';
import type { Deps } from './deps.ts';
import { ownHost, ownOrigin } from './http/allowed.ts';
import { errorFunnel, ProblemError, sendProblem } from './http/problem.ts';
import { sameVersion } from './http/version.ts';
import { deviceIn, onlySignedIn, whoIsIn } from './http/signedIn.ts';
import { backupRoutes } from './routes/backup.ts';
import { deviceRoutes } from './routes/devices.ts';
import { doorRoutes, openDoor } from './routes/door.ts';
import { eventStream } from './routes/events.ts';
import { photoRoutes } from './routes/photos.ts';
import { pictureRoutes } from './routes/pictures.ts';
import { exportRoutes } from './routes/export.ts';
import { floorRoutes } from './routes/floors.ts';
import { kitRoutes } from './routes/kits.ts';
import { practiceRoutes } from './routes/practice.ts';
import { rackRoutes } from './routes/rack.ts';
import { openSheets, sheetRoutes } from './routes/sheets.ts';
import { logoRoutes, shopRoutes } from './routes/shop.ts';
import { bookRoutes, jobRoutes } from './routes/jobs.ts';

/** The whole server as an Express application; it does not listen by itself. */
export function createApp(deps: Deps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', deps.proxies);
  app.use(helmet(securityHeaders(deps.sessions !== null)));
  if (deps.sessions) app.use(httpsFromNowOn);
  if (deps.publicUrl !== null)
    app.use('/s', ownHost([...deps.hosts, new URL(deps.publicUrl).hostname]), openSheets(deps));
  app.use(ownHost(deps.hosts));
  app.use('/api', api(deps));
  if (deps.webFolder !== null) servePage(app, deps.webFolder);
  app.use(() => {
    throw new ProblemError('not-found');
  });
  app.use(errorFunnel(deps.log));
  return app;
}

/** Radix measures scroll bars with inline styles. */
const securityHeaders = (shop: boolean) => ({
  strictTransportSecurity: false,
  contentSecurityPolicy: {
    useDefaults: true,
    directives: {
      'upgrade-insecure-requests': null,
      'style-src': ["'self'", "'unsafe-inline'"],
      'img-src': ["'self'", 'data:', 'blob:'],
      // Open, instruments stand on the reader's own machine; a shop's are relayed by the server.
      'connect-src': shop ? ["'self'"] : ["'self'", 'ws://127.0.0.1:*', 'ws://localhost:*'],
    },
  },
});

/** A year of https alone under the shop's own name; said under localhost, it would shut out whatever else runs there. */
const httpsFromNowOn: RequestHandler = (request, response, next) => {
  if (request.hostname !== 'localhost') response.setHeader('Strict-Transport-Security', 'max-age=31536000');
  next();
};

function api(deps: Deps): express.Router {
  const router = express.Router();
  router.use(ownOrigin, sameVersion);
  router.get('/health', async (_request, response) => {
    await deps.db.execute(sql`select 1`);
    response.json({ ok: true });
  });
  if (deps.sessions) router.use(deps.sessions, whoIsIn(deps.db));
  router.use(limitWrites(deps.writesPerMinute));
  router.use('/door', requireJson, json('10kb'), deps.sessions ? doorRoutes(deps.db) : openDoor());
  if (deps.sessions) router.use(onlySignedIn);
  router.use('/photos', photoRoutes(deps));
  router.use('/shop/logo', logoRoutes(deps));
  router.use(requireJson);
  router.post('/pictures', json(limits.readingPictureBytes));
  router.post(['/jobs', '/jobs/:id/entries/more'], json(limits.jobFileBytes));
  router.use(json(limits.bodyBytes));
  if (deps.sessions) router.use('/devices', deviceRoutes(deps.db));
  router.use('/shop', shopRoutes(deps));
  router.use('/backup', backupRoutes(deps));
  router.get('/events', eventStream(deps.events));
  router.use('/jobs', jobRoutes(deps));
  router.use('/book', bookRoutes(deps));
  router.use('/rack', rackRoutes(deps));
  router.use('/kits', kitRoutes(deps));
  router.use('/floors', floorRoutes(deps));
  router.use('/pictures', pictureRoutes(deps));
  router.use('/export', exportRoutes(deps));
  router.use('/sheets', sheetRoutes(deps));
  router.use('/practice', practiceRoutes(deps));
  router.use(() => {
    throw new ProblemError('not-found');
  });
  return router;
}

const json = (limit: number | string) => express.json({ limit, strict: false, reviver: refuseBrokenText });

const writes = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

function limitWrites(limit: number): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skip: ({ method }) => !writes.has(method),
    // Those behind one address do not use up each other's.
    keyGenerator: (request, response) => deviceIn(response)?.id ?? ipKeyGenerator(request.ip ?? ''),
    handler: (_request, response) => sendProblem(response, problemOf('too-many')),
  });
}

/** A POST of another type is refused rather than read as nothing; this also keeps plain web forms out. */
const requireJson: RequestHandler = (request, _response, next) => {
  if (request.method === 'POST' && !request.is('application/json')) throw new ProblemError('not-json');
  next();
};

// PostgreSQL holds neither NUL nor half a surrogate pair; such a body is refused as malformed.
const BROKEN_TEXT = /\0|\p{Surrogate}/u;

function refuseBrokenText(key: string, value: unknown): unknown {
  if (BROKEN_TEXT.test(key) || (typeof value === 'string' && BROKEN_TEXT.test(value)))
    throw new SyntaxError('broken text');
  return value;
}

function servePage(app: Express, folder: string): void {
  // The build has squeezed them already: squeezing at every request takes longer than sending.
  const assets = { immutable: true, maxAge: '1y' };
  app.use(
    '/assets',
    expressStaticGzip(join(folder, 'assets'), {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: assets,
    }),
  );
  app.use(express.static(folder, { index: false, maxAge: 0 }));
  app.get('/{*path}', (request, response) => {
    const page = join(folder, 'index.html');
    if (!existsSync(page) || request.path.startsWith('/assets/')) throw new ProblemError('not-found');
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
}
