#!/usr/bin/env node
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The built command; built first where it is not there yet. */
const built = new URL('../dist/cli/margin.js', import.meta.url);
if (!existsSync(built)) {
  const here = process.cwd();
  process.chdir(fileURLToPath(new URL('..', import.meta.url)));
  const { ensurePackages } = await import('../scripts/lib/packages.mjs');
  const { ensureBuild } = await import('../scripts/lib/build.mjs');
  // Standard output is the command's own.
  console.log = console.error;
  await ensurePackages();
  await ensureBuild();
  process.chdir(here);
}
await import(built.href);
