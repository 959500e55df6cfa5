import { randomBytes } from 'node:crypto';
import connectPgSimple from 'connect-pg-simple';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import type { Database } from '#db/connect.ts';
import { shopValueOr } from '#db/shop.ts';

declare module 'express-session' {
  interface SessionData {
    /** The device this session belongs to. */
    deviceId: string;
  }
}

const DAYS = 180;
const DAY_MS = 86_400_000;

/** Sessions in PostgreSQL, under a cookie that scripts cannot read and no other site can set or send. */
export async function openSessions(db: Database): Promise<RequestHandler> {
  const secret = await shopValueOr(db, 'session-secret', randomBytes(32).toString('base64'));
  const Store = connectPgSimple(session);
  return session({
    name: '__Host-margin',
    secret,
    store: new Store({
      pool: db.$client,
      tableName: 'session',
      disableTouch: true,
      pruneSessionInterval: 3600,
    }),
    resave: false,
    saveUninitialized: false,
    cookie: { secure: true, httpOnly: true, sameSite: 'strict', path: '/', maxAge: DAYS * DAY_MS },
  });
}

/** Gives a request a session under a new id, whatever came with it, for a device that was let in. */
export async function beginSession(request: Request, deviceId: string): Promise<void> {
  await new Promise<void>((done, fail) =>
    request.session.regenerate((error: unknown) => (error ? fail(error as Error) : done())),
  );
  request.session.deviceId = deviceId;
  await new Promise<void>((done, fail) =>
    request.session.save((error: unknown) => (error ? fail(error as Error) : done())),
  );
}

/** Ends the session of a request. */
export async function endSession(request: Request): Promise<void> {
  await new Promise<void>((done, fail) =>
    request.session.destroy((error: unknown) => (error ? fail(error as Error) : done())),
  );
}
