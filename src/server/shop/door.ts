import { randomUUID } from 'node:crypto';
import type { Request } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import type { DeviceLine, Door, FoundKnock, Knocked, PictureCode } from '#contract/door.ts';
import type { Database } from '#db/connect.ts';
import {
  addDevice,
  addPairing,
  countGuess,
  findDevice,
  findPairing,
  forgetGuesses,
  letIn,
  markSeen,
  pairingsWith,
  shopValue,
  takePairing,
  type Device,
} from '#db/shop.ts';
import { ProblemError } from '../http/problem.ts';
import { isPassphrase, type PassphraseHash } from './passphrase.ts';
import { hashOfSecret, newDigits, newSecret } from './secrets.ts';

/** For how long digits and picture codes count, minutes. */
const MINUTES = 5;
/** Devices of one address that may wait at once. */
const PER_ADDRESS = 3;
/** s. Whoever guesses wrong again and again waits at most this long. */
const MOST_WAIT_S = 900;
const SEEN_EVERY_MS = 60_000;

export const lineOf = ({ id, name, technician, by, createdAt, seenAt }: Device): DeviceLine => ({
  id,
  name,
  technician,
  by,
  createdAt: createdAt.toISOString(),
  seenAt: seenAt.toISOString(),
});

/** The passphrase's hash; null before one was set. */
export const keptPassphrase = (db: Database) => shopValue<PassphraseHash>(db, 'passphrase');

/** Who a request comes from, for counting: its device once it is in, else its address. */
export function whoAsks(request: Request, device: Device | null): string {
  return device ? `device ${device.id}` : `address ${ipKeyGenerator(request.ip ?? '')}`;
}

/**
 * The device a request comes from, null where it is not in. Throws `device-removed` where it was in once: it is to clear what it
 * keeps.
 */
export async function deviceOf(db: Database, request: Request): Promise<Device | null> {
  const id = request.session.deviceId;
  if (!id) return null;
  const device = await findDevice(db, id);
  if (!device) return null;
  if (device.removedAt) throw new ProblemError('device-removed');
  if (Date.now() - device.seenAt.getTime() > SEEN_EVERY_MS) await markSeen(db, id);
  return device;
}

/** What the page is told of the door. */
export async function doorFor(db: Database, device: Device | null): Promise<Door> {
  const ready = device !== null || (await keptPassphrase(db)) !== null;
  return { mode: 'shop', device: device && lineOf(device), ready };
}

/** Throws `door-waits`, with how long, where this one has guessed wrong too often. Otherwise counts one guess more. */
async function mayGuess(db: Database, who: string): Promise<void> {
  const waitS = await countGuess(db, who, MOST_WAIT_S);
  if (waitS !== null) throw new ProblemError('door-waits', { retryAfterS: waitS });
}

/** Lets a device in by the passphrase. Throws `no-passphrase`, `door-waits`, `wrong-passphrase`. */
export async function enterByPassphrase(
  db: Database,
  who: string,
  { passphrase, name }: { passphrase: string; name: string },
): Promise<Device> {
  const kept = await keptPassphrase(db);
  if (!kept) throw new ProblemError('no-passphrase');
  await mayGuess(db, `passphrase, ${who}`);
  if (!(await isPassphrase(passphrase, kept))) throw new ProblemError('wrong-passphrase');
  await forgetGuesses(db, `passphrase, ${who}`);
  return newDevice(db, name, 'passphrase');
}

async function newDevice(db: Database, name: string, by: Device['by']): Promise<Device> {
  const id = randomUUID();
  await addDevice(db, { id, name, by });
  return (await findDevice(db, id)) as Device;
}

/** Puts a device at the door: it shows its digits until somebody who is in types them. */
export async function knock(db: Database, name: string, address: string): Promise<Knocked> {
  const secret = newSecret();
  let digits = newDigits();
  // Two who show the same could be taken for each other.
  while ((await pairingsWith(db, digits, MINUTES)).length > 0) digits = newDigits();
  await addPairing(
    db,
    { secretHash: hashOfSecret(secret), digits, name, address },
    { minutes: MINUTES, perAddress: PER_ADDRESS },
  );
  return { secret, digits, minutes: MINUTES };
}

/** Looks whether whoever holds a secret was let in meanwhile; then it is a device, once. */
export async function lookIn(
  db: Database,
  secret: string,
  name: string,
): Promise<{ state: 'waiting' | 'gone' } | { state: 'in'; device: Device }> {
  const hash = hashOfSecret(secret);
  const taken = await takePairing(db, hash, MINUTES);
  if (taken) {
    const device = await newDevice(db, taken.name || name, taken.digits === null ? 'code' : 'digits');
    return { state: 'in', device };
  }
  return { state: (await findPairing(db, hash, MINUTES)) ? 'waiting' : 'gone' };
}

/** Who shows these digits. Guesses are counted by the device that types. Throws `nobody-waits`, `door-waits`. */
export async function findKnock(db: Database, by: Device, digits: string): Promise<FoundKnock> {
  const who = `digits, device ${by.id}`;
  await mayGuess(db, who);
  const [found] = await pairingsWith(db, digits, MINUTES);
  if (!found) throw new ProblemError('nobody-waits');
  await forgetGuesses(db, who);
  const sinceS = Math.max(0, Math.round((Date.now() - found.createdAt.getTime()) / 1000));
  return { handle: found.secretHash, name: found.name, address: found.address, sinceS };
}

/** Lets in whoever was found. Throws `nobody-waits` where it has gone meanwhile. */
export async function letInFound(db: Database, by: Device, handle: string): Promise<void> {
  if (!(await letIn(db, handle, by.id))) throw new ProblemError('nobody-waits');
}

/** A code that lets one device in, whoever shows it first. */
export async function newCode(db: Database, by: Device): Promise<PictureCode> {
  const secret = newSecret();
  await addPairing(
    db,
    { secretHash: hashOfSecret(secret), digits: null, name: '', address: '', letInBy: by.id },
    { minutes: MINUTES, perAddress: PER_ADDRESS },
  );
  return { secret, minutes: MINUTES };
}
