import { createServer as createHttp } from 'node:http';
import { resolve } from 'node:path';
import { openDatabase } from './lib/database.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { claimPort } from './lib/port.mjs';

/** `npm run dev`: the same as `npm start`, with page and server reloaded as their files change. */
const port = await claimPort();
await ensurePackages();
const { createServer } = await import('vite');
const { pino } = await import('pino');
const database = await openDatabase();
const http = createHttp();
const vite = await createServer({
  configFile: 'vite.config.ts',
  server: {
    middlewareMode: true,
    hmr: { server: http },
    watch: { ignored: ['**/.margin/**', '**/dist/**'] },
  },
});
const load = (path) => vite.ssrLoadModule(resolve('src', path));
const log = pino({ level: 'warn' });

const { openDatabase: openPool, migrateDatabase } = await load('db/connect.ts');
const { loadDemo } = await load('server/demo.ts');
const { openJobEvents } = await load('server/services/events.ts');
const db = openPool(database.url);
await migrateDatabase(db, resolve('src/db/migrations'));
await loadDemo(db, resolve('demo'));
const events = openJobEvents(database.url, log);
const { hostsFrom } = await load('server/http/allowed.ts');
const hosts = hostsFrom(process.env.MARGIN_HOSTS);

http.on('request', async (request, response) => {
  // The page's own sources have a folder of that name too; they end in .ts.
  if (!/^\/api\/[^.]*$/.test(request.url ?? '')) {
    vite.middlewares(request, response);
    return;
  }
  try {
    // Loaded anew when a file of the server changed, from Vite's cache otherwise.
    const { createApp } = await load('server/createApp.ts');
    createApp({ db, events, log, webFolder: null, writesPerMinute: 6000, hosts, sessions: null, proxies: 0 })(
      request,
      response,
    );
  } catch (error) {
    vite.ssrFixStacktrace(error);
    console.error(error);
    response.writeHead(500).end();
  }
});
http.listen(port, '127.0.0.1', () => console.log(`Margin (reloading) is on http://127.0.0.1:${port}`));

const stop = async () => {
  await Promise.allSettled([events.close(), vite.close()]);
  await db.$client.end();
  database.stop();
  process.exit(0);
};
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, stop);
