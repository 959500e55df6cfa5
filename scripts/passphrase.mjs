import { spawn } from 'node:child_process';
import { ensureBuild } from './lib/build.mjs';
import { openDatabase } from './lib/database.mjs';
import { ensurePackages } from './lib/packages.mjs';

/** `npm run passphrase`: sets or changes the passphrase of the shop, at the computer itself. */
await ensurePackages();
await ensureBuild();
const database = await openDatabase();
const env = { ...process.env, DATABASE_URL: database.url };
const child = spawn(process.execPath, ['dist/server/passphrase.js'], { stdio: 'inherit', env });
child.once('exit', (code) => {
  database.stop();
  process.exit(code ?? 1);
});
