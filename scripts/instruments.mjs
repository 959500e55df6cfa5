import { spawn } from 'node:child_process';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/packages.mjs';

/** `npm run instruments -- caliper`: simulated instruments, and bridges for real ones. */
await ensurePackages();
await ensureBuild();
const child = spawn(process.execPath, ['dist/instruments/main.js', ...process.argv.slice(2)], {
  stdio: 'inherit',
});
// Ctrl+C reaches both: the program ends in its own way.
process.on('SIGINT', () => undefined);
child.on('exit', (code) => process.exit(code ?? 1));
