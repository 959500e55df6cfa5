import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { onPath, run } from './run.mjs';
import { fail, isRoot } from './say.mjs';

const PG_ROOT = '/usr/lib/postgresql';

/** Installs a Debian package when we are root; otherwise says exactly what to run. */
async function install(name, what) {
  const command = `apt-get update && apt-get install -y --no-install-recommends ${name}`;
  if (!isRoot()) fail(`${what} is missing. Run this, then start again:\n  sudo sh -c '${command}'`);
  console.log(`Installing ${what} (Debian package ${name}) ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const { code, output } = await run('sh', ['-c', command], { env });
  if (code !== 0) fail(`${what} could not be installed:\n${output.slice(-2000)}`);
}

function newestPostgres() {
  if (!existsSync(PG_ROOT)) return null;
  const versions = readdirSync(PG_ROOT).filter((version) =>
    existsSync(join(PG_ROOT, version, 'bin', 'initdb')),
  );
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest ? join(PG_ROOT, newest, 'bin') : null;
}

/** The folder of PostgreSQL's server programs, installed first when missing. */
export async function ensurePostgres() {
  const found = newestPostgres();
  if (found) return found;
  await install('postgresql', 'PostgreSQL');
  return newestPostgres() ?? fail(`PostgreSQL was installed but initdb is not under ${PG_ROOT}.`);
}

/** Makes sure of Debian's Chromium for the browser tests. */
export async function ensureChromium() {
  if (!onPath('chromium')) await install('chromium', 'Chromium');
}
