import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { run } from './run.mjs';
import { fail } from './say.mjs';

const STAMP = 'dist/.source';
const SOURCES = [
  'src',
  'docs/job-file.schema.json',
  'vite.config.ts',
  'vite.server.config.ts',
  'vite.cli.config.ts',
  'vite.instruments.config.ts',
  'package-lock.json',
  'package.json',
];

/** Builds page and server unless the last build was made from these very sources. */
export async function ensureBuild() {
  const stamp = hashOf(SOURCES);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === stamp) return;
  console.log('Building ...');
  // Whoever asks may run as a test: that is no reason to build slow development parts in.
  const env = { ...process.env, NODE_ENV: 'production' };
  const { code, output } = await run('npm', ['run', '--silent', 'build'], { env });
  if (code !== 0) fail(`The build failed:\n${output.slice(-4000)}`);
  writeFileSync(STAMP, stamp);
}

function hashOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths) addTo(hash, path);
  return hash.digest('hex');
}

function addTo(hash, path) {
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) addTo(hash, join(path, name));
    return;
  }
  hash.update(path).update('\0').update(readFileSync(path));
}
