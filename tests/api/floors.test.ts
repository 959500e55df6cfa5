import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { Floors } from '#contract/api.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';
import { plainDocument } from '../fixtures/records.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const api = () => request(server.address);
const keep = async (floorPlace: string, floorMm: number | null) => {
  const id = randomUUID();
  const document = plainDocument((one) => {
    one.floorPlace = floorPlace;
    one.corners.RF.floorMm = floorMm;
  });
  await api().post('/api/jobs').send({ id, document, entries: [] }).expect(201);
  return id;
};
const places = async () => ((await api().get('/api/floors').expect(200)).body as Floors).places;

test('places on the floor are as the newest job there has them, by name; those of deleted jobs are forgotten', async () => {
  await keep('', 4);
  await keep('bay 2', -9);
  const gone = await keep('yard', 15);
  const newest = await keep('bay 2', -8);
  await keep('bay 1', null);
  expect(await places()).toEqual([
    { name: 'bay 1', floorMm: {} },
    { name: 'bay 2', floorMm: { RF: -8 } },
    { name: 'yard', floorMm: { RF: 15 } },
  ]);
  for (const id of [gone, newest])
    await api().post(`/api/jobs/${id}/away`).send({ away: 'deleted' }).expect(200);
  expect(await places()).toEqual([
    { name: 'bay 1', floorMm: {} },
    { name: 'bay 2', floorMm: { RF: -9 } },
  ]);
});

test('a place on the floor is a name and mm by corner', async () => {
  const id = await keep('bay 3', null);
  const entry = (fact: object) => ({
    id: randomUUID(), at: new Date().toISOString(), label: 'Stands on bay 2', undoOf: null, redoOf: null,
    type: 'fact', replaces: null,
    fact: { kind: 'floor', round: 1, corner: null, slot: 'place', place: 'bay 2', floorMm: {}, ...fact },
  }); // oxfmt-ignore
  await api()
    .post(`/api/jobs/${id}/entries`)
    .send(entry({ floorMm: { RF: -9 } }))
    .expect(201);
  for (const wrong of [{ floorMm: { XX: 1 } }, { floorMm: { RF: 400 } }, { place: '' }])
    await api().post(`/api/jobs/${id}/entries`).send(entry(wrong)).expect(422);
});
