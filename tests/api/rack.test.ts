import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { problemCatalogue } from '#contract/problems.ts';
import { blankRackValues, type RackSpring } from '#core/rack/spring.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const api = () => request(server.address);
const one = (part: object = {}) => ({
  ...blankRackValues,
  id: randomUUID(),
  name: 'quay coil',
  rateNPerMm: 50,
  freeLengthMm: 200,
  solidLengthMm: 80,
  ...part,
});
const put = (spring: object, version: number | null = null) =>
  api()
    .post('/api/rack')
    .send({ ...spring, version });
const list = async () => (await api().get('/api/rack').expect(200)).body.springs as RackSpring[];
const problem = (response: request.Response, code: keyof typeof problemCatalogue) => {
  expect(response.status).toBe(problemCatalogue[code].status);
  expect(response.body).toMatchObject({ code });
};

test('a spring is kept as it was sent, changed by its version, and removed', async () => {
  const spring = one({ rows: [[0, 0], [50, 2400.5]], rateNPerMm: null, note: 'shelf 3' }); // oxfmt-ignore
  expect((await put(spring).expect(201)).body).toEqual({ ...spring, version: 1 });
  expect((await put({ ...spring, stock: 7 }, 1).expect(200)).body).toMatchObject({ version: 2, stock: 7 });
  expect(await list()).toContainEqual({ ...spring, version: 2, stock: 7 });
  await api().delete(`/api/rack/${spring.id}`).expect(204);
  expect((await list()).some(({ id }) => id === spring.id)).toBe(false);
  problem(await api().delete(`/api/rack/${spring.id}`), 'spring-not-found');
  problem(await api().delete('/api/rack/nonsense'), 'spring-not-found');
});

test('somebody who was slower is told, with the spring as it is now', async () => {
  const spring = one();
  await put(spring).expect(201);
  await put({ ...spring, stock: 3 }, 1).expect(200);
  const late = await put({ ...spring, stock: 9 }, 1);
  problem(late, 'spring-changed');
  expect(late.body.conflict).toMatchObject({ version: 2, stock: 3 });
  problem(await put(spring), 'spring-changed');
  problem(await put(one(), 4), 'spring-not-found');
});

test.each([
  ['/rateNPerMm', { rateNPerMm: -1 }],
  ['/name', { name: '  ' }],
  ['/stock', { stock: 1.5 }],
  ['/rows', { rows: [[0, 0], [10, 500], [20, 400]] }],
  ['', { freeLengthMm: 70 }],
  ['/colour', { colour: 'red' }],
] as const)('what is wrong is named by its place: %s', async (pointer, part) => {
  const response = await put(one(part));
  problem(response, 'invalid');
  expect(response.body.errors.map((error: { pointer: string }) => error.pointer)).toContain(pointer);
}); // oxfmt-ignore

test('a list is taken in whole or not at all; a known id is written over', async () => {
  const [first, second] = [one({ name: 'a' }), one({ name: 'b' })];
  await put(first).expect(201);
  const before = await list();
  const bad = await api()
    .post('/api/rack/import')
    .send({ springs: [second, { ...first, stock: -1 }] });
  problem(bad, 'invalid');
  expect(bad.body.errors[0].pointer).toBe('/springs/1/stock');
  expect(await list()).toEqual(before);
  problem(
    await api()
      .post('/api/rack/import')
      .send({ springs: [second, second] }),
    'invalid',
  );
  const { body } = await api()
    .post('/api/rack/import')
    .send({ springs: [second, { ...first, stock: 5 }] })
    .expect(200);
  expect(body.springs).toContainEqual({ ...first, stock: 5, version: 2 });
  expect(body.springs).toContainEqual({ ...second, version: 1 });
  await api().put('/api/rack').expect(405);
});
