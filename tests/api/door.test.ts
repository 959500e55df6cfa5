import { once } from 'node:events';
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { Agent, request as secureRequest } from 'node:https';
import { sql } from 'drizzle-orm';
import { WebSocket, WebSocketServer } from 'ws';
import { plainDocument } from '../fixtures/records.ts';
import { PASSPHRASE, signedIn, startShop, type Shop, type Visitor } from '../fixtures/shopServer.ts';

let shop: Shop;
beforeAll(async () => (shop = await startShop()));
afterAll(() => shop.close());

/** The line of a device in the list, by its name. */
async function deviceCalled(asker: Visitor, name: string): Promise<{ id: string; by: string } | undefined> {
  const { body } = await asker.ask('GET', '/devices');
  return (body.devices as { id: string; name: string; by: string }[]).find((one) => one.name === name);
}

const signIn = (visitor: Visitor, passphrase: string) =>
  visitor.ask('POST', '/door/sign-in', { passphrase, name: 'x' });

describe('a stranger on the shop’s wireless', () => {
  test.each([
    ['GET', '/jobs'],
    ['POST', '/jobs'],
    ['GET', '/book'],
    ['GET', '/rack'],
    ['DELETE', `/rack/${randomUUID()}`],
    ['GET', '/kits'],
    ['GET', '/floors'],
    ['GET', `/photos?job=${randomUUID()}`],
    ['POST', `/photos?job=${randomUUID()}&corner=LF`],
    ['GET', '/events'],
    ['GET', '/shop'],
    ['GET', '/devices'],
    ['POST', '/devices/codes'],
    ['POST', '/devices/find'],
  ])('gets nothing by %s %s', async (method, path) => {
    const answer = await shop.visitor().ask(method, path, method === 'POST' ? {} : undefined);
    expect(answer.status).toBe(401);
    expect(answer.body).toMatchObject({ code: 'sign-in' });
  });

  test('is told only whether the door is there', async () => {
    const { status, headers, body } = await shop.visitor().ask('GET', '/door');
    expect(status).toBe(200);
    expect(body).toEqual({ mode: 'shop', device: null, ready: true });
    expect(headers['strict-transport-security']).toBe('max-age=31536000');
  });

  test('gets no instrument', async () => {
    expect(await socket(shop, '')).toBe('refused 401');
  });

  test('who guesses the passphrase waits longer and longer, and keeps nobody else out', async () => {
    const guesser = shop.visitor('192.168.7.66');
    for (let k = 0; k < 4; k++) expect((await signIn(guesser, `wrong ${k}`)).status).toBe(403);
    const slowed = await signIn(guesser, PASSPHRASE);
    expect(slowed.status).toBe(429);
    expect(slowed.body).toMatchObject({ code: 'door-waits' });
    expect(Number(slowed.headers['retry-after'])).toBeGreaterThan(0);
    expect((await signIn(shop.visitor('192.168.7.67'), PASSPHRASE)).status).toBe(200);
  });

  test('guesses sent at once count each', async () => {
    const guesser = shop.visitor('192.168.7.68');
    const answers = await Promise.all([...Array(12).keys()].map((k) => signIn(guesser, `wrong ${k}`)));
    const looked = answers.filter(({ status }) => status === 403).length;
    expect(looked).toBeLessThanOrEqual(4);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(12 - looked);
  });

  test('with many addresses cannot have more than two passphrases worked out at once', async () => {
    const crowd = [...Array(40).keys()].map((k) => signIn(shop.visitor(`10.9.0.${k + 1}`), 'wrong again'));
    const answers = await Promise.all(crowd);
    const busy = answers.filter(({ body }) => body.code === 'door-busy');
    expect(busy.length).toBeGreaterThanOrEqual(20);
    expect(busy[0]?.status).toBe(503);
    expect((await signIn(shop.visitor('10.9.1.1'), PASSPHRASE)).status).toBe(200);
  });
});

