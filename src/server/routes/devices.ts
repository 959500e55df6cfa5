import { Router } from 'express';
import type { ChangeDevice, Devices, FindKnock, FoundKnock, LetIn, PictureCode } from '#contract/door.ts';
import { changeDeviceSchema, findKnockSchema, letInSchema } from '#contract/schemas/door.ts';
import { jobIdSchema } from '#contract/schemas/entry.ts';
import type { Database } from '#db/connect.ts';
import { changeDevice, listDevices, removeDevice } from '#db/shop.ts';
import { only } from '../http/methods.ts';
import { ProblemError } from '../http/problem.ts';
import { knownDevice } from '../http/signedIn.ts';
import { validated } from '../http/validate.ts';
import { findKnock, letInFound, lineOf, newCode } from '../shop/door.ts';

/** A device's id from the address; one that cannot be an id is simply not there. */
function deviceId(raw: unknown): string {
  if (jobIdSchema.validate(raw).error) throw new ProblemError('device-not-found');
  return raw as string;
}

/** /api/devices: who is in, who is let in, who is removed. */
export function deviceRoutes(db: Database): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.json({ devices: (await listDevices(db)).map(lineOf) } satisfies Devices);
    })
    .all(only('GET'));
  router
    .route('/find')
    .post(async (request, response) => {
      const { digits } = validated<FindKnock>(findKnockSchema, request.body);
      response.json((await findKnock(db, knownDevice(response), digits)) satisfies FoundKnock);
    })
    .all(only('POST'));
  router
    .route('/let-in')
    .post(async (request, response) => {
      const { handle } = validated<LetIn>(letInSchema, request.body);
      await letInFound(db, knownDevice(response), handle);
      response.status(204).end();
    })
    .all(only('POST'));
  router
    .route('/codes')
    .post(async (_request, response) => {
      response.status(201).json((await newCode(db, knownDevice(response))) satisfies PictureCode);
    })
    .all(only('POST'));
  router
    .route('/:id')
    .post(async (request, response) => {
      const change = validated<ChangeDevice>(changeDeviceSchema, request.body);
      if (!(await changeDevice(db, deviceId(request.params.id), change)))
        throw new ProblemError('device-not-found');
      response.status(204).end();
    })
    .delete(async (request, response) => {
      if (!(await removeDevice(db, deviceId(request.params.id)))) throw new ProblemError('device-not-found');
      response.status(204).end();
    })
    .all(only('POST, DELETE'));
  return router;
}
