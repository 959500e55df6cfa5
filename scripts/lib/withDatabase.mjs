import { spawn } from 'node:child_process';
import { dirname } from 'node:path';
import { ensureBuild } from './build.mjs';
import { clusterFolder } from './cluster.mjs';
import { openDatabase } from './database.mjs';
import { ensurePackages } from './packages.mjs';

/** Runs one of the server's programs on its database, which is started for it where nobody else has it running. */
export async function runWithDatabase(program, args = []) {
  await ensurePackages();
  await ensureBuild();
  const database = await openDatabase();
  const env = {
    ...process.env,
    DATABASE_URL: database.url,
    MARGIN_FILES: dirname(clusterFolder(process.cwd())),
    NODE_ENV: 'production',
  };
  const child = spawn(process.execPath, [`dist/server/${program}.js`, ...args], { stdio: 'inherit', env });
  child.once('exit', (code) => {
    database.stop();
    process.exit(code ?? 1);
  });
}
