import type { RequestHandler, Response } from 'express';
import type { Database } from '#db/connect.ts';
import type { Device } from '#db/shop.ts';
import { deviceOf } from '../shop/door.ts';
import { ProblemError } from './problem.ts';

/** Finds out which device a request comes from; later handlers ask `deviceIn`. */
export function whoIsIn(db: Database): RequestHandler {
  return async (request, response, next) => {
    response.locals.device = await deviceOf(db, request);
    next();
  };
}

/** The device a request comes from, null where it is not in. */
export function deviceIn(response: Response): Device | null {
  return (response.locals as { device?: Device | null }).device ?? null;
}

/** The device a request comes from. Throws `sign-in` where it is not in. */
export function knownDevice(response: Response): Device {
  const device = deviceIn(response);
  if (!device) throw new ProblemError('sign-in');
  return device;
}

/** Lets only devices that are in go on. */
export const onlySignedIn: RequestHandler = (_request, response, next) => {
  knownDevice(response);
  next();
};
