import { Router, type Request, type Response } from 'express';
import type { Door, Knock, Knocked, Look, Looked, SignIn } from '#contract/door.ts';
import { knockSchema, lookSchema, signInSchema } from '#contract/schemas/door.ts';
import type { Database } from '#db/connect.ts';
import { removeDevice } from '#db/shop.ts';
import { only } from '../http/methods.ts';
import { deviceIn } from '../http/signedIn.ts';
import { validated } from '../http/validate.ts';
import { doorFor, enterByPassphrase, knock, lookIn, whoAsks } from '../shop/door.ts';
import { beginSession, endSession } from '../shop/sessions.ts';

/** What an open server says: nobody signs in at this computer. */
export function openDoor(): Router {
  const router = Router();
  router
    .route('/')
    .get((_request, response) => {
      response.json({ mode: 'open', device: null, ready: true } satisfies Door);
    })
    .all(only('GET'));
  return router;
}

/** /api/door: how a device comes in, and goes. Everybody may ask here. */
export function doorRoutes(db: Database): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json((await doorFor(db, deviceIn(response))) satisfies Door);
    })
    .all(only('GET'));
  router
    .route('/sign-in')
    .post(async (request, response) => {
      const sent = validated<SignIn>(signInSchema, request.body);
      const device = await enterByPassphrase(db, whoAsks(request, deviceIn(response)), sent);
      await letGoOf(db, response);
      await beginSession(request, device.id);
      response.json((await doorFor(db, device)) satisfies Door);
    })
    .all(only('POST'));
  router.route('/sign-out').post(signOut(db)).all(only('POST'));
  router
    .route('/knock')
    .post(async (request, response) => {
      const { name } = validated<Knock>(knockSchema, request.body);
      response.status(201).json((await knock(db, name, request.ip ?? '')) satisfies Knocked);
    })
    .all(only('POST'));
  router
    .route('/look')
    .post(async (request, response) => {
      const { secret, name } = validated<Look>(lookSchema, request.body);
      const looked = await lookIn(db, secret, name);
      if (looked.state !== 'in') {
        response.json({ state: looked.state } satisfies Looked);
        return;
      }
      await letGoOf(db, response);
      await beginSession(request, looked.device.id);
      response.json({ state: 'in', door: await doorFor(db, looked.device) } satisfies Looked);
    })
    .all(only('POST'));
  return router;
}

/** Whoever comes in anew is a new device: the old one is not left in the list. */
async function letGoOf(db: Database, response: Response): Promise<void> {
  const before = deviceIn(response);
  if (before) await removeDevice(db, before.id);
}

const signOut = (db: Database) => async (request: Request, response: Response) => {
  await letGoOf(db, response);
  await endSession(request);
  response.status(204).end();
};
