import { ensureBuild } from './lib/build.mjs';
import { openDatabase } from './lib/database.mjs';
import { keepRunning } from './lib/keepRunning.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { claimPort } from './lib/port.mjs';

/** `npm start`: sets everything up, loads demo data into an empty database, serves until Ctrl+C. */
const port = await claimPort();
await ensurePackages();
await ensureBuild();
const database = await openDatabase();

const env = { ...process.env, DATABASE_URL: database.url, PORT: String(port), NODE_ENV: 'production' };
const stop = keepRunning('dist/server/main.js', env, (code) => {
  database.stop();
  process.exit(code);
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
