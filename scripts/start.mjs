import { dirname } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { clusterFolder } from './lib/cluster.mjs';
import { openDatabase } from './lib/database.mjs';
import { keepRunning } from './lib/keepRunning.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { claimPort } from './lib/port.mjs';
import { lesserUser } from './lib/lesserUser.mjs';
import { fail } from './lib/say.mjs';

/**
 * `npm start`: sets everything up, loads demo data into an empty database, serves this computer until Ctrl+C. `npm start -- --shop`
 * serves the shop's network: docs/operations.md.
 */
const shop = process.argv.includes('--shop') || process.env.MARGIN_SHOP === '1';
const unknown = process.argv.slice(2).find((word) => word !== '--shop');
if (unknown) fail(`"${unknown}" is not known here: npm start takes --shop, or nothing.`);
const port = await claimPort();
await ensurePackages();
await ensureBuild();
const database = await openDatabase();

const files = dirname(clusterFolder(process.cwd()));
const user = shop ? lesserUser(files) : null;
const env = {
  ...process.env,
  ...(shop && { MARGIN_SHOP: '1', MARGIN_FILES: files }),
  DATABASE_URL: database.url,
  PORT: String(port),
  NODE_ENV: 'production',
};
const stop = keepRunning('dist/server/main.js', { env, user }, (code) => {
  database.stop();
  process.exit(code);
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
