import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { numberOf } from '#core/document/factKinds.ts';
import { blankDocument } from '#core/document/create.ts';
import { blankSpring } from '#core/document/spring.ts';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import request from 'supertest';
import { sql, TransactionRollbackError } from 'drizzle-orm';
import type { Entry, Fact, Json } from '#core/document/types.ts';
import type { BookJob } from '#contract/api.ts';
import { problemCatalogue, type Problem } from '#contract/problems.ts';
import { openDatabase } from '#db/connect.ts';
import { announceJob } from '#db/jobs.ts';
import { openJobEvents } from '#server/services/events.ts';
import { loadDemo } from '#server/demo.ts';
import { keepLinesFresh } from '#server/services/lines.ts';
import { plainDocument } from '../fixtures/records.ts';
import { serve, startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const stamp = () => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  label: 'test',
  undoOf: null,
  redoOf: null,
});
const change = (path: string, from: Json, to: Json): Entry => ({
  ...stamp(),
  type: 'change',
  ops: [{ path: path.split('.'), from, to }],
});
const height = (mm: number, slot = '1', replaces: string | null = null): Entry => {
  const fact: Fact = { kind: 'height', round: 0, corner: 'LF', slot, mm };
  return { ...stamp(), type: 'fact', fact, replaces };
};

const api = () => request(server.address);
const newJob = async () => {
  const body = { id: randomUUID(), document: plainDocument(), entries: [] as Entry[] };
  await api().post('/api/jobs').send(body).expect(201);
  return body.id;
};
const post = (id: string, entry: unknown) =>
  api()
    .post(`/api/jobs/${id}/entries`)
    .send(entry as object);
const read = async (id: string) => (await api().get(`/api/jobs/${id}`).expect(200)).body;

/** Checks the documented error shape and that nothing leaks. */
function expectProblem(response: request.Response, code: keyof typeof problemCatalogue): Problem {
  expect(response.status).toBe(problemCatalogue[code].status);
  expect(response.headers['content-type']).toMatch(/^application\/problem\+json/);
  const problem = JSON.parse(response.text) as Problem;
  expect(problem).toMatchObject({
    code,
    status: problemCatalogue[code].status,
    type: `/problems/${code}`,
    title: problemCatalogue[code].title,
  });
  expect(response.text).not.toMatch(/node_modules|\bat .*\.ts|select |insert /i);
  return problem;
}

