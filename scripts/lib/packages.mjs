import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { run } from './run.mjs';
import { fail } from './say.mjs';

const STAMP = 'node_modules/.margin-lock';

/** Runs `npm ci` unless the installed packages are already those of the lock file. */
export async function ensurePackages() {
  const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  console.log('Installing packages (npm ci) ...');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund']);
  if (code !== 0) fail(`npm ci failed:\n${output.slice(0, 3000)}`);
  mkdirSync('node_modules', { recursive: true });
  writeFileSync(STAMP, lock);
}
