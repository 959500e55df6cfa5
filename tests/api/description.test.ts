import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { Field } from '#core/document/description/field.ts';
import { mayBeAbsent } from '#core/document/description/field.ts';
import { everyField, fieldAt } from '#core/document/description/walk.ts';
import { documentSchema } from '#contract/schemas/document.ts';
import { machineClasses } from '#core/kinds/classes/index.ts';
import { sampleDocument } from '../fixtures/sampleDocument.ts';
import { startTestServer, type TestServer } from '../fixtures/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

/** The four ways a ratio is said, with and without what may be absent. */
const KINDS = [0, 1, 2, 3, 4, 5, 6, 7];

type Plain = Record<string, unknown>;
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Every field that stands in a document, by the keys that lead to it there. */
function placesIn(value: unknown, path: string[] = []): { path: string[]; field: Field }[] {
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]: [string, unknown]) => {
    const here = [...path, key];
    const field = fieldAt(here);
    return [...(field && !Array.isArray(value) ? [{ path: here, field }] : []), ...placesIn(inner, here)];
  });
}

/** The document with another value at a place, or with nothing there. */
function put(document: unknown, path: readonly string[], value: unknown): unknown {
  const changed = plain(document);
  const holder = path.slice(0, -1).reduce((here, key) => here[key] as Plain, changed as Plain);
  const last = path.at(-1) as string;
  if (value === undefined) Reflect.deleteProperty(holder, last);
  else holder[last] = value;
  return changed;
}

const isRefused = (document: unknown) => documentSchema.validate(document).error !== undefined;

test.each(machineClasses)(
  'every field of a %s is kept by the server as it was sent',
  async (machineClass) => {
    for (const kind of KINDS) {
      const id = randomUUID();
      const document = sampleDocument(machineClass, kind);
      await request(server.address).post('/api/jobs').send({ id, document, entries: [] }).expect(201);
      const { body } = await request(server.address).get(`/api/jobs/${id}`).expect(200);
      expect(body.document).toEqual(plain(document));
    }
  },
);

test('every field of the description stands in one of the documents tried', () => {
  const tried = new Set(
    KINDS.flatMap((kind) =>
      placesIn(sampleDocument('car', kind)).map(({ path }) =>
        path.map((key) => (/^(\d+|LF|RF|LR|RR)$/.test(key) ? '*' : key)).join('.'),
      ),
    ),
  );
  const missing = everyField()
    .map(({ path }) => path.join('.'))
    .filter((path) => !path.endsWith('*') && !tried.has(path));
  expect(missing).toEqual([]);
});

test('a field that is missing, out of its range or of another type is refused, and so is nothing where something must be', () => {
  const tried = new Set<string>();
  for (const kind of KINDS) {
    const document = plain(sampleDocument('car', kind));
    expect(documentSchema.validate(document).error).toBeUndefined();
    const places = placesIn(document).filter(
      ({ path }) => path[0] !== 'corners' || path.length === 1 || path[1] === 'LF',
    );
    const wrong: string[] = [];
    for (const { path, field } of places) {
      const at = path.join('.');
      if (tried.has(at)) continue;
      tried.add(at);
      const holder = fieldAt(path.slice(0, -1));
      const absent = mayBeAbsent(field) || (holder?.type === 'corners' && !holder.each);
      if (absent === isRefused(put(document, path, undefined))) wrong.push(`${at} missing`);
      if (('nullable' in field && field.nullable) === isRefused(put(document, path, null)))
        wrong.push(`${at} null`);
      if (!isRefused(put(document, path, { strange: true })) && field.type !== 'corners')
        wrong.push(`${at} an object`);
      if (field.type === 'number') {
        if (!isRefused(put(document, path, field.range.max + 0.01))) wrong.push(`${at} too large`);
        if (!isRefused(put(document, path, field.range.min - 0.01))) wrong.push(`${at} too small`);
        if (!isRefused(put(document, path, '7'))) wrong.push(`${at} text`);
      }
    }
    expect(wrong).toEqual([]);
  }
});

test('values that must stand in order are refused out of it, in words, here and in the answer', async () => {
  const document = plain(sampleDocument('car'));
  const crossed = put(document, ['corners', 'LF', 'collar', 'minMm'], 900);
  expect(documentSchema.validate(put(crossed, ['corners', 'LF', 'collar', 'maxMm'], 20)).error?.message).toBe(
    'the least collar reading must be below the greatest',
  );
  const { nowMm } = document.corners.LF.clearances[0] ?? { nowMm: 0 };
  expect(nowMm).toBeGreaterThan(0);
  const back = put(
    document,
    ['corners', 'LF', 'clearances', '0', 'rows'],
    [
      [10, 5],
      [10, 6],
    ],
  );
  expect(documentSchema.validate(back).error?.message).toBe(
    'the heights of the table must grow from row to row',
  );
  const answer = await request(server.address)
    .post('/api/jobs')
    .send({ id: randomUUID(), document: back, entries: [] })
    .expect(422);
  expect(answer.body.errors).toEqual([
    {
      pointer: '/document/corners/LF/clearances/0/rows',
      detail: 'the heights of the table must grow from row to row',
    },
  ]);
});
