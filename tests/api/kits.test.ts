import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { problemCatalogue } from '#contract/problems.ts';
import { blankKit, blankKitEnd, type Kit } from '#core/kits/kit.ts';
import type { KitOutcome } from '#core/kits/outcome.ts';
import type { Entry } from '#core/document/types.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';
import { factEntry, heights, plainDocument, settled } from '../fixtures/records.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const api = () => request(server.address);
const one = (part: object = {}) => ({
  id: randomUUID(),
  version: null,
  kit: { ...blankKit('Reedbed pair'), front: { ...blankKitEnd(), seatMm: 48 }, ...part },
});
const put = (kit: object) => api().post('/api/kits').send(kit);
const all = async () =>
  (await api().get('/api/kits').expect(200)).body as { kits: Kit[]; outcomes: KitOutcome[] };
const problem = (response: request.Response, code: keyof typeof problemCatalogue) => {
  expect(response.status).toBe(problemCatalogue[code].status);
  expect(response.body).toMatchObject({ code });
};

test('a kit is kept as it was sent, changed by its version, and removed', async () => {
  const sent = one();
  expect((await put(sent).expect(201)).body).toEqual({ ...sent, version: 1 });
  const changed = { ...sent, version: 1, kit: { ...sent.kit, note: 'shelf 2' } };
  expect((await put(changed).expect(200)).body).toMatchObject({ version: 2, kit: { note: 'shelf 2' } });
  expect((await all()).kits).toContainEqual({ ...changed, version: 2 });
  const late = await put({ ...sent, version: 1 });
  problem(late, 'kit-changed');
  expect(late.body.conflict).toMatchObject({ version: 2, kit: { note: 'shelf 2' } });
  await api().delete(`/api/kits/${sent.id}`).expect(204);
  problem(await api().delete(`/api/kits/${sent.id}`), 'kit-not-found');
  problem(await put({ ...sent, version: 2 }), 'kit-not-found');
});

test.each([
  ['/kit/name', { name: ' ' }],
  ['/kit/classes/0', { classes: ['rocket'] }],
  ['/kit/front/seatMm', { front: { ...blankKitEnd(), seatMm: 'far' } }],
  ['/kit/torques/0/nm', { torques: [{ what: 'nut', nm: 0 }] }],
  ['/kit/schema', { schema: 'margin-job' }],
] as const)('what is wrong is named by its place: %s', async (pointer, part) => {
  const response = await put(one(part));
  problem(response, 'invalid');
  expect(response.body.errors.map((error: { pointer: string }) => error.pointer)).toContain(pointer);
});

test('what a job came to with a kit stands beside it, until the job is deleted', async () => {
  const kit = one();
  await put(kit).expect(201);
  const id = randomUUID();
  const fitted = { kind: 'fitted', round: 0, slot: 'springs-front', part: 'springs', axle: 'front' } as const;
  const entries: Entry[] = [
    factEntry({ ...fitted, words: 'Reedbed pair', kit: kit.id }),
    ...(['LF', 'RF'] as const).map((corner) =>
      factEntry({ kind: 'collar', round: 0, corner, slot: 'now', mm: 48 }),
    ),
    ...heights(0, 350),
    settled(0),
    ...(['LF', 'RF', 'LR', 'RR'] as const).map((corner) =>
      factEntry({ kind: 'adjustment', round: 1, corner, slot: 'done', mm: 7 }),
    ),
    ...heights(1, 364),
    ...heights(1, 366, '2'),
    settled(1),
    factEntry({ kind: 'locked', round: 1, slot: 'locked' }),
  ].map((entry) => ({ ...entry, id: randomUUID() }));
  await api().post('/api/jobs').send({ id, document: plainDocument(), entries }).expect(201);
  const mine = async () => (await all()).outcomes.filter((one) => one.kit === kit.id);
  expect(await mine()).toMatchObject([{ axle: 'front', job: id, startMm: 48, neededMm: 7, firstMm: 350 }]);
  await api().post(`/api/jobs/${id}/away`).send({ away: 'deleted' }).expect(200);
  expect(await mine()).toEqual([]);
});

test('a kit is named by its id or not at all', async () => {
  const fitted = factEntry({
    kind: 'fitted',
    round: 0,
    slot: 'kit-front',
    part: 'kit',
    axle: 'front',
    words: '',
    kit: 'not an id',
  });
  const response = await api()
    .post('/api/jobs')
    .send({ id: randomUUID(), document: plainDocument(), entries: [{ ...fitted, id: randomUUID() }] });
  problem(response, 'invalid');
});