describe('keeping jobs', () => {
  test('what was typed for a reading is kept as it was typed, beside the exact value', async () => {
    const id = await newJob();
    const entry = height(374.65);
    if (entry.type !== 'fact') throw new Error('expected a fact');
    const typed = { ...entry, fact: { ...entry.fact, typed: '14 3/4 in' } };
    await post(id, typed).expect(201);
    await post(id, height(380, '2')).expect(201);
    const { record } = await read(id).then((body) => ({
      record: (body.record ?? body) as { entries: Entry[] },
    }));
    const facts = record.entries.flatMap((one) => (one.type === 'fact' ? [one.fact] : []));
    expect(facts.map((fact) => [numberOf(fact), fact.typed])).toEqual([
      [374.65, '14 3/4 in'],
      [380, undefined],
    ]);
    expectProblem(
      await post(id, {
        ...typed,
        id: randomUUID(),
        fact: { ...typed.fact, slot: '3', typed: 'x'.repeat(61) },
      }),
      'invalid',
    );
  });

  test('a job is there as it was sent, with its first entries', async () => {
    const id = randomUUID();
    const first = height(374.65);
    await api()
      .post('/api/jobs')
      .send({ id, document: plainDocument(), entries: [first] })
      .expect(201);
    const record = await read(id);
    expect(record).toEqual({ id, version: 2, document: plainDocument(), entries: [first] });
  });

  test('Bays has its line: next action and worst margin', async () => {
    const id = await newJob();
    const { body } = await api().get('/api/jobs').expect(200);
    const line = body.jobs.find((job: { id: string }) => job.id === id);
    expect(line).toMatchObject({
      name: 'Sandpiper',
      machineClass: 'car',
      next: { stage: 'baseline', code: 'measure-corners', of: 4 },
      worst: null,
    });
  });

  test('a line is kept with its job and made anew when the job goes on, or the program does', async () => {
    const id = await newJob();
    const line = async () => {
      const { body } = await api().get('/api/jobs').expect(200);
      return body.jobs.find((job: { id: string }) => job.id === id) as { name: string; version: number };
    };
    const kept = async () => {
      const { rows } = await server.db.execute(sql`select line, line_version from jobs where id = ${id}`);
      return rows[0] as { line: { summary: { name: string } }; line_version: number };
    };
    expect((await line()).name).toBe('Sandpiper');
    expect(await kept()).toMatchObject({ line_version: 1, line: { summary: { name: 'Sandpiper' } } });
    await post(id, change('name', 'Sandpiper', 'Dunlin')).expect(201);
    // No entry waits for it: the list that asks has it worked out, and keeps it.
    expect((await kept()).line_version).toBe(1);
    expect(await line()).toMatchObject({ name: 'Dunlin', version: 2 });
    expect((await kept()).line_version).toBe(2);
    await server.db.execute(
      sql`update jobs set line_revision = 0, line = jsonb_set(line, '{summary,name}', '"old"') where id = ${id}`,
    );
    expect((await line()).name).toBe('Dunlin');
  });

  test('lists are read in parts, found by words, and give those being worked on first', async () => {
    const tag = randomUUID().slice(0, 8);
    const made: string[] = [];
    for (const n of [1, 2, 3]) {
      const document = { ...plainDocument(), name: `${tag} 100% ${n}` };
      const { body } = await api()
        .post('/api/jobs')
        .send({ id: randomUUID(), document, entries: [height(371)] })
        .expect(201);
      made.push(body.id as string);
    }
    const said = (fact: object) => ({
      ...stamp(),
      type: 'fact',
      fact: { round: 0, corner: null, ...fact },
      replaces: null,
    });
    await post(made[1] ?? '', said({ kind: 'locked', slot: 'locked' })).expect(201);
    const due = { kind: 'recheck', slot: 'due', km: null, day: '2026-12-24' };
    await post(made[2] ?? '', said(due)).expect(201);
    await post(made[2] ?? '', said({ kind: 'locked', slot: 'locked' })).expect(201);
    const list = async (query: object) => (await api().get('/api/jobs').query(query).expect(200)).body;
    const all = await list({ find: tag });
    expect(all.total).toBe(3);
    expect(all.jobs.map(({ id, due }: { id: string; due: string | null }) => [id, due])).toEqual([
      [made[0], null],
      [made[2], '2026-12-24'],
      [made[1], null],
    ]);
    expect((await list({ find: `${tag} 100%`, offset: 1, limit: 1 })).jobs).toMatchObject([{ id: made[2] }]);
    for (const [shelf, id] of [
      ['working', made[0]],
      ['due', made[2]],
      ['locked', made[1]],
    ])
      expect(await list({ find: tag, shelf })).toMatchObject({ total: 1, jobs: [{ id }] });
    expectProblem(await api().get('/api/jobs').query({ shelf: 'attic' }), 'invalid');
    // A per cent sign is a per cent sign, not "anything".
    expect((await list({ find: `${tag}%3` })).total).toBe(0);
    expectProblem(await api().get('/api/jobs').query({ limit: 0 }), 'invalid');
    expectProblem(await api().get('/api/jobs').query({ offset: 'x' }), 'invalid');
    expectProblem(await api().get('/api/book').query({ limit: 100000 }), 'invalid');
  });

  test('lists are read by an index, not by sorting every job', async () => {
    await server.db
      .transaction(async (tx) => {
        await tx.execute(sql`
        insert into jobs (id, version, document, name, updated_at)
        select gen_random_uuid(), 1, '{}', 'filler', now() - n * interval '1 hour' from generate_series(1, 3000) n`);
        await tx.execute(sql`analyze jobs`);
        const planOf = async (query: string) => {
          const { rows } = await tx.execute(sql.raw(`explain ${query}`));
          return rows.map((row) => Object.values(row)[0]).join('\n');
        };
        expect(
          await planOf(
            'select id from jobs where away is null order by locked, due, updated_at desc, id limit 40',
          ),
        ).toContain('jobs_of_the_day');
        expect(await planOf(`select id from jobs where machine_key = '${randomUUID()}'`)).toContain(
          'jobs_of_a_machine',
        );
        tx.rollback();
      })
      .catch((error: unknown) => {
        if (!(error instanceof TransactionRollbackError)) throw error;
      });
  });

  test('the logbook has every setting of every job in which something was read', async () => {
    const id = await newJob();
    const entry = async () => {
      const { body } = await api().get('/api/book').query({ limit: 200 }).expect(200);
      return body.machines.find((machine: { key: string }) => machine.key === id) as object | undefined;
    };
    expect(await entry()).toBeUndefined();
    expect((await api().get(`/api/book/${id}`).expect(200)).body.jobs).toEqual([]);
    await post(id, height(375)).expect(201);
    expect(await entry()).toEqual({
      key: id,
      name: 'Sandpiper',
      title: '',
      machineClass: 'car',
      settings: 1,
    });
    const { body } = await api().get(`/api/book/${id}`).expect(200);
    expect((body.jobs as BookJob[])[0]).toMatchObject({
      name: 'Sandpiper',
      machineId: null,
      settings: [{ round: 0, locked: false, corners: { LF: { heightMm: 375, collarMm: null, seatMm: 0 } } }],
    });
    await api().post('/api/book').send({}).expect(405);
    expectProblem(await api().get(`/api/book/${randomUUID()}`), 'machine-not-found');
    expectProblem(await api().get('/api/book/nonsense'), 'machine-not-found');
  });

  test('lines that an older program worked out are made anew in one go', async () => {
    const id = await newJob();
    await server.db.execute(sql`update jobs set line_revision = 0, line = null where id = ${id}`);
    const log = pino({ level: 'silent' });
    const events = openJobEvents(server.url, log);
    const end = keepLinesFresh(server.db, events, log);
    const line = async () =>
      (await server.db.execute(sql`select line from jobs where id = ${id}`)).rows[0]?.line;
    for (let k = 0; k < 200 && !(await line()); k++) await new Promise((done) => setTimeout(done, 50));
    await end();
    await events.close();
    expect(await line()).toMatchObject({ summary: { name: 'Sandpiper' } });
  });

  test('what lists show is worked out once a job rests, before any list asks', async () => {
    const log = pino({ level: 'silent' });
    const events = openJobEvents(server.url, log);
    const end = keepLinesFresh(server.db, events, log, 20);
    const id = await newJob();
    const worked = async () =>
      (await server.db.execute(sql`select line_version as version from jobs where id = ${id}`)).rows[0]
        ?.version;
    expect(await worked()).toBeNull();
    // Listening begins a moment after it is asked for: told until it is heard.
    for (let k = 0; k < 200 && (await worked()) === null; k++) {
      await announceJob(server.db, { id, version: 1, moved: false });
      await new Promise((done) => setTimeout(done, 50));
    }
    await end();
    await events.close();
    expect(await worked()).toBe(1);
  });

  test('sending the same job or entry twice makes one', async () => {
    const body = { id: randomUUID(), document: plainDocument(), entries: [height(371)] };
    await api().post('/api/jobs').send(body).expect(201);
    await api().post('/api/jobs').send(body).expect(201);
    const entry = change('name', 'Sandpiper', 'Dunlin');
    await post(body.id, entry).expect(201);
    await post(body.id, entry).expect(201);
    expect((await read(body.id)).version).toBe(3);
  });

  test('a taken id with another job is refused', async () => {
    const id = await newJob();
    const other = { id, document: plainDocument((document) => (document.name = 'Other')), entries: [] };
    expectProblem(await api().post('/api/jobs').send(other), 'job-exists');
  });

  test('changes and facts are appended; the database refuses to rewrite them', async () => {
    const id = await newJob();
    const first = height(375);
    await post(id, first).expect(201);
    await post(id, height(365, '1', first.id)).expect(201);
    const record = await read(id);
    expect(record.entries).toHaveLength(2);
    for (const statement of [
      "update facts set fields = '{}'",
      'delete from facts',
      'delete from entries',
      'truncate changes',
    ]) {
      await expect(server.db.execute(sql.raw(statement))).rejects.toMatchObject({
        cause: { message: expect.stringMatching(/append-only/) },
      });
    }
    const rows = await server.db.execute(sql`select fields from facts where job_id = ${id} order by seq`);
    expect(rows.rows.map((row) => row.fields)).toEqual([{ mm: 375 }, { mm: 365 }]);
  });
});

