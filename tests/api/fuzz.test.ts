import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import request from 'supertest';
import { factEntry, changeEntry, plainDocument, withdrawEntry } from '../fixtures/records.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
let job: string;
beforeAll(async () => {
  server = await startTestServer();
  job = randomUUID();
  await request(server.address)
    .post('/api/jobs')
    .send({ id: job, document: plainDocument(), entries: [] })
    .expect(201);
});
afterAll(() => server.close());

/** Whatever is sent, the answer is a 2xx or a problem with a 4xx, never a 500. */
async function sentIsAnswered(path: string, body: unknown): Promise<void> {
  const response = await request(server.address)
    .post(path)
    .set('Content-Type', 'application/json')
    .send(JSON.stringify(body));
  expect(response.status).toBeLessThan(500);
  if (response.status >= 400) {
    expect(response.headers['content-type']).toMatch(/^application\/problem\+json/);
    expect(JSON.parse(response.text).status).toBe(response.status);
  }
}

/** A good body with one place replaced by anything: it gets far past the first checks. */
function spoiled(good: object): fc.Arbitrary<unknown> {
  const paths = pathsOf(good);
  return fc
    .tuple(fc.constantFrom(...paths), fc.jsonValue({ maxDepth: 3 }))
    .map(([path, value]) => replaced(good, path, value));
}

function pathsOf(value: unknown, before: string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [before];
  return [before, ...Object.entries(value).flatMap(([key, inner]) => pathsOf(inner, [...before, key]))];
}

function replaced(value: unknown, [key, ...rest]: string[], to: unknown): unknown {
  if (key === undefined) return to;
  if (Array.isArray(value))
    return value.map((item, i) => (String(i) === key ? replaced(item, rest, to) : item));
  return { ...(value as object), [key]: replaced((value as Record<string, unknown>)[key], rest, to) };
}

const told = {
  corners: { LF: { seatMm: -5, turns: -2.5, stopAtMm: 85, heightMm: 365, heightSdMm: 2 } },
  chance: 0.9,
};
const entries = [
  factEntry({ kind: 'height', corner: 'LF', mm: 375 }),
  factEntry({ kind: 'plan', round: 1, slot: 'plan', told }),
  changeEntry(['name', 'Sandpiper', 'Dunlin'], ['corners.LF', plainDocument().corners.LF as never, null]),
  withdrawEntry(randomUUID()),
];

test('any JSON, as a job and as an entry', async () => {
  await fc.assert(
    fc.asyncProperty(fc.jsonValue({ maxDepth: 4 }), async (body) => {
      await sentIsAnswered('/api/jobs', body);
      await sentIsAnswered(`/api/jobs/${job}/entries`, body);
    }),
    { numRuns: 150 },
  );
});

test('good entries with one place spoiled', async () => {
  await fc.assert(
    fc.asyncProperty(fc.oneof(...entries.map(spoiled)), (body) =>
      sentIsAnswered(`/api/jobs/${job}/entries`, body),
    ),
    { numRuns: 300 },
  );
});

test('a good job with one place spoiled', async () => {
  const good = { id: randomUUID(), document: plainDocument(), entries: [entries[0]] };
  await fc.assert(
    fc.asyncProperty(spoiled(good), (body) => sentIsAnswered('/api/jobs', body)),
    { numRuns: 200 },
  );
});

test('any address', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.webPath(),
      fc.constantFrom('get', 'post', 'put', 'delete', 'patch'),
      async (path, method) => {
        const response = await request(server.address)[method as 'get'](`/api${path}`);
        expect(response.status).toBeLessThan(500);
      },
    ),
    { numRuns: 150 },
  );
});

test('after all that the server is well and the list can be read', async () => {
  await request(server.address).get('/api/health').expect(200, { ok: true });
  const { body } = await request(server.address).get('/api/jobs').expect(200);
  expect(body.jobs.length).toBeGreaterThan(0);
});
