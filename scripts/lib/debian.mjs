import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { onPath, run } from './run.mjs';
import { fail, isRoot } from './say.mjs';

const PG_ROOT = '/usr/lib/postgresql';

const command = (name) => `apt-get update && apt-get install -y --no-install-recommends ${name}`;

/** Runs apt as root; gives { code, output }. */
function apt(name, what) {
  console.log(`Installing ${what} (Debian package ${name}) ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  return run('sh', ['-c', command(name)], { env });
}

/** Installs a Debian package when we are root; otherwise says exactly what to run. */
async function install(name, what) {
  if (!isRoot()) fail(`${what} is missing. Run this, then start again:\n  sudo sh -c '${command(name)}'`);
  const { code, output } = await apt(name, what);
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

// Chromium without windows of its own: the same pages in two thirds of the time.
const SHELL = 'chromium-headless-shell';

/** Debian's Chromium for tests and pictures: `CHROMIUM` names another. */
export function chromiumPath() {
  return process.env.CHROMIUM ?? `/usr/bin/${onPath(SHELL) ? SHELL : 'chromium'}`;
}

/** Makes sure of Debian's Chromium for the browser tests. */
export async function ensureChromium() {
  if (process.env.CHROMIUM || onPath(SHELL)) return;
  // An older Debian has the whole browser only.
  if (isRoot() && (await apt(SHELL, 'Chromium')).code === 0) return;
  if (!onPath('chromium')) await install('chromium', 'Chromium');
}

/** The proxy of the sample file in the docs, for its test. */
export async function ensureNginx() {
  if (!onPath('nginx')) await install('nginx-light', 'nginx');
}

/** What tests of several hosts on one machine take: namespaces, their browsers' own stores of certificates, and a plain client. */
export async function ensureHosts() {
  if (!isRoot()) return;
  const needed = { ip: 'iproute2', certutil: 'libnss3-tools', curl: 'curl' };
  for (const [program, name] of Object.entries(needed)) if (!onPath(program)) await install(name, program);
}