describe('two writers', () => {
  test('different fields both go in', async () => {
    const id = await newJob();
    await post(id, change('corners.LF.targetMm', 365, 360)).expect(201);
    await post(id, change('corners.RF.targetMm', 365, 361)).expect(201);
    const { document } = await read(id);
    expect([document.corners.LF.targetMm, document.corners.RF.targetMm]).toEqual([360, 361]);
  });

  test('the later on one field is told and shown both; nothing is overwritten', async () => {
    const id = await newJob();
    await post(id, change('corners.LF.targetMm', 365, 360)).expect(201);
    const problem = expectProblem(await post(id, change('corners.LF.targetMm', 365, 350)), 'conflict');
    expect(problem.conflict).toMatchObject({
      refusal: {
        reason: 'conflict',
        conflicts: [{ path: ['corners', 'LF', 'targetMm'], from: 365, yours: 350, theirs: 360 }],
      },
      record: { version: 2 },
    });
    expect((await read(id)).document.corners.LF.targetMm).toBe(360);
  });

  test('two first readings in one place: the later is told', async () => {
    const id = await newJob();
    await post(id, height(375)).expect(201);
    const problem = expectProblem(await post(id, height(371)), 'conflict');
    expect(problem.conflict).toMatchObject({
      refusal: { reason: 'taken', standing: { fact: { mm: 375 } } },
    });
  });

  test('forty at once on one job all find their place', async () => {
    const id = await newJob();
    const sent = Array.from({ length: 40 }, (_, i) => post(id, height(370 + i / 10, String(i + 1))));
    const statuses = (await Promise.all(sent)).map(({ status }) => status);
    expect(new Set(statuses)).toEqual(new Set([201]));
    const record = await read(id);
    expect(record.version).toBe(41);
    expect(record.entries).toHaveLength(40);
  });

  test('of forty on one field at once, one goes in and the rest are told', async () => {
    const id = await newJob();
    const statuses = await Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        post(id, change('note', '', `note ${i}`)).then(({ status }) => status),
      ),
    );
    expect(statuses.filter((status) => status === 201)).toHaveLength(1);
    expect(statuses.filter((status) => status === 409)).toHaveLength(39);
  });

  test('a second server on the same database hears of it', async () => {
    const second = await serve(openDatabase(server.url), server.url);
    try {
      const id = await newJob();
      const stop = new AbortController();
      const stream = await fetch(`${second.address}/api/events`, { signal: stop.signal });
      const reader = stream.body?.getReader();
      const heard = (async () => {
        let text = '';
        for (;;) {
          const chunk = await reader?.read();
          text += new TextDecoder().decode(chunk?.value);
          if (text.includes('event: job')) return text;
        }
      })();
      // The listener connects on its own; keep writing until it has heard one.
      let slot = 1;
      const writing = setInterval(
        () => void post(id, height(375, String(slot++))).then(() => undefined),
        100,
      );
      const text = await heard.finally(() => clearInterval(writing));
      stop.abort();
      expect(text).toMatch(new RegExp(`data: {"id":"${id}","version":\\d+,"moved":false}`));
    } finally {
      await second.close();
    }
  });
});

