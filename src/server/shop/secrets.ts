import { createHash, randomBytes, randomInt } from 'node:crypto';

/** A secret of 128 bits, in 22 characters that fit into an address. */
export const newSecret = (): string => randomBytes(16).toString('base64url');

/** What is kept of a secret: whoever reads the database cannot come in with it. */
export const hashOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Six digits, each as likely as any other. */
export const newDigits = (): string => randomInt(1_000_000).toString().padStart(6, '0');
