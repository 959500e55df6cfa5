import { randomUUID } from 'node:crypto';
import { BlobReader, TextWriter, ZipReader, type FileEntry } from '@zip.js/zip.js';
import sharp from 'sharp';
import request from 'supertest';
import { jobFromFile, picturesIn, type JobFile } from '#core/document/file.ts';
import { measured, plainDocument } from '../fixtures/records.ts';
import { readAs } from '../fixtures/readAs.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const api = () => request(server.address);
const newJob = async (name: string) => {
  const file = { id: randomUUID(), document: { ...plainDocument(), name }, entries: measured(375).entries };
  const job = jobFromFile(file, () => randomUUID());
  await api().post('/api/jobs').send(job).expect(201);
  return job.id;
};
const picture = (shade: string) =>
  sharp({ create: { width: 320, height: 200, channels: 3, background: shade } })
    .jpeg()
    .toBuffer();

/** Every file of the zip, by name, as a reader of it gets them. */
async function exported(): Promise<Map<string, JobFile>> {
  const response = await fetch(`${server.address}/api/export`);
  expect(response.headers.get('content-type')).toBe('application/zip');
  expect(response.headers.get('content-disposition')).toMatch(
    /^attachment; filename="margin-jobs-[\d-]+\.zip"$/,
  );
  const reader = new ZipReader(new BlobReader(await response.blob()), { useWebWorkers: false });
  const files = new Map<string, JobFile>();
  for (const entry of (await reader.getEntries()) as FileEntry[])
    files.set(entry.filename, JSON.parse(await entry.getData(new TextWriter())) as JobFile);
  return files;
}

test('no jobs make an empty zip', async () => {
  expect([...(await exported()).keys()]).toEqual([]);
});

test('every job but a deleted one is a file that opens again, with its pictures', async () => {
  const first = await newJob('Sandpiper');
  const [second, gone] = [await newJob('Sandpiper'), await newJob('Wigeon')];
  await api().post(`/api/jobs/${gone}/away`).send({ away: 'deleted' }).expect(200);
  await api().post(`/api/jobs/${second}/away`).send({ away: 'archived' }).expect(200);
  const at = '2025-03-04T10:20:30.000Z';
  const query = { job: first, corner: 'RL', id: randomUUID(), at };
  await api().post('/api/photos').query({ job: first, corner: 'LF' }).type('image/jpeg').send(await picture('#446688')).expect(201); // oxfmt-ignore
  const taken = await api().post('/api/photos').query({ ...query, corner: 'LR' }).type('image/jpeg').send(await picture('#884466')).expect(201); // oxfmt-ignore
  expect(taken.body).toMatchObject({ id: query.id, at });

  const files = await exported();
  expect([...files.keys()].sort()).toEqual(['sandpiper-2.margin.json', 'sandpiper.margin.json']);
  const file = [...files.values()].find(({ id }) => id === first) as JobFile;
  expect(file.document.name).toBe('Sandpiper');
  expect(file.entries).toHaveLength(measured(375).entries.length);
  const pictures = picturesIn(file);
  expect(pictures.map(({ corner }) => corner).sort()).toEqual(['LF', 'LR']);
  const own = pictures.find(({ id }) => id === query.id);
  expect(own?.at).toBe(at);
  const { width, format } = await sharp(Buffer.from(own?.jpeg ?? '', 'base64')).metadata();
  expect([width, format]).toEqual([320, 'jpeg']);
  expect(picturesIn([...files.values()].find(({ id }) => id === second))).toEqual([]);
});

