import { runWithDatabase } from './lib/withDatabase.mjs';

/** `npm run passphrase`: sets or changes the passphrase of the shop, at the computer itself. */
await runWithDatabase('passphrase');
