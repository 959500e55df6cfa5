import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import type { NewReadingPicture } from '#contract/pictures.ts';
import { plainDocument } from '../fixtures/records.ts';
import { readAs } from '../fixtures/readAs.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
  const picture = await sharp({ create: { width: 900, height: 700, channels: 3, background: '#445566' } })
    .jpeg()
    .withMetadata({ exif: { IFD0: { Model: 'Quayside Snapper' }, IFD3: { GPSLatitude: '54/1 3/1 0/1' } } })
    .toBuffer();
  jpeg = picture.toString('base64');
});
afterAll(() => server.close());

const api = () => request(server.address);
const newJob = async () => {
  const id = randomUUID();
  await api().post('/api/jobs').send({ id, document: plainDocument(), entries: [] }).expect(201);
  return id;
};
let jpeg = '';

const sent = (jobId: string, change: Partial<NewReadingPicture> = {}): NewReadingPicture => ({
  id: randomUUID(),
  jobId,
  corner: 'LF',
  round: 0,
  jpeg,
  meta: readAs,
  ...change,
});

test('a picture is kept with how it was read, at its own size, without place or camera', async () => {
  const job = await newJob();
  const picture = sent(job);
  await api().post('/api/pictures').send(picture).expect(201);
  const { body } = await api().get('/api/pictures').query({ job }).expect(200);
  expect(body.pictures).toHaveLength(1);
  expect(body.pictures[0]).toMatchObject({ id: picture.id, corner: 'LF', round: 0, meta: picture.meta });
  const kept = await api()
    .get(`/api/pictures/${picture.id}`)
    .expect(200)
    .expect('Content-Type', 'image/jpeg');
  const { width, height, exif } = await sharp(kept.body as Buffer).metadata();
  expect([width, height, exif]).toEqual([900, 700, undefined]);
  // They are none of the six pictures of a corner.
  expect((await api().get('/api/photos').query({ job })).body.photos).toEqual([]);
});

test('sent twice it is kept once', async () => {
  const job = await newJob();
  const picture = sent(job);
  for (let time = 0; time < 2; time++) await api().post('/api/pictures').send(picture).expect(201);
  expect((await api().get('/api/pictures').query({ job })).body.pictures).toHaveLength(1);
});

test.each([
  ['a corner that the machine does not have', { corner: 'SK' as never }, 422],
  ['no picture', { jpeg: Buffer.from('no picture at all').toString('base64') }, 422],
  ['a job that is not there', { jobId: randomUUID() }, 404],
])('%s is refused', async (_, change, status) => {
  const response = await api()
    .post('/api/pictures')
    .send({ ...sent(await newJob()), ...change });
  expect([status, 400, 415]).toContain(response.status);
  expect(response.body.code).toBeTruthy();
});

test('what is said of it is checked', async () => {
  const picture = sent(await newJob());
  const response = await api()
    .post('/api/pictures')
    .send({ ...picture, meta: { ...picture.meta, rimMm: -3 } });
  expect(response.body.errors[0].pointer).toBe('/meta/rimMm');
});
