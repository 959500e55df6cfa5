import { spawn } from 'node:child_process';
import { ensureBuild } from './lib/build.mjs';
import { openDatabase } from './lib/database.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { claimPort } from './lib/port.mjs';

/** `npm start`: sets everything up, loads demo data into an empty database, serves until Ctrl+C. */
const port = await claimPort();
await ensurePackages();
await ensureBuild();
const database = await openDatabase();

// In a process group of its own, so that Ctrl+C reaches us first and things end in order.
const server = spawn(process.execPath, ['dist/server/main.js'], {
  stdio: ['ignore', 'inherit', 'inherit'],
  detached: true,
  env: { ...process.env, DATABASE_URL: database.url, PORT: String(port), NODE_ENV: 'production' },
});

let stopping = false;
const stop = () => {
  if (stopping) return;
  stopping = true;
  server.kill('SIGTERM');
};
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);

server.on('exit', (code) => {
  database.stop();
  process.exit(stopping ? 0 : (code ?? 1));
});
