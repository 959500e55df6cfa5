import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { GivenSheets, SheetLink } from '#contract/api.ts';
import { plainDocument } from '../fixtures/records.ts';
import { PUBLIC_URL, signedIn, startShop, type Shop, type Visitor } from '../fixtures/shopServer.ts';
import { startTestServer } from '../fixtures/server.ts';

let shop: Shop;
let office: Visitor;
let jobId: string;
beforeAll(async () => {
  shop = await startShop();
  office = await signedIn(shop);
  jobId = randomUUID();
  const job = { id: jobId, document: plainDocument(), entries: [] };
  expect((await office.ask('POST', '/jobs', job)).status).toBe(201);
});
afterAll(() => shop.close());

const sheet = () => ({
  jobId,
  title: 'Sandpiper',
  html: '<h1>Sandpiper</h1>',
  css: 'h1{color:#123}',
  days: 30,
});
const give = async (change: object = {}) => {
  const { status, body } = await office.ask('POST', '/sheets', { ...sheet(), ...change });
  expect(status).toBe(201);
  return body as unknown as SheetLink;
};
const secretOf = ({ address }: SheetLink) => address.slice(`${PUBLIC_URL}/s/`.length);
const listed = async () =>
  ((await office.ask('GET', `/sheets?job=${jobId}`)).body as unknown as GivenSheets).sheets.map(
    ({ id }) => id,
  );

/** What a customer is shown under a secret, under the address for customers. */
const opened = (secret: string) => shop.visitor().open(`/s/${secret}`, new URL(PUBLIC_URL).host);

test('a link opens its sheet for whoever has it, sealed, and stays as it was given', async () => {
  const link = await give();
  expect(secretOf(link)).toMatch(/^[\w-]{22}$/);
  const { status, headers, text } = await opened(secretOf(link));
  expect(status).toBe(200);
  expect(headers['content-type']).toBe('text/html; charset=utf-8');
  expect(text).toContain('<style>h1{color:#123}</style>');
  expect(text).toContain('<body><h1>Sandpiper</h1></body>');
  expect(headers).toMatchObject({
    'cache-control': 'no-store',
    'referrer-policy': 'no-referrer',
    'x-robots-tag': 'noindex',
  });
  expect(headers['content-security-policy']).toMatch(
    /^default-src 'none';.*frame-ancestors 'none'; sandbox$/,
  );
  expect(headers['set-cookie']).toBe(undefined);
});

test('the secret is told once and not kept', async () => {
  const link = await give();
  const rows = await shop.db.execute(sql`select to_jsonb(t)::text as row from sheets t`);
  expect(JSON.stringify(rows.rows)).not.toContain(secretOf(link));
  const { body } = await office.ask('GET', `/sheets?job=${jobId}`);
  expect(JSON.stringify(body)).not.toContain(secretOf(link));
  expect(body).toMatchObject({ possible: true });
});

test('what runs, leads away or is fetched is not in it', async () => {
  const html = `<main onclick="a()"><script>a()</script><a href="https://elsewhere.example">on</a>
    <img src="https://elsewhere.example/a.png" alt="x" onerror="a()"><img src="data:image/png;base64,AA" alt="y">
    <form action="/x"><input name="p"></form><iframe src="/api/jobs"></iframe><meta http-equiv="refresh" content="0;url=/">
    <svg viewBox="0 0 4 4"><path d="M0 0"/><use href="#a"/><use href="https://elsewhere.example#b"/><foreignObject><p>z</p></foreignObject></svg></main>`;
  const { text } = await opened(secretOf(await give({ html, css: 'p{}</style><script>a()</script>' })));
  const body = text.slice(text.indexOf('<body>'));
  expect(body).not.toMatch(/onclick|onerror|<script|<a |<form|<input|<iframe|<meta|foreignObject|elsewhere/);
  expect(body).toContain('viewBox="0 0 4 4"');
  expect(body).toContain('src="data:image/png;base64,AA"');
  // What it looks like ends where it should: a tag in it is no tag.
  expect(text.slice(0, text.indexOf('<body>')).match(/<\//g)).toEqual(['</', '</']);
});

test('taken back or past its day it opens no more', async () => {
  const [back, old] = [await give(), await give({ days: 1 })];
  expect((await office.ask('DELETE', `/sheets/${back.id}`)).status).toBe(204);
  expect((await office.ask('DELETE', `/sheets/${back.id}`)).status).toBe(404);
  await shop.db.execute(sql`update sheets set expires_at = now() - interval '1 minute' where id = ${old.id}`);
  for (const link of [back, old]) {
    const { status, text } = await opened(secretOf(link));
    expect([status, text]).toEqual([404, expect.stringContaining('nothing under this link')]);
  }
  expect(await listed()).not.toContain(old.id);
  // The next one sweeps out what nobody can open.
  await give();
  const kept = await shop.db.execute(sql`select 1 from sheets where id = ${old.id}`);
  expect(kept.rows).toEqual([]);
});

test('under the address for customers there is nothing but sheets', async () => {
  const { host } = new URL(PUBLIC_URL);
  for (const path of ['/', '/api/health', '/api/jobs', '/api/door', '/settings', '/assets/x.js'])
    expect([path, (await shop.visitor().open(path, host)).status]).toEqual([path, 421]);
  expect((await opened('x'.repeat(22))).status).toBe(404);
  expect((await shop.visitor().open('/s/x', 'elsewhere.example')).status).toBe(421);
});

test('a stranger gives out nothing and sees no list', async () => {
  const stranger = shop.visitor();
  expect((await stranger.ask('POST', '/sheets', sheet())).status).toBe(401);
  expect((await stranger.ask('GET', '/sheets')).status).toBe(401);
});

test.each([
  ['no such job', { jobId: randomUUID() }, 404],
  ['no days', { days: 0 }, 422],
  ['too many days', { days: 400 }, 422],
  ['an empty sheet', { html: '' }, 422],
])('%s: refused', async (_what, change, status) => {
  expect((await office.ask('POST', '/sheets', { ...sheet(), ...change })).status).toBe(status);
});

test('where the owner has named no address no links are given out', async () => {
  const server = await startTestServer();
  const id = randomUUID();
  const post = (path: string, body: object) =>
    fetch(`${server.address}${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  await post('/api/jobs', { id, document: plainDocument(), entries: [] });
  expect(await (await fetch(`${server.address}/api/sheets`)).json()).toEqual({ possible: false, sheets: [] });
  const refused = await post('/api/sheets', { ...sheet(), jobId: id });
  expect([refused.status, await refused.json()]).toEqual([
    409,
    expect.objectContaining({ code: 'no-public-url' }),
  ]);
  expect((await fetch(`${server.address}/s/${'x'.repeat(22)}`)).status).toBe(404);
  await server.close();
});
