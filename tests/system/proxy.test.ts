import { randomUUID } from 'node:crypto';
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { Agent, request } from 'node:https';
import type { IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { openDatabase } from '#db/connect.ts';
import { keepShopValue } from '#db/shop.ts';
import { makeAuthority, makeServerCertificate } from '#server/shop/authority.ts';
import { hashOf } from '#server/shop/passphrase.ts';
import { plainDocument } from '../fixtures/records.ts';
import { freePort } from '../fixtures/processes.ts';

/** Two servers on one database behind nginx, by the sample file of the docs. */
const NAME = 'margin.example.net';
/** The other name of the sample: where customers open links. */
const SHEETS = 'sheets.example.net';
const PASSPHRASE = 'three blue springs hang';
const folder = mkdtempSync(join(tmpdir(), 'margin-proxy-'));
const started: ChildProcess[] = [];
let ca: string;
let port: number;
let servers: number[];
let cookie = '';

jest.setTimeout(120_000);

beforeAll(async () => {
  chmodSync(folder, 0o755);
  const url = await freshDatabase();
  servers = [await freePort(), await freePort()];
  // One after the other: the first makes the tables.
  for (const one of servers) await begin(url, one);
  const db = openDatabase(url);
  await keepShopValue(db, 'passphrase', await hashOf(PASSPHRASE));
  await db.$client.end();
  port = await freePort();
  await beginNginx();
});
afterAll(async () => {
  for (const one of started) {
    const gone = new Promise((done) => one.once('exit', done));
    one.kill('SIGTERM');
    await gone;
  }
  rmSync(folder, { recursive: true, force: true });
});

async function freshDatabase(): Promise<string> {
  const base = process.env.MARGIN_TEST_DATABASE ?? '';
  const name = `proxy_${randomUUID().replaceAll('-', '')}`;
  const admin = openDatabase(base);
  await admin.execute(sql.raw(`create database ${name}`));
  await admin.$client.end();
  return base.replace(/\/margin$/, `/${name}`);
}

async function begin(url: string, on: number): Promise<void> {
  const env = {
    ...process.env, DATABASE_URL: url, PORT: String(on), MARGIN_SHOP: '1', TRUST_PROXY: '1', MARGIN_NAME: NAME,
    PUBLIC_URL: `https://${SHEETS}`,
  }; // oxfmt-ignore
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  started.push(child);
  await new Promise<void>((done) =>
    child.stdout?.on('data', (text: Buffer) => text.toString().includes('for the proxy') && done()),
  );
}

async function beginNginx(): Promise<void> {
  const authority = await makeAuthority([NAME, SHEETS], Date.now());
  const { chain, key } = await makeServerCertificate(authority, [NAME, SHEETS], Date.now());
  ca = authority.root;
  writeFileSync(join(folder, 'chain.pem'), chain);
  writeFileSync(join(folder, 'key.pem'), key);
  const sample = readFileSync('docs/examples/nginx.conf', 'utf8')
    .replace('server 127.0.0.1:4180;', `server 127.0.0.1:${servers[0]};`)
    .replace('# server 127.0.0.1:4181;', `server 127.0.0.1:${servers[1]};`)
    .replaceAll('listen 443 ssl;', `listen 127.0.0.1:${port} ssl;`)
    .replaceAll('/etc/ssl/margin/', `${folder}/`);
  const main = `daemon off; pid ${folder}/pid; error_log ${folder}/error.log; events {} http { access_log off; ${['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((one) => `${one}_temp_path ${folder}/${one};`).join(' ')} ${sample} }`;
  writeFileSync(join(folder, 'nginx.conf'), main);
  started.push(spawn('nginx', ['-c', join(folder, 'nginx.conf')], { stdio: 'inherit' }));
  for (let tries = 0; tries < 100; tries++) {
    if ((await ask('GET', '/health').catch(() => null))?.status === 200) return;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error(`nginx did not serve: ${readFileSync(join(folder, 'error.log'), 'utf8')}`);
}

const headers = () => ({
  Host: `${NAME}:${port}`,
  'Content-Type': 'application/json',
  ...(cookie && { Cookie: cookie }),
});
const to = (path: string, method = 'GET') => ({
  host: '127.0.0.1', port, path: `/api${path}`, method, headers: headers(),
  agent: new Agent({ ca, servername: NAME }),
}); // oxfmt-ignore

function ask(method: string, path: string, body?: unknown, more: Record<string, string> = {}) {
  return new Promise<{ status: number; body: string }>((done, fail) => {
    const asked = request({ ...to(path, method), headers: { ...headers(), ...more } }, (answer) => {
      let text = '';
      cookie = answer.headers['set-cookie']?.[0]?.split(';')[0] ?? cookie;
      answer.on('data', (data: Buffer) => (text += data.toString()));
      answer.on('end', () => done({ status: answer.statusCode ?? 0, body: text }));
    });
    asked.on('error', fail);
    asked.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

/** Opens a stream of changes; nginx gives it to one server or the other. */
function stream(): Promise<{ heard: () => string; end: () => void }> {
  return new Promise((done, fail) => {
    let text = '';
    const asked = request(to('/events'), (answer: IncomingMessage) => {
      answer.on('data', (data: Buffer) => (text += data.toString()));
      answer.on('error', () => undefined);
      done({ heard: () => text, end: () => asked.destroy() });
    });
    asked.on('error', fail);
    asked.end();
  });
}

test('strangers are held at the door, and a device that comes in is in on both servers', async () => {
  expect((await ask('GET', '/jobs')).status).toBe(401);
  const answer = await ask('POST', '/door/sign-in', { passphrase: PASSPHRASE, name: 'Office' });
  expect(answer.status).toBe(200);
  expect(cookie).toMatch(/^__Host-margin=/);
  // Taken in turn by the two.
  for (let k = 0; k < 6; k++) expect((await ask('GET', '/jobs')).status).toBe(200);
});

test('what is written through one server is told by both', async () => {
  const streams = await Promise.all([stream(), stream(), stream(), stream()]);
  await new Promise((done) => setTimeout(done, 300));
  const ids = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  for (const id of ids)
    expect((await ask('POST', '/jobs', { id, document: plainDocument(), entries: [] })).status).toBe(201);
  const all = () => streams.every(({ heard }) => ids.every((id) => heard().includes(id)));
  for (let tries = 0; !all() && tries < 50; tries++) await new Promise((done) => setTimeout(done, 100));
  expect(all()).toBe(true);
  streams.forEach(({ end }) => end());
});

/** What a customer gets under the name for customers. */
function opened(path: string) {
  return new Promise<{ status: number; text: string }>((done, fail) => {
    const agent = new Agent({ ca, servername: SHEETS });
    request({ host: '127.0.0.1', port, path, agent, headers: { Host: SHEETS } }, (answer) => {
      let text = '';
      answer.on('data', (data: Buffer) => (text += data.toString()));
      answer.on('end', () => done({ status: answer.statusCode ?? 0, text }));
    })
      .on('error', fail)
      .end();
  });
}

test('a customer opens a link under the name for customers, and finds nothing else there', async () => {
  const id = randomUUID();
  await ask('POST', '/jobs', { id, document: plainDocument(), entries: [] });
  const sheet = { jobId: id, title: 'Sandpiper', html: '<h1>Sandpiper</h1>', css: '', days: 1 };
  const given = await ask('POST', '/sheets', sheet);
  const { address } = JSON.parse(given.body) as { address: string };
  expect(address).toMatch(/^https:\/\/sheets\.example\.net\/s\//);
  // Taken in turn by the two servers.
  for (let k = 0; k < 2; k++) {
    const { status, text } = await opened(new URL(address).pathname);
    expect([status, text]).toEqual([200, expect.stringContaining('<h1>Sandpiper</h1>')]);
  }
  for (const path of ['/', '/api/jobs', `/api/jobs/${id}`, '/assets/a.js'])
    expect([path, (await opened(path)).status]).toEqual([path, 404]);
});

test('nobody says for themselves where they come from: guesses are counted by the address nginx saw', async () => {
  const codes: string[] = [];
  cookie = '';
  for (let k = 0; k < 5; k++) {
    const guess = { passphrase: `wrong ${k}`, name: 'x' };
    const { body } = await ask('POST', '/door/sign-in', guess, { 'X-Forwarded-For': `10.3.0.${k}` });
    codes.push((JSON.parse(body) as { code: string }).code);
  }
  expect(codes.slice(0, 4)).toEqual(Array(4).fill('wrong-passphrase'));
  expect(codes[4]).toBe('door-waits');
});