describe('coming in by the passphrase', () => {
  test('gives a cookie that scripts cannot read and other sites cannot send, under a new session', async () => {
    const fixed = shop.visitor('192.168.7.30', '__Host-margin=s%3Achosen-by-somebody.else');
    const { status, headers, body } = await signIn(fixed, PASSPHRASE);
    expect(status).toBe(200);
    expect(body).toMatchObject({ mode: 'shop', device: { by: 'passphrase' } });
    const [cookie = ''] = headers['set-cookie'] ?? [];
    expect(cookie).toMatch(/^__Host-margin=/);
    for (const part of ['HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(part);
    expect(cookie).not.toContain('Domain');
    expect(cookie).not.toContain('chosen-by-somebody');
    expect((await fixed.ask('GET', '/jobs')).status).toBe(200);
  });

  test('anew is another session, and the old one is worth nothing', async () => {
    const visitor = await signedIn(shop, 'Bench');
    const before = visitor.cookie();
    await signIn(visitor, PASSPHRASE);
    expect(visitor.cookie()).not.toBe(before);
    expect((await visitor.ask('GET', '/jobs')).status).toBe(200);
    expect((await shop.visitor('192.168.7.20', before).ask('GET', '/jobs')).status).toBe(401);
  });

  test('signing out ends it', async () => {
    const visitor = await signedIn(shop, 'Short visit');
    const cookie = visitor.cookie();
    expect((await visitor.ask('POST', '/door/sign-out', {})).status).toBe(204);
    expect((await shop.visitor('192.168.7.20', cookie).ask('GET', '/jobs')).status).toBe(401);
    expect(await deviceCalled(await signedIn(shop), 'Short visit')).toBeUndefined();
  });
});

describe('a tablet with six digits', () => {
  test('comes in once somebody who is in has typed them and said yes', async () => {
    const office = await signedIn(shop);
    const tablet = shop.visitor('192.168.7.41');
    const { body: knocked } = await tablet.ask('POST', '/door/knock', { name: 'Lift two' });
    expect(knocked.digits).toMatch(/^\d{6}$/);
    const look = () => tablet.ask('POST', '/door/look', { secret: knocked.secret, name: 'x' });
    expect((await look()).body).toEqual({ state: 'waiting' });
    const found = await office.ask('POST', '/devices/find', { digits: knocked.digits });
    expect(found.body).toMatchObject({ name: 'Lift two', address: '192.168.7.41' });
    expect((await look()).body).toEqual({ state: 'waiting' });
    expect((await office.ask('POST', '/devices/let-in', { handle: found.body.handle })).status).toBe(204);
    expect((await look()).body).toMatchObject({
      state: 'in',
      door: { device: { name: 'Lift two', by: 'digits' } },
    });
    expect((await tablet.ask('GET', '/jobs')).status).toBe(200);
    // The secret has done its work.
    const thief = shop.visitor('192.168.7.42');
    expect((await thief.ask('POST', '/door/look', { secret: knocked.secret, name: 'x' })).body).toEqual({
      state: 'gone',
    });
    expect((await thief.ask('GET', '/jobs')).status).toBe(401);
  });

  test('waits five minutes, no longer', async () => {
    const tablet = shop.visitor('192.168.7.43');
    const { body: knocked } = await tablet.ask('POST', '/door/knock', { name: 'Slow' });
    await shop.db.execute(
      sql`update pairings set created_at = now() - interval '6 minutes' where name = 'Slow'`,
    );
    expect((await tablet.ask('POST', '/door/look', { secret: knocked.secret, name: 'x' })).body).toEqual({
      state: 'gone',
    });
    const found = await (await signedIn(shop)).ask('POST', '/devices/find', { digits: knocked.digits });
    expect(found.body).toMatchObject({ code: 'nobody-waits' });
  });

  test('a stranger who knocks again and again pushes nobody else away', async () => {
    const tablet = shop.visitor('192.168.7.44');
    const { body: knocked } = await tablet.ask('POST', '/door/knock', { name: 'Patient' });
    const stranger = shop.visitor('192.168.7.99');
    for (let k = 0; k < 20; k++) await stranger.ask('POST', '/door/knock', { name: `Stranger ${k}` });
    const { rows } = await shop.db.execute(sql`select 1 from pairings where name like 'Stranger%'`);
    expect(rows).toHaveLength(3);
    expect((await tablet.ask('POST', '/door/look', { secret: knocked.secret, name: 'x' })).body).toEqual({
      state: 'waiting',
    });
  });

  test('digits that are typed wrong again and again are looked at no more for a while', async () => {
    const office = await signedIn(shop, 'Guesser');
    const codes: unknown[] = [];
    for (let k = 0; k < 6; k++)
      codes.push((await office.ask('POST', '/devices/find', { digits: `00000${k}` })).body.code);
    expect(codes.slice(0, 4)).toEqual(Array(4).fill('nobody-waits'));
    expect(codes.slice(4)).toEqual(['door-waits', 'door-waits']);
  });
});

test('a picture code lets one device in, whoever shows it first', async () => {
  const office = await signedIn(shop);
  const { body: code } = await office.ask('POST', '/devices/codes', {});
  expect(code.secret).toMatch(/^[\w-]{22}$/);
  const first = shop.visitor('192.168.7.51');
  const second = shop.visitor('192.168.7.52');
  const show = (visitor: Visitor, name: string) =>
    visitor.ask('POST', '/door/look', { secret: code.secret, name });
  const states = await Promise.all([show(first, 'One'), show(second, 'Two')]);
  expect(states.map(({ body }) => body.state).sort()).toEqual(['gone', 'in']);
  const { rows } = await shop.db.execute(sql`select 1 from pairings where secret_hash = ${code.secret}`);
  expect(rows).toHaveLength(0);
});

describe('a lost tablet that is removed', () => {
  test('loses its stream and its instrument at once, also on another server, and is told to forget', async () => {
    const office = await signedIn(shop);
    const lost = await signedIn(shop, 'Lost tablet', '192.168.7.61');
    const other = await shop.another();
    try {
      const ended = Promise.all([streamEnd(shop, lost.cookie()), streamEnd(other, lost.cookie())]);
      const socketEnd = socket(shop, lost.cookie());
      await new Promise((done) => setTimeout(done, 300));
      const device = await deviceCalled(office, 'Lost tablet');
      expect((await office.ask('DELETE', `/devices/${device?.id}`)).status).toBe(204);
      expect(await ended).toEqual([200, 200]);
      expect(await socketEnd).toBe('closed');
      const next = await lost.ask('GET', '/jobs');
      expect(next.status).toBe(401);
      expect(next.body).toMatchObject({ code: 'device-removed' });
      expect(next.headers['clear-site-data']).toBe('"cache", "cookies", "storage"');
      expect((await office.ask('GET', '/jobs')).status).toBe(200);
    } finally {
      await other.close();
    }
  });
});

test('a page of another site uses up nothing and reads nothing, also with the cookie', async () => {
  const office = await signedIn(shop);
  const foreign = { Origin: 'https://evil.example' };
  const job = { id: randomUUID(), document: plainDocument(), entries: [] };
  expect((await office.ask('POST', '/jobs', job, foreign)).status).toBe(403);
  expect((await office.ask('GET', '/jobs', undefined, { Host: 'evil.example' })).status).toBe(421);
  expect(await socket(shop, office.cookie(), { Origin: 'https://evil.example' })).toBe('refused 404');
  expect(await socket(shop, office.cookie(), { Host: 'evil.example' })).toBe('refused 404');
});

test('a registered instrument is passed on to devices that are in; another address is not', async () => {
  const scales = new WebSocketServer({ port: 0, host: '127.0.0.1' });
  scales.on('connection', (one) => one.send('{"mm": 612.4}'));
  await once(scales, 'listening');
  const { port: at } = scales.address() as AddressInfo;
  const office = await signedIn(shop);
  const { body: before } = await office.ask('GET', '/shop');
  const id = randomUUID();
  const instruments = [{ id, name: 'Bench gauge', address: `ws://127.0.0.1:${at}` }];
  expect((await office.ask('POST', '/shop', { ...before, instruments })).body).toMatchObject({ instruments });
  const line = new Promise((done) =>
    openSocket(shop, office.cookie(), {}, id).once('message', (data: Buffer) => done(data.toString())),
  );
  expect(await line).toBe('{"mm": 612.4}');
  expect(await socket(shop, '', {}, id)).toBe('refused 401');
  expect(await socket(shop, office.cookie(), {}, randomUUID())).toBe('refused 404');
  scales.clients.forEach((one) => one.terminate());
  await new Promise((done) => scales.close(done));
});

test('settings of the shop are kept, and two who change them at once are told', async () => {
  const office = await signedIn(shop);
  const { body: before } = await office.ask('GET', '/shop');
  const changed = { ...before, shopName: 'Saltmarsh Springs', technicians: ['Ada', 'Bo'] };
  expect((await office.ask('POST', '/shop', changed)).body).toMatchObject({ shopName: 'Saltmarsh Springs' });
  const late = await office.ask('POST', '/shop', changed);
  expect(late.status).toBe(409);
  expect(late.body).toMatchObject({ code: 'settings-changed', conflict: { technicians: ['Ada', 'Bo'] } });
});

/** Holds the stream of changes until it ends; gives the status it was answered with. */
function streamEnd({ port, root }: Shop, cookie: string): Promise<number> {
  return new Promise((done, fail) => {
    const headers = { Host: `margin.local:${port}`, Cookie: cookie };
    secureRequest(
      { host: '127.0.0.1', port, servername: 'margin.local', ca: root, path: '/api/events', headers },
      (answer) => answer.on('data', () => undefined).on('end', () => done(answer.statusCode ?? 0)),
    )
      .on('error', fail)
      .end();
  });
}

/** Opens an instrument, the simulated one where no other is named. */
function openSocket(
  { port, root }: Shop,
  cookie: string,
  more: Record<string, string>,
  which: string,
): WebSocket {
  const headers = { Host: `margin.local:${port}`, ...(cookie && { Cookie: cookie }), ...more };
  const agent = new Agent({ ca: root, servername: 'margin.local' });
  return new WebSocket(`wss://127.0.0.1:${port}/instruments/${which}`, { agent, headers });
}

/** Opens an instrument; gives how that ended. */
function socket(
  asked: Shop,
  cookie: string,
  more: Record<string, string> = {},
  which = 'simulated',
): Promise<string> {
  return new Promise((done) => {
    const client = openSocket(asked, cookie, more, which);
    client.on('unexpected-response', (_asked, { statusCode }) => done(`refused ${statusCode}`));
    client.on('close', () => done('closed'));
    client.on('error', () => undefined);
  });
}
