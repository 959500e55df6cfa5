import { resolve } from 'node:path';
import { pino } from 'pino';
import { migrateDatabase, openDatabase } from '#db/connect.ts';
import { keepBackups } from './backup/schedule.ts';
import { configFrom } from './config.ts';
import { createApp } from './createApp.ts';
import { loadDemo } from './demo.ts';
import { hostsFrom } from './http/allowed.ts';
import { serveSockets } from './instruments/sockets.ts';
import { openJobEvents } from './services/events.ts';
import { keepLinesFresh } from './services/lines.ts';
import { serveLoopback, serveShop } from './serving.ts';
import { openSessions } from './shop/sessions.ts';

/** With this exit code the port was taken. */
const PORT_TAKEN = 48;

/** The one place that reads the environment and listens. Run from the project's folder. */
async function main(): Promise<void> {
  const config = configFrom(process.env);
  const { databaseUrl, shop } = config;
  const log = pino({ level: config.logLevel }, pino.destination(2));
  const loaded = await prepare(databaseUrl);
  const db = openDatabase(databaseUrl);
  const events = openJobEvents(databaseUrl, log);
  const hosts = [...hostsFrom(config.moreHosts), ...(shop ? [shop.name] : [])];
  const sessions = shop ? await openSessions(db) : null;
  const { writesPerMinute, proxies, publicUrl } = config;
  const webFolder = resolve('dist/web');
  const app = createApp({ db, events, log, webFolder, writesPerMinute, hosts, sessions, proxies, publicUrl });
  const serving =
    shop && proxies === 0
      ? await serveShop({ app, db, webFolder }, config, shop)
      : serveLoopback(app, config);
  const { server } = serving;
  const endSockets = serveSockets(server, { db, events, hosts, sessions });
  const endBackups = shop ? keepBackups(db) : () => undefined;
  const endLines = keepLinesFresh(db, events, log);
  // Before anybody is told that it serves: whoever is told may end it.
  const stop = () => {
    serving.end();
    endSockets();
    endBackups();
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
  if (loaded > 0) process.stdout.write(`Loaded ${loaded} demo jobs.\n`);
  await serving.begin().catch((error: NodeJS.ErrnoException) => {
    process.stderr.write(
      error.code === 'EADDRINUSE' ? `Port ${config.port} is taken.\n` : `${error.message}\n`,
    );
    process.exit(error.code === 'EADDRINUSE' ? PORT_TAKEN : 1);
  });
  // Whoever started it may now start it again, should it ever end by itself.
  process.send?.('serving');
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
