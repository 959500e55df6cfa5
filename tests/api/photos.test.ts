import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import { limits } from '#contract/limits.ts';
import { problemCatalogue } from '#contract/problems.ts';
import { plainDocument } from '../fixtures/records.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const api = () => request(server.address);
const newJob = async (machineId: string | null = null) => {
  const blank = plainDocument();
  const document = { ...blank, machine: { ...blank.machine, id: machineId } };
  const id = randomUUID();
  await api().post('/api/jobs').send({ id, document, entries: [] }).expect(201);
  return id;
};
/** A picture with a place, a camera and an orientation written into it. */
const picture = (width = 2400, height = 1200) =>
  sharp({ create: { width, height, channels: 3, background: '#8899aa' } })
    .jpeg()
    .withMetadata({
      orientation: 6,
      exif: { IFD0: { Model: 'Quayside Snapper' }, IFD3: { GPSLatitude: '54/1 3/1 0/1' } },
    })
    .toBuffer();
const send = (job: string, corner: string, body: Buffer, type = 'image/jpeg') =>
  api().post('/api/photos').query({ job, corner }).set('Content-Type', type).send(body);
const problem = (response: request.Response, code: keyof typeof problemCatalogue) => {
  expect(response.status).toBe(problemCatalogue[code].status);
  expect(response.body).toMatchObject({ code });
};

test('a picture is kept small, the right way up, with nothing but the picture in it', async () => {
  const job = await newJob();
  const { body } = await send(job, 'LF', await picture()).expect(201);
  expect(body).toMatchObject({ jobId: job, corner: 'LF', height: 1600, width: 800 });
  const full = await api().get(`/api/photos/${body.id}`).expect(200).expect('Content-Type', 'image/jpeg');
  const small = await api().get(`/api/photos/${body.id}/small`).expect(200);
  for (const [bytes, side] of [
    [full.body, 1600],
    [small.body, 240],
  ] as [Buffer, number][]) {
    const { exif, icc, xmp, orientation, width, height } = await sharp(bytes).metadata();
    expect([exif, icc, xmp, orientation]).toEqual([undefined, undefined, undefined, undefined]);
    expect(Math.max(width, height)).toBe(side);
    expect(bytes.includes('Quayside')).toBe(false);
  }
});

test('it is there for every job on the same machine, newest first, and goes when it is removed', async () => {
  const machine = randomUUID();
  const [first, second, other] = [await newJob(machine), await newJob(machine), await newJob()];
  const one = (await send(first, 'LF', await picture(300, 200)).expect(201)).body.id as string;
  const two = (await send(second, 'RR', await picture(200, 300)).expect(201)).body.id as string;
  const list = async (job: string) =>
    ((await api().get('/api/photos').query({ job }).expect(200)).body.photos as { id: string }[]).map(
      ({ id }) => id,
    );
  expect(await list(first)).toEqual([two, one]);
  expect(await list(second)).toEqual([two, one]);
  expect(await list(other)).toEqual([]);
  await api().delete(`/api/photos/${two}`).expect(204);
  expect(await list(first)).toEqual([one]);
  problem(await api().delete(`/api/photos/${two}`), 'photo-not-found');
  problem(await api().get(`/api/photos/${two}`), 'photo-not-found');
});

test('what is no picture, or for no corner, or for no job, is refused', async () => {
  const job = await newJob();
  problem(await send(job, 'LF', Buffer.from('not a picture at all')), 'not-a-picture');
  problem(await send(job, 'LF', await picture(), 'application/octet-stream'), 'not-a-picture');
  const drawn = sharp(await picture(40, 30));
  for (const other of [await drawn.clone().gif().toBuffer(), await drawn.clone().tiff().toBuffer()])
    problem(await send(job, 'LF', other), 'not-a-picture');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>';
  problem(await send(job, 'LF', Buffer.from(svg)), 'not-a-picture');
  problem(await send(job, 'XX', await picture(20, 20)), 'invalid');
  problem(await send(randomUUID(), 'LF', await picture(20, 20)), 'job-not-found');
  problem(await api().get('/api/photos'), 'invalid');
  problem(await api().get('/api/photos/nonsense'), 'photo-not-found');
  problem(await api().put('/api/photos'), 'method-not-allowed');
  problem(await send(job, 'LF', Buffer.alloc(limits.photoBytes + 1)), 'too-large');
});

test('sent all at once there are no more of them either', async () => {
  const job = await newJob();
  const bytes = await picture(40, 30);
  const all = Array.from({ length: limits.photosPerCorner + 3 }, () => send(job, 'LF', bytes));
  const kept = (await Promise.all(all)).filter(({ status }) => status === 201);
  expect(kept).toHaveLength(limits.photosPerCorner);
});

test('a corner holds so many and no more', async () => {
  const job = await newJob();
  const bytes = await picture(40, 30);
  for (let n = 0; n < limits.photosPerCorner; n++) await send(job, 'LR', bytes).expect(201);
  problem(await send(job, 'LR', bytes), 'enough-photos');
  await send(job, 'RR', bytes).expect(201);
});