describe('what is seen and done beside heights', () => {
  const place = { round: 0, corner: null };
  const entry = (fact: object): object => ({
    ...stamp(),
    type: 'fact',
    fact: { ...place, ...fact },
    replaces: null,
  });
  test.each([
    ['km driven', { kind: 'driven', round: 1, slot: 'km', km: 320 }],
    ['a caution read', { kind: 'acknowledged', slot: 'top-nut' }],
    ['transfer blocks', { kind: 'skid', slot: 'blocks', position: 3 }],
    ['a gas charge', { kind: 'pressure', corner: 'LF', slot: 'gas', bar: 12.5 }],
    ['clicks of a corner', { kind: 'clicks', corner: 'RR', slot: 'rebound', clicks: 9 }],
    ['the range that is bracketed', { kind: 'clicks', slot: 'b0-fr-most', clicks: 20 }],
  ])('%s is kept as it was sent', async (_, fact) => {
    const id = await newJob();
    await post(id, entry(fact)).expect(201);
    expect((await read(id)).entries.at(-1).fact).toEqual({ ...place, ...fact });
  });

  test.each([
    ['a distance below nothing', { kind: 'driven', round: 1, slot: 'km', km: -1 }],
    ['a strap hole of two and a half', { kind: 'skid', slot: 'strap', position: 2.5 }],
    ['a part of the skid that is none', { kind: 'skid', slot: 'paint', position: 2 }],
    ['a caution with a number', { kind: 'acknowledged', slot: 'top-nut', mm: 1 }],
    ['clicks of nothing', { kind: 'clicks', slot: 'volume', clicks: 4 }],
  ])('%s is refused', async (_, fact) => {
    expectProblem(await post(await newJob(), entry(fact)), 'invalid');
  });

  test('a row that an older program wrote is read as one of today, and written so by the next change', async () => {
    const id = await newJob();
    await server.db.execute(sql`
      update jobs set document = jsonb_set(document, '{schemaVersion}', '3') - 'skid' where id = ${id}`);
    await server.db.execute(sql`
      update jobs set document = document #- '{corners,LF,fitting}' #- '{corners,LF,boots}' where id = ${id}`);
    expect((await read(id)).document).toMatchObject({
      schemaVersion: DOCUMENT_VERSION,
      skid: null,
      corners: { LF: { fitting: 'seat', boots: [], floorMm: null } },
    });
    await post(id, change('corners.LF.floorMm', null, 3)).expect(201);
    const { rows } = await server.db.execute(sql`select document from jobs where id = ${id}`);
    expect(rows[0]).toMatchObject({
      document: { schemaVersion: DOCUMENT_VERSION, corners: { LF: { floorMm: 3 } } },
    });
  });
});