test('a picture that a height was read off goes along with how it was read, and comes back with its time', async () => {
  const jobId = await newJob('Plover');
  const meta = { ...readAs, mm: 381.5 };
  const jpeg = (await picture('#335577')).toString('base64');
  await api().post('/api/pictures').send({ id: randomUUID(), jobId, corner: 'RF', round: 2, jpeg, meta }).expect(201);
  const file = [...(await exported()).values()].find(({ id }) => id === jobId) as JobFile;
  const [read] = picturesIn(file);
  expect(read).toMatchObject({ corner: 'RF', reading: { round: 2, meta } });
  // On another machine it is a copy.
  const otherId = randomUUID();
  const other = { ...file, id: otherId, document: { ...file.document, machine: { ...file.document.machine, wheelbaseMm: 2777 } } };
  const { id, document, entries } = jobFromFile(other, () => randomUUID());
  await api().post('/api/jobs').send({ id, document: { ...document, plate: 'ELSE 1' }, entries }).expect(201);
  const sent = { id: read?.id, jobId: id, corner: 'RF', at: read?.at, jpeg: read?.jpeg, ...read?.reading };
  await api().post('/api/pictures').send(sent).expect(201);
  const { body } = await api().get('/api/pictures').query({ job: id }).expect(200);
  expect(body.pictures.filter(({ jobId: of }: { jobId: string }) => of === id)).toMatchObject([{ at: read?.at, round: 2, meta }]);
}); // oxfmt-ignore

test('a picture out of a file is kept once for its machine, and as a copy for another', async () => {
  const [one, other] = [await newJob('Knot'), await newJob('Ruff')];
  const id = randomUUID();
  const send = async (job: string) =>
    (
      await api()
        .post('/api/photos')
        .query({ job, corner: 'RF', id })
        .type('image/jpeg')
        .send(await picture('#335533'))
        .expect(201)
    ).body.id as string;
  expect([await send(one), await send(one)]).toEqual([id, id]);
  const copy = await send(other);
  expect(copy).not.toBe(id);
  const count = async (job: string) =>
    ((await api().get('/api/photos').query({ job })).body.photos as unknown[]).length;
  expect([await count(one), await count(other)]).toEqual([1, 1]);
});

test('a corner that the machine does not have takes no picture', async () => {
  const job = await newJob('Plover');
  const { body } = await api().post('/api/photos').query({ job, corner: 'FA' }).type('image/jpeg').send(await picture('#112233')).expect(422); // oxfmt-ignore
  expect(body).toMatchObject({ code: 'invalid', errors: [{ pointer: '/corner' }] });
});

test('a job posted with pictures is told that they go by themselves', async () => {
  const job = jobFromFile({ id: randomUUID(), document: plainDocument(), entries: [] }, () => randomUUID());
  const { body } = await api()
    .post('/api/jobs')
    .send({ ...job, pictures: [] })
    .expect(422);
  expect(body.errors).toEqual([{ pointer: '/pictures', detail: expect.any(String) as string }]);
});

test('the rest of a large file follows in pieces: each whole or not at all, and harmless when sent again', async () => {
  const whole = jobFromFile(
    { id: randomUUID(), document: plainDocument(), entries: measured(375).entries },
    () => randomUUID(),
  );
  const [first, ...rest] = whole.entries;
  await api().post('/api/jobs').send({ ...whole, entries: [first] }).expect(201); // oxfmt-ignore
  const more = (entries: unknown[]) => api().post(`/api/jobs/${whole.id}/entries/more`).send({ entries });
  const { body } = await more(rest).expect(201);
  expect((await more(rest).expect(201)).body).toEqual(body);
  const kept = async () => ((await api().get(`/api/jobs/${whole.id}`)).body as JobFile).entries;
  expect(await kept()).toEqual(whole.entries);

  const base = { at: first?.at, undoOf: null, redoOf: null };
  const unheard = { ...base, id: randomUUID(), label: 'Taken back', type: 'withdraw', of: randomUUID() };
  const note = { ...base, id: randomUUID(), label: 'Note', type: 'change', ops: [{ path: ['note'], from: '', to: 'x' }] }; // oxfmt-ignore
  await more([note, unheard]).expect(422);
  expect(await kept()).toEqual(whole.entries);
  await more([]).expect(422);
  await api().post(`/api/jobs/${randomUUID()}/entries/more`).send({ entries: [note] }).expect(404); // oxfmt-ignore
});
