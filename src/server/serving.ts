import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { join } from 'node:path';
import type { Express } from 'express';
import type { Database } from '#db/connect.ts';
import type { Config, ShopConfig } from './config.ts';
import { KEEP_OPEN } from './http/keepOpen.ts';
import { announce, ownAddresses } from './shop/announce.ts';
import { fingerprintOf } from './shop/authority.ts';
import { keptPassphrase } from './shop/door.ts';
import { makeDoorstep } from './shop/doorstep.ts';
import { shopCertificate } from './shop/keptAuthority.ts';

/** A server and what belongs to it; `say` is written once it serves. */
export interface Serving {
  server: Server;
  /** Listens; fails with the system's error. */
  begin: () => Promise<void>;
  end: () => void;
}

const LOOPBACK = '127.0.0.1';
const LOOK_EVERY_MS = 1000;
const RENEW_EVERY_MS = 86_400_000;

const say = (words: string) => process.stdout.write(`${words}\n`);

function listen(server: Server, port: number, address: string): Promise<void> {
  return new Promise((done, fail) => {
    server.once('error', fail);
    server.listen(port, address, () => {
      server.off('error', fail);
      done();
    });
  });
}

/** Serves this computer alone, or a proxy on it, over plain http. */
export function serveLoopback(app: Express, { port, shop }: Config): Serving {
  const server = createServer(KEEP_OPEN, app);
  const begin = async () => {
    await listen(server, port, LOOPBACK);
    say(
      shop
        ? `Margin is on http://127.0.0.1:${port} for the proxy that has the certificate of ${shop.name}.`
        : `Margin is on http://127.0.0.1:${port}`,
    );
  };
  return { server, begin, end: () => undefined };
}

/**
 * Serves the shop's network over https. Before a passphrase has been set only this computer is served; as soon as there is one, the network
 * is.
 */
export async function serveShop(
  { app, db, webFolder }: { app: Express; db: Database; webFolder: string },
  { port }: Config,
  shop: ShopConfig,
): Promise<Serving> {
  const names = [shop.name, 'localhost'];
  const { root, chain, key } = await shopCertificate(shop.folder, names, Date.now());
  const server = createSecureServer({ cert: chain, key, minVersion: 'TLSv1.2', ...KEEP_OPEN }, app);
  const address = `https://${shop.name}:${port}`;
  const doorstep = makeDoorstep(root, address, join(webFolder, 'doorstep.html'));
  const timers: NodeJS.Timeout[] = [];
  let endAnnouncing: () => void = () => undefined;

  const renew = setInterval(() => {
    void shopCertificate(shop.folder, names, Date.now()).then(
      (fresh) => server.setSecureContext({ cert: fresh.chain, key: fresh.key }),
      () => undefined,
    );
  }, RENEW_EVERY_MS);
  timers.push(renew);

  const open = async () => {
    await listen(server, port, shop.address);
    // Without it tablets that know the shop already go on working.
    await listen(doorstep, port + 1, shop.address).catch(() =>
      say(`Port ${port + 1} is taken: new tablets find no certificate.`),
    );
    if (shop.name.endsWith('.local') && shop.address !== LOOPBACK) endAnnouncing = announce(shop.name);
    say(howToCome(address, port, root, shop));
  };
  const waitForPassphrase = () => {
    let found = false;
    const timer = setInterval(() => {
      void keptPassphrase(db).then(
        async (kept) => {
          // A look that took long may end beside the next.
          if (!kept || found) return;
          found = true;
          clearInterval(timer);
          server.closeAllConnections();
          await new Promise((done) => server.close(done));
          await open();
        },
        () => undefined,
      );
    }, LOOK_EVERY_MS);
    timers.push(timer);
  };
  const begin = async () => {
    if (await keptPassphrase(db)) {
      await open();
      return;
    }
    await listen(server, port, LOOPBACK);
    say('The network is not served yet: no passphrase has been set. Set one here with: npm run passphrase');
    waitForPassphrase();
  };
  const end = () => {
    timers.forEach((timer) => clearInterval(timer));
    endAnnouncing();
    doorstep.close();
    doorstep.closeAllConnections();
  };
  return { server, begin, end };
}

function howToCome(address: string, port: number, root: string, shop: ShopConfig): string {
  const steps = (shop.address === '0.0.0.0' ? ownAddresses() : [shop.address]).map(
    (one) => `  a new tablet opens     http://${one}:${port + 1}`,
  );
  return [
    `Margin is on ${address}`,
    `  at this computer       https://localhost:${port}`,
    ...steps,
    '  the fingerprint it must show (SHA-256):',
    ...(fingerprintOf(root).match(/.{1,48}/g) ?? []).map((part) => `    ${part}`),
  ].join('\n');
}