describe('what is wrong is refused with where and why', () => {
  test('malformed, oversized and mistyped bodies', async () => {
    expectProblem(
      await api().post('/api/jobs').set('Content-Type', 'application/json').send('{"id":'),
      'bad-json',
    );
    expectProblem(await api().post('/api/jobs').set('Content-Type', 'text/plain').send('hello'), 'not-json');
    expectProblem(
      await api()
        .post('/api/kits')
        .send({ note: 'x'.repeat(2_200_000) }),
      'too-large',
    );
    // A job that was saved with everything in it is as large as it is.
    expectProblem(
      await api()
        .post('/api/jobs')
        .send({ note: 'x'.repeat(2_200_000) }),
      'invalid',
    );
    expectProblem(
      await api()
        .post('/api/jobs')
        .set('Content-Type', 'application/json')
        .send(`{"a":${'['.repeat(100_000)}${']'.repeat(100_000)}}`),
      'bad-json',
    );
    expectProblem(
      await api().post('/api/jobs').set('Content-Type', 'application/json').send('{"name":"a\\u0000b"}'),
      'bad-json',
    );
    expectProblem(
      await api().post('/api/jobs').set('Content-Type', 'application/json').send('{"name":"\\ud800"}'),
      'bad-json',
    );
    expectProblem(await api().post('/api/jobs').set('Content-Encoding', 'nonsense').send({}), 'not-json');
    for (const body of ['null', '3', '"x"', '[]', 'true']) {
      expectProblem(
        await api().post('/api/jobs').set('Content-Type', 'application/json').send(body),
        'invalid',
      );
    }
  });

  test('unknown addresses, jobs and methods', async () => {
    expectProblem(await api().get('/api/nowhere'), 'not-found');
    expectProblem(await api().get(`/api/jobs/${randomUUID()}`), 'job-not-found');
    expectProblem(await api().get('/api/jobs/not-a-uuid'), 'job-not-found');
    expectProblem(await api().get('/api/jobs/%00'), 'job-not-found');
    expectProblem(await api().get('/api/jobs/%ff'), 'bad-request');
    expectProblem(await post(randomUUID(), change('name', 'a', 'b')), 'job-not-found');
    expectProblem(await api().delete(`/api/jobs/${randomUUID()}`), 'method-not-allowed');
    expectProblem(await api().put('/api/jobs').send({}), 'method-not-allowed');
    expectProblem(await api().get(`/api/jobs/${randomUUID()}/entries`), 'method-not-allowed');
  });

  type Loose = Record<string, object> & { corners: { LF: { collar: object } } };
  const brokenDocuments: [string, (document: Loose) => void][] = [
    ['/document/corners/LF/ratio', (document) => Object.assign(document.corners.LF, { ratio: 40 })],
    ['/document/corners/LF/pitchMm', (document) => Object.assign(document.corners.LF, { pitchMm: 0 })],
    ['/document/corners/LF/targetMm', (document) => Object.assign(document.corners.LF, { targetMm: '375' })],
    [
      '/document/corners/LF/collar',
      (document) => Object.assign(document.corners.LF.collar, { minMm: 90, maxMm: 60 }),
    ],
    ['/document/machine/class', (document) => Object.assign(document.machine ?? {}, { class: 'boat' })],
    ['/document/name', (document) => Object.assign(document, { name: ' ' })],
    ['/document/loads', (document) => Object.assign(document, { loads: 1 })],
    [
      '/document/corners/LF/springs/0',
      (document) =>
        Object.assign(document.corners.LF, {
          springs: [{ ...blankSpring, rateNPerMm: 30, freeLengthMm: 200, solidLengthMm: 210 }],
        }),
    ],
    ['/document/corners', (document) => Object.assign(document, { corners: null })],
    ['/document/corners/LF/fitting', (document) => Object.assign(document.corners.LF, { fitting: 'magnet' })],
    ['/document/corners/LF/floorMm', (document) => Object.assign(document.corners.LF, { floorMm: 400 })],
    ['/document/corners/LF/stepMm', (document) => Object.assign(document.corners.LF, { stepMm: 0 })],
    [
      '/document/corners/LF/boots/0/mostDeg',
      (document) =>
        Object.assign(document.corners.LF, {
          boots: [{ name: 'outer', nowDeg: 10, mostDeg: 120, shaftMm: 400 }],
        }),
    ],
    [
      '/document/skid/strapHoles',
      (document) => Object.assign(document, { skid: { blockPositions: 4, strapHoles: 99 } }),
    ],
    [
      '/document/machine/learnt/settled/LF/lostMm',
      (document) =>
        Object.assign(document.machine ?? {}, {
          learnt: { from: 'before', ratios: {}, settled: { LF: { lostMm: 'much', sdMm: 1, km: 300 } } },
        }),
    ],
  ];
  test.each(brokenDocuments)('a job with a bad %s', async (pointer, spoil) => {
    const document = JSON.parse(JSON.stringify(plainDocument()));
    spoil(document);
    const problem = expectProblem(
      await api().post('/api/jobs').send({ id: randomUUID(), document, entries: [] }),
      'invalid',
    );
    expect(problem.errors?.map((error) => error.pointer)).toContain(pointer);
  });

  test('entries that make no sense', async () => {
    const id = await newJob();
    const good = height(375);
    const bad: unknown[] = [
      {},
      { ...good, type: 'wish' },
      { ...good, id: 'x' },
      { ...good, at: 'yesterday' },
      { ...good, at: '9999-12-31T00:00:00Z' },
      { ...good, label: '' },
      { ...good, replaces: randomUUID() },
      { ...good, undoOf: randomUUID() },
      { ...good, fact: { ...(good as { fact: Fact }).fact, mm: null } },
      { ...good, fact: { ...(good as { fact: Fact }).fact, mm: 1e9 } },
      { ...good, fact: { ...(good as { fact: Fact }).fact, kg: 375 } },
      { ...good, fact: { ...(good as { fact: Fact }).fact, round: 1.5 } },
      { ...good, fact: { ...(good as { fact: Fact }).fact, corner: 'XX' } },
      { ...good, fact: { ...(good as { fact: Fact }).fact, kind: 'guess' } },
      { ...good, fact: { ...(good as { fact: Fact }).fact, told: { corners: {}, chance: 1 } } },
      { ...stamp(), type: 'withdraw', of: randomUUID() },
      { ...stamp(), type: 'change', ops: [] },
      change('corners.LF.ratio', 0.5, 9),
      change('nowhere', null, 1),
      change('__proto__.polluted', null, 1),
      change('constructor.prototype', null, 1),
      change('corners.LF', null, { deep: [[[[[[[[[[1]]]]]]]]]] }),
      change('schemaVersion', DOCUMENT_VERSION, DOCUMENT_VERSION + 1),
      { ...change('name', 'Sandpiper', 'x'), extra: true },
    ];
    for (const entry of bad) {
      const response = await post(id, entry);
      expect([409, 422]).toContain(response.status);
      expectProblem(response, response.status === 409 ? 'conflict' : 'invalid');
    }
    expect(await read(id)).toMatchObject({ version: 1, entries: [], document: plainDocument() });
    expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
  });

  test('a machine has the corners of its class, no fewer and no others', async () => {
    const bike = blankDocument('motorcycle', 'Knot');
    const { LF } = plainDocument().corners;
    const { FW, RW } = bike.corners;
    const send = (corners: object) =>
      api()
        .post('/api/jobs')
        .send({ id: randomUUID(), document: { ...bike, corners }, entries: [] });
    expectProblem(await send({ FW }), 'invalid');
    const { errors } = expectProblem(await send({ FW, RW, LF }), 'invalid');
    expect(errors?.[0]?.detail).toContain('corners FW, RW');
    await send({ FW, RW }).expect(201);
  });

  test.each([
    ['a ring of no slider', { kind: 'ring', slot: '7', mm: 2, askedMm: null }],
    ['a mount without its corner', { kind: 'mount', corner: null, mm: 2, askedMm: null }],
    ['a mount moved a metre', { kind: 'mount', mm: 1000, askedMm: null }],
  ])('%s is refused', async (_, wrong) => {
    const entry = height(1) as Entry & { fact: Fact };
    const fact = { ...entry.fact, slot: 'done', ...wrong };
    expectProblem(await post(await newJob(), { ...entry, fact }), 'invalid');
  });

  test('lower mounts, rings, sag and cross weight are kept as they were sent', async () => {
    const id = await newJob();
    const entry = height(1) as Entry & { fact: Fact };
    const facts = [
      { kind: 'mount', slot: 'done', mm: -3.5, askedMm: -3.5 },
      { kind: 'ring', slot: '0', mm: 4, askedMm: null },
    ];
    for (const one of facts)
      await post(id, { ...entry, ...stamp(), fact: { ...entry.fact, ...one } }).expect(201);
    await post(id, change('crossTarget', null, 0.5)).expect(201);
    await post(id, change('corners.LF.sagWindow', null, { fromMm: 30, toMm: 40 })).expect(201);
    const upside = change('corners.LF.sagWindow', { fromMm: 30, toMm: 40 }, { fromMm: 50, toMm: 40 });
    expectProblem(await post(id, upside), 'invalid');
    const record = await read(id);
    expect(record.document).toMatchObject({
      crossTarget: 0.5,
      corners: { LF: { sagWindow: { fromMm: 30 } } },
    });
    expect(record.entries.flatMap((one: Entry) => (one.type === 'fact' ? [one.fact.kind] : []))).toEqual([
      'mount',
      'ring',
    ]);
  });

  test('what was sent is not echoed', async () => {
    const secret = 'do-not-repeat-me';
    const response = await api()
      .post('/api/jobs')
      .send({ id: secret, document: secret, entries: secret, [secret.slice(0, 3)]: 1 });
    expectProblem(response, 'invalid');
    expect(response.text).not.toContain(secret);
  });

  test('too many writes from one address are slowed down', async () => {
    const slow = await serve(openDatabase(server.url), server.url, 2);
    try {
      const send = () => request(slow.address).post('/api/jobs').send({});
      const statuses = [(await send()).status, (await send()).status];
      expect(statuses).toEqual([422, 422]);
      expectProblem(await send(), 'too-many');
    } finally {
      await slow.close();
    }
  });

  test('a database that is away is said to be away', async () => {
    const away = await serve(openDatabase('postgres://margin:x@127.0.0.1:1/margin'), server.url);
    try {
      expectProblem(await request(away.address).get('/api/jobs'), 'unavailable');
    } finally {
      await away.close();
    }
  });
});

