import { resolve } from 'node:path';
import { runWithDatabase } from './lib/withDatabase.mjs';

/** `npm run restore -- FILE`: puts a backup in the place of what is there. */
await runWithDatabase(
  'restore',
  process.argv.slice(2).map((path) => resolve(path)),
);
