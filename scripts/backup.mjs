import { runWithDatabase } from './lib/withDatabase.mjs';

/** `npm run backup`: one file with everything, locked with the passphrase and checked. */
await runWithDatabase('backup');