describe('demo data', () => {
  test('goes into an empty database only', async () => {
    const empty = await startTestServer();
    try {
      expect(await loadDemo(empty.db, 'demo')).toBe(8);
      expect(await loadDemo(empty.db, 'demo')).toBe(0);
      const { body } = await request(empty.address).get('/api/jobs');
      const stages = body.jobs.map((job: { next: { stage: string } }) => job.next.stage).sort();
      expect(stages).toEqual(['close-out', 'measure', 'plan', 'plan', 'plan', 'plan', 'sag', 'turn']);
    } finally {
      await empty.close();
    }
  });
});

describe('jobs out of the way', () => {
  const listed = async (shelf: string) => {
    const { body } = await api().get(`/api/jobs?find=&shelf=${shelf}&offset=0&limit=200`).expect(200);
    return (body as { jobs: { id: string }[] }).jobs.map(({ id }) => id);
  };
  const move = (id: string, away: unknown) => api().post(`/api/jobs/${id}/away`).send({ away });

  test('archived or deleted it stands on its own shelf only, and comes back with all that was in it', async () => {
    const id = await newJob();
    await post(id, height(371)).expect(201);
    for (const away of ['archived', 'deleted']) {
      await move(id, away).expect(200, { away });
      await api().get(`/api/jobs/${id}/away`).expect(200, { away });
      expect(await listed(away)).toContain(id);
      for (const shelf of ['all', 'working', 'due', 'locked', away === 'archived' ? 'deleted' : 'archived'])
        expect(await listed(shelf)).not.toContain(id);
    }
    // What a tablet had not sent yet is not lost by it.
    await post(id, height(372, '2')).expect(201);
    await move(id, null).expect(200, { away: null });
    await api().get(`/api/jobs/${id}/away`).expect(200, { away: null });
    expect(await listed('working')).toContain(id);
    expect((await read(id)).entries).toHaveLength(2);
  });

  test('the logbook tells of what is archived, and not of what was deleted', async () => {
    const id = await newJob();
    await post(id, height(371)).expect(201);
    const machines = async () => {
      const { body } = await api().get('/api/book?find=&offset=0&limit=200').expect(200);
      return (body as { machines: { key: string }[] }).machines.map(({ key }) => key);
    };
    await move(id, 'archived');
    expect(await machines()).toContain(id);
    await move(id, 'deleted');
    expect(await machines()).not.toContain(id);
    expectProblem(await api().get(`/api/book/${id}`), 'machine-not-found');
  });

  test('anything else is refused by name', async () => {
    const id = await newJob();
    expect(expectProblem(await move(id, 'burnt'), 'invalid').errors?.[0]?.pointer).toBe('/away');
    expectProblem(await move(randomUUID(), 'deleted'), 'job-not-found');
    expectProblem(await api().delete(`/api/jobs/${id}/away`), 'method-not-allowed');
    expectProblem(await api().get(`/api/jobs/${randomUUID()}/away`), 'job-not-found');
  });

  test('every window hears of it', async () => {
    const id = await newJob();
    const heard: string[] = [];
    const events = openJobEvents(server.url, pino({ level: 'silent' }));
    const deaf = events.listen((event) => heard.push(event.id));
    // Listening begins a moment after it is asked for: moved until it is heard.
    for (let k = 0; k < 200 && !heard.includes(id); k++) {
      await move(id, 'archived').expect(200);
      await new Promise((done) => setTimeout(done, 50));
    }
    expect(heard).toContain(id);
    deaf();
    await events.close();
  });
});

test('whose it is and who works on it is in the list', async () => {
  const id = await newJob();
  await post(id, change('about.customer', '', 'Aster')).expect(201);
  await post(id, change('about.cameIn', null, '2026-03-02')).expect(201);
  const { body } = await api().get('/api/jobs?find=&shelf=all&offset=0&limit=200').expect(200);
  const line = (body as { jobs: { id: string; about: object }[] }).jobs.find((one) => one.id === id);
  expect(line?.about).toMatchObject({ customer: 'Aster', cameIn: '2026-03-02', odometerKm: null });
  expectProblem(await post(id, change('about.cameIn', '2026-03-02', 'Monday')), 'invalid');
});
