import { spawn } from 'node:child_process';
import { freePort, startCluster, stopCluster, throwawayFolder } from './cluster.mjs';
import { chromiumPath, ensurePostgres } from './debian.mjs';

/** The built application with its demo data on a throw-away database. Gives { address, stop }. */
export async function startDemoApp() {
  const bin = await ensurePostgres();
  const folder = throwawayFolder();
  const { url } = await startCluster({ bin, folder, throwaway: true });
  const port = await freePort();
  const env = { ...process.env, DATABASE_URL: url, PORT: String(port), NODE_ENV: 'production' };
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((done) =>
    server.stdout.on('data', (chunk) => String(chunk).includes('Margin is on') && done()),
  );
  return {
    address: `http://127.0.0.1:${port}`,
    stop: () => {
      server.kill('SIGTERM');
      return new Promise((done) =>
        server.once('exit', () => {
          stopCluster({ bin, folder, throwaway: true });
          done();
        }),
      );
    },
  };
}

/** Debian's Chromium, headless. */
export async function openChromium() {
  const { chromium } = await import('@playwright/test');
  return chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
  });
}
