import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { promisify } from 'node:util';
import { ProblemError } from '../http/problem.ts';

const hashed = promisify(scrypt) as (
  text: string,
  salt: Buffer,
  bytes: number,
  cost: ScryptOptions,
) => Promise<Buffer>;

/** A hash with all it takes to check a passphrase against it. */
export interface PassphraseHash {
  salt: string;
  hash: string;
  /** scrypt's cost (RFC 7914): memory is 128 · r · N bytes, 64 MB here. */
  N: number;
  r: number;
  p: number;
}

const COST = { N: 2 ** 16, r: 8, p: 1 };
const HASH_BYTES = 32;
/** A hash takes 64 MB and a good part of a second of one core: this many are worked out at once. */
const AT_ONCE = 2;
/** More than these may not wait: they are told to come again. */
const WAITING = 16;

/** The shortest passphrase: long enough that guessing at the pace the door allows takes for ever. */
const PASSPHRASE_LEAST = 10;
const PASSPHRASE_MOST = 200;

/** What is wrong with a passphrase, in words; null where it will do. */
export function passphraseFault(text: string): string | null {
  if (text.length < PASSPHRASE_LEAST)
    return `A passphrase has at least ${PASSPHRASE_LEAST} characters: four or five words do well.`;
  if (text.length > PASSPHRASE_MOST) return `A passphrase has at most ${PASSPHRASE_MOST} characters.`;
  if (new Set(text).size < 5) return 'This is the same few characters again and again: choose some words.';
  return null;
}

let atWork = 0;
const queue: (() => void)[] = [];

/** Lets two work at once and sixteen wait; throws `unavailable` for the next, so that nobody can fill the memory. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (atWork >= AT_ONCE) {
    if (queue.length >= WAITING) throw new ProblemError('door-busy');
    await new Promise<void>((go) => queue.push(go));
  } else atWork++;
  try {
    return await work();
  } finally {
    const next = queue.shift();
    if (next) next();
    else atWork--;
  }
}

const work = (text: string, salt: Buffer, { N, r, p }: Pick<PassphraseHash, 'N' | 'r' | 'p'>) =>
  inTurn(() => hashed(text.normalize('NFKC'), salt, HASH_BYTES, { N, r, p, maxmem: 256 * N * r }));

/** Hashes a passphrase with a salt of its own. */
export async function hashOf(text: string): Promise<PassphraseHash> {
  const salt = randomBytes(16);
  const hash = await work(text, salt, COST);
  return { ...COST, salt: salt.toString('base64'), hash: hash.toString('base64') };
}

/** Whether a passphrase is the one that was hashed. Takes as long whether it is or not. */
export async function isPassphrase(text: string, kept: PassphraseHash): Promise<boolean> {
  const hash = await work(text, Buffer.from(kept.salt, 'base64'), kept);
  return timingSafeEqual(hash, Buffer.from(kept.hash, 'base64'));
}
