import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { pino } from 'pino';
import { migrateDatabase, openDatabase } from '#db/connect.ts';
import { createApp } from './createApp.ts';
import { hostsFrom } from './http/allowed.ts';
import { loadDemo } from './demo.ts';
import { serveSimulatedGauge } from './instruments/simulated.ts';
import { openJobEvents } from './services/events.ts';
import { keepLinesFresh } from './services/lines.ts';

/** The one place that reads the environment and listens. Run from the project's folder. */
async function main(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('expected DATABASE_URL, got none: start with "npm start"');
  const port = Number(process.env.PORT ?? 4180);
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
  const loaded = await prepare(url);
  const db = openDatabase(url);
  const events = openJobEvents(url, log);
  const app = createApp({
    db,
    events,
    log,
    webFolder: resolve('dist/web'),
    writesPerMinute: Number(process.env.WRITES_PER_MINUTE ?? 1200),
    hosts: hostsFrom(process.env.MARGIN_HOSTS),
  });
  const server = createServer(app);
  const endGauge = serveSimulatedGauge(server);
  const endLines = keepLinesFresh(db, events, log);
  server.on('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(error.code === 'EADDRINUSE' ? `Port ${port} is taken.\n` : `${error.message}\n`);
    process.exit(error.code === 'EADDRINUSE' ? 48 : 1);
  });
  server.listen(port, '127.0.0.1', () => {
    if (loaded > 0) process.stdout.write(`Loaded ${loaded} demo jobs.\n`);
    process.stdout.write(`Margin is on http://127.0.0.1:${port}\n`);
    // Whoever started it may now start it again, should it ever end by itself.
    process.send?.('serving');
  });
  const stop = () => {
    endGauge();
    server.close();
    server.closeAllConnections();
    void Promise.allSettled([events.close(), endLines().then(() => db.$client.end())]).then(() =>
      process.exit(0),
    );
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  // Whoever started it was killed: nobody else would ever stop it.
  process.once('disconnect', stop);
}

/** Brings the tables up to date, and fills an empty database; gives how many demo jobs went in. */
async function prepare(url: string): Promise<number> {
  const db = openDatabase(url, { patient: true });
  try {
    await migrateDatabase(db, resolve('src/db/migrations'));
    return await loadDemo(db, resolve('demo'));
  } finally {
    await db.$client.end();
  }
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : 'The server could not start.'}\n`);
  process.exit(1);
});
