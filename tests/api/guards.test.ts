import { request as httpRequest } from 'node:http';
import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { resolve } from 'node:path';
import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { migrateDatabase, openDatabase } from '#db/connect.ts';
import { hostsFrom } from '#server/http/allowed.ts';
import { plainDocument } from '../fixtures/records.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => (server = await startTestServer()));
afterAll(() => server.close());

/** A request with headers that `fetch` would not let anybody set. */
function ask(method: string, path: string, headers: Record<string, string>, body?: unknown) {
  const { port } = new URL(server.address);
  return new Promise<{ status: number; body: string }>((done, fail) => {
    const asked = httpRequest({ host: '127.0.0.1', port, method, path, headers }, (answer) => {
      let text = '';
      answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
      answer.on('end', () => done({ status: answer.statusCode ?? 0, body: text }));
    });
    asked.on('error', fail);
    asked.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

const newJob = () => ({ id: randomUUID(), document: plainDocument(), entries: [] });
const json = { 'Content-Type': 'application/json' };

describe('whose requests are answered', () => {
  const own = () => new URL(server.address).host;

  test.each(['evil.example', 'evil.example:80', '169.254.1.1'])(
    'a request under the name %j is refused',
    async (host) => {
      const answer = await ask('GET', '/api/jobs?find=&shelf=all&offset=0&limit=30', { Host: host });
      expect([400, 421]).toContain(answer.status);
      if (answer.status === 421)
        expect(JSON.parse(answer.body)).toMatchObject({ code: 'host-not-allowed', status: 421 });
    },
  );

  test.each(['localhost', '127.0.0.1', '[::1]'])('%s is the server itself', async (name) => {
    const answer = await ask('GET', '/api/health', { Host: `${name}:4180` });
    expect(answer.status).toBe(200);
  });

  test('names of a shop’s own are allowed by MARGIN_HOSTS', () => {
    expect(hostsFrom(' bench.shop , Tablet ')).toEqual([
      '127.0.0.1',
      'localhost',
      '[::1]',
      'bench.shop',
      'tablet',
    ]);
  });

  test.each(['http://evil.example', 'http://localhost:3000', 'null'])(
    'a page of %s may neither read nor write',
    async (origin) => {
      const headers = { Host: own(), Origin: origin, ...json };
      const write = await ask('POST', '/api/jobs', headers, newJob());
      expect(write.status).toBe(403);
      expect(JSON.parse(write.body)).toMatchObject({ code: 'origin-not-allowed' });
      expect((await ask('GET', '/api/events', headers)).status).toBe(403);
    },
  );

  test('the page itself may', async () => {
    const headers = { Host: own(), Origin: server.address, ...json };
    expect((await ask('POST', '/api/jobs', headers, newJob())).status).toBe(201);
    expect((await ask('GET', '/api/health', { Host: own(), 'Sec-Fetch-Site': 'cross-site' })).status).toBe(
      403,
    );
  });

  test('refused pages use up nothing of what the page may write', async () => {
    const before = await startTestServer(3);
    try {
      const send = (origin: string) =>
        fetch(`${before.address}/api/jobs`, {
          method: 'POST',
          headers: { ...json, Origin: origin },
          body: JSON.stringify(newJob()),
        });
      for (let k = 0; k < 10; k++) expect((await send('http://evil.example')).status).toBe(403);
      expect((await send(before.address)).status).toBe(201);
    } finally {
      await before.close();
    }
  });
});

describe('versions that are not the same', () => {
  test('what a newer page sends is refused and not kept; an older one is answered as ever', async () => {
    const job = newJob();
    const send = (version: number) =>
      fetch(`${server.address}/api/jobs`, {
        method: 'POST',
        headers: { ...json, 'Margin-Version': String(version) },
        body: JSON.stringify(job),
      });
    const newer = await send(DOCUMENT_VERSION + 1);
    expect(newer.status).toBe(409);
    expect(((await newer.json()) as { code: string }).code).toBe('page-newer');
    expect((await fetch(`${server.address}/api/jobs/${job.id}`)).status).toBe(404);
    const older = await send(DOCUMENT_VERSION - 1);
    expect(older.status).toBe(201);
    expect(older.headers.get('Margin-Version')).toBe(String(DOCUMENT_VERSION));
  });

  test('a database that a newer program has changed is refused in words, and left as it is', async () => {
    const later = await startTestServer();
    try {
      const at = Date.now() + 1e9;
      await later.db.execute(
        sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', ${at})`,
      );
      await expect(migrateDatabase(later.db, resolve('src/db/migrations'))).rejects.toThrow('a newer Margin');
    } finally {
      await later.close();
    }
  });
});

describe('a database that goes away in the middle of a write', () => {
  test('is answered with 503, every time, and the next write is taken', async () => {
    const job = newJob();
    const post = (path: string, body: unknown) =>
      fetch(`${server.address}/api${path}`, { method: 'POST', headers: json, body: JSON.stringify(body) });
    expect((await post('/jobs', job)).status).toBe(201);
    const admin = openDatabase(server.url);
    const name = new URL(server.url).pathname.slice(1);
    for (let trial = 0; trial < 6; trial++) {
      // A lock held by somebody else keeps the write waiting in its transaction while its connection is ended.
      const locker = await admin.$client.connect();
      await locker.query('begin');
      await locker.query('select 1 from jobs where id = $1 for update', [job.id]);
      const entry = {
        id: randomUUID(), at: new Date().toISOString(), label: 'x', undoOf: null, redoOf: null,
        type: 'change', ops: [{ path: ['note'], from: '', to: String(trial) }],
      }; // oxfmt-ignore
      const write = post(`/jobs/${job.id}/entries`, entry);
      let ended = 0;
      for (let tries = 0; ended === 0 && tries < 100; tries++) {
        await new Promise((done) => setTimeout(done, 20));
        const { rows } = await admin.execute(
          sql`select pg_terminate_backend(pid) from pg_stat_activity
              where datname = ${name} and wait_event_type = 'Lock' and state = 'active'`,
        );
        ended = rows.length;
      }
      expect(ended).toBeGreaterThan(0);
      const answer = await write;
      expect(answer.status).toBe(503);
      expect(((await answer.json()) as { code: string }).code).toBe('unavailable');
      await locker.query('rollback');
      locker.release();
    }
    expect((await fetch(`${server.address}/api/health`)).status).toBe(200);
    expect((await post('/jobs', newJob())).status).toBe(201);
    await admin.$client.end();
  });

  test('more connections than the database allows: 503, with when to try again, and nothing is lost for good', async () => {
    const crowded = await startTestServer();
    const admin = openDatabase(server.url, { patient: true });
    try {
      const name = new URL(crowded.url).pathname.slice(1);
      const ask = () => fetch(`${crowded.address}/api/jobs`);
      expect((await ask()).status).toBe(200);
      await admin.execute(sql.raw(`alter database ${name} connection limit 0`));
      await admin.execute(
        sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = ${name}`,
      );
      await new Promise((done) => setTimeout(done, 100));
      const answers = await Promise.all(Array.from({ length: 12 }, ask));
      expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([503]));
      expect(answers[0]?.headers.get('Retry-After')).toBe('2');
      await admin.execute(sql.raw(`alter database ${name} connection limit -1`));
      expect((await ask()).status).toBe(200);
    } finally {
      await admin.$client.end();
      await crowded.close();
    }
  });

  test('an id in capitals is the same id', async () => {
    const job = newJob();
    const post = (path: string, body: unknown) =>
      fetch(`${server.address}/api${path}`, { method: 'POST', headers: json, body: JSON.stringify(body) });
    expect((await post('/jobs', { ...job, id: job.id.toUpperCase() })).status).toBe(201);
    const entry = (id: string) => ({
      id, at: new Date().toISOString(), label: 'x', undoOf: null, redoOf: null,
      type: 'fact', fact: { kind: 'note', round: 0, corner: null, slot: '1', words: 'x' }, replaces: null,
    }); // oxfmt-ignore
    const id = randomUUID();
    expect((await post(`/jobs/${job.id.toUpperCase()}/entries`, entry(id.toUpperCase()))).status).toBe(201);
    const again = await post(`/jobs/${job.id}/entries`, entry(id));
    expect([again.status, await again.json()]).toEqual([201, { version: 2 }]);
    const read = await fetch(`${server.address}/api/jobs/${job.id.toUpperCase()}`);
    expect(((await read.json()) as { entries: { id: string }[] }).entries.map((one) => one.id)).toEqual([id]);
  });

  test('a lock that somebody holds is not waited for without end: 503, with when to try again', async () => {
    const job = newJob();
    const post = (path: string, body: unknown) =>
      fetch(`${server.address}/api${path}`, { method: 'POST', headers: json, body: JSON.stringify(body) });
    expect((await post('/jobs', job)).status).toBe(201);
    const admin = openDatabase(server.url, { patient: true });
    const locker = await admin.$client.connect();
    await locker.query('begin');
    await locker.query('lock table jobs in access exclusive mode');
    const answer = await fetch(`${server.address}/api/jobs/${job.id}`);
    expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '2']);
    await locker.query('rollback');
    locker.release();
    await admin.$client.end();
    expect((await fetch(`${server.address}/api/jobs/${job.id}`)).status).toBe(200);
  }, 20_000);
});

describe('what cannot be', () => {
  test('a name with a NUL in it is refused in words', async () => {
    const answer = await fetch(`${server.address}/api/jobs?find=%00&shelf=all&offset=0&limit=30`);
    expect(answer.status).toBe(422);
    expect(await answer.json()).toMatchObject({ code: 'invalid', errors: [{ pointer: '/find' }] });
  });

  test.each(['POST', 'TRACE', 'PUT'])(
    '%s of a page is answered as a problem, not as a page',
    async (method) => {
      const answer = await ask(method, '/', { Host: new URL(server.address).host });
      expect(JSON.parse(answer.body)).toMatchObject({ code: 'not-found', status: 404 });
    },
  );
});
