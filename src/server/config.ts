import { resolve } from 'node:path';
import { localHosts } from './http/allowed.ts';

/** How the server is to run, out of the environment. */
export interface Config {
  databaseUrl: string;
  port: number;
  logLevel: string;
  writesPerMinute: number;
  /** Names it answers to, beside those of this machine. */
  moreHosts: string | undefined;
  /** Proxies before it, whose word on address and https counts; with any, they have the certificate. */
  proxies: number;
  /** Null: this computer alone, and nobody signs in. */
  shop: ShopConfig | null;
  /** The origin under which customers reach sheets that were given out; null where none can be. */
  publicUrl: string | null;
}

export interface ShopConfig {
  /** The one name under which tablets reach it. */
  name: string;
  /** The address it listens on, once there is a passphrase. */
  address: string;
  /** Where its certificate is kept. */
  folder: string;
}

/** A name of one or more parts, as hosts have them. */
const HOST_NAME = /^(?=.{1,100}$)[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)+$/;

function wholeNumber(name: string, text: string, most: number): number {
  const value = Number(text);
  if (!Number.isInteger(value) || value < 0 || value > most)
    throw new Error(`${name} must be a whole number from 0 to ${most}, not "${text}".`);
  return value;
}

/** Reads the environment. Throws with words for the owner where something in it is wrong. */
export function configFrom(env: Record<string, string | undefined>): Config {
  const { DATABASE_URL, PORT = '4180', MARGIN_SHOP, TRUST_PROXY = '0' } = env;
  const proxies = wholeNumber('TRUST_PROXY', TRUST_PROXY, 10);
  // A proxy opens it to others: without a door they would all be in.
  if (proxies > 0 && MARGIN_SHOP !== '1')
    throw new Error('TRUST_PROXY is for a shop: set MARGIN_SHOP=1 too.');
  if (!DATABASE_URL) throw new Error('expected DATABASE_URL, got none: start with "npm start"');
  return {
    databaseUrl: DATABASE_URL,
    port: wholeNumber('PORT', PORT, 65_535),
    logLevel: env.LOG_LEVEL ?? 'warn',
    writesPerMinute: wholeNumber('WRITES_PER_MINUTE', env.WRITES_PER_MINUTE ?? '1200', 1_000_000_000),
    moreHosts: env.MARGIN_HOSTS,
    proxies,
    shop: MARGIN_SHOP === '1' ? shopFrom(env) : null,
    publicUrl: publicFrom(env),
  };
}

/** The origin of links for customers. Outside a shop nobody signs in, so that nobody but this computer may reach anything. */
function publicFrom({ PUBLIC_URL, MARGIN_SHOP }: Record<string, string | undefined>): string | null {
  if (!PUBLIC_URL) return null;
  const url = URL.canParse(PUBLIC_URL) ? new URL(PUBLIC_URL) : null;
  const own = url !== null && localHosts.includes(url.hostname);
  if (!url || url.href !== `${url.origin}/` || (url.protocol !== 'https:' && !own))
    throw new Error(
      `PUBLIC_URL must be like https://sheets.example.org, with nothing after it, not "${PUBLIC_URL}".`,
    );
  if (MARGIN_SHOP !== '1' && !own) throw new Error('PUBLIC_URL is for a shop: set MARGIN_SHOP=1 too.');
  return url.origin;
}

function shopFrom(env: Record<string, string | undefined>): ShopConfig {
  const name = (env.MARGIN_NAME ?? 'margin.local').toLowerCase();
  if (!HOST_NAME.test(name))
    throw new Error(`MARGIN_NAME must be a name such as margin.local, not "${env.MARGIN_NAME}".`);
  return {
    name,
    address: env.MARGIN_ADDRESS ?? '0.0.0.0',
    folder: resolve(env.MARGIN_FILES ?? '.margin', 'certificate'),
  };
}
