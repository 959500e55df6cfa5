import { DOCUMENT_VERSION } from './description/job.ts';
import fc from 'fast-check';
import { machineClasses } from '../kinds/classes/index.ts';
import { blankDocument } from './create.ts';
import { migrateDocument, migrateJob } from './migrate.ts';
import type { JobDocument } from './types.ts';

type Plain = Record<string, unknown>;
const plain = (value: unknown): Plain => JSON.parse(JSON.stringify(value)) as Plain;
const without = (value: unknown, ...keys: string[]): Plain =>
  Object.fromEntries(Object.entries(value as object).filter(([key]) => !keys.includes(key)));
const eachCorner = (document: Plain, edit: (corner: Plain) => Plain): Plain => ({
  ...document,
  corners: Object.fromEntries(
    Object.entries(document.corners as Plain).map(([id, corner]) => [id, edit(corner as Plain)]),
  ),
});

/** What each version had not: newest first, one taken off after the other. */
const older: Record<number, (document: Plain) => Plain> = {
  5: (document) =>
    eachCorner(without(document, 'stance', 'crossWeight', 'frontEqual'), (corner) =>
      without(corner, 'padFactor', 'camberPerMm'),
    ),
  4: (document) =>
    eachCorner(
      { ...without(document, 'riders', 'sagRead'), machine: without(document.machine, 'tankL') },
      (corner) => without(corner, 'staticWindow'),
    ),
  3: (document) =>
    eachCorner(without(document, 'skid'), (corner) => without(corner, 'fitting', 'boots', 'floorMm')),
  2: (document) =>
    eachCorner(
      { ...without(document, 'crossTarget'), machine: without(document.machine, 'learnt', 'id') },
      (corner) => without(corner, 'sagMm', 'sagWindow', 'torsion', 'cam', 'air', 'adjustable'),
    ),
};

/** A document as a version had it. */
function as(version: number, document: JobDocument): Plain {
  const made = [5, 4, 3, 2]
    .filter((one) => one >= version)
    .reduce((sofar, one) => (older[one] as (d: Plain) => Plain)(sofar), plain(document));
  return { ...made, schemaVersion: version };
}

describe('documents of earlier versions', () => {
  test.each([2, 3, 4, 5])(
    'version %i of every class comes up whole, with blanks for what it had not',
    (version) => {
      for (const machineClass of machineClasses) {
        const document = blankDocument(machineClass, 'Siskin');
        const now = migrateDocument(as(version, document));
        expect({ machineClass, now }).toEqual({ machineClass, now: document });
      }
    },
  );

  test('what an older one had is kept, and so is what nobody here knows', () => {
    const document = blankDocument('truck', 'Siskin');
    document.corners.LF.targetMm = 612;
    document.corners.LF.clearances = [
      { name: 'tyre', nowMm: 40, perMm: 0.5, leastMm: 10, atMm: null, rows: null },
    ];
    document.bars.rear = { rateNPerMm: 9, hooked: true, linkMm: null, linkPerWheel: null };
    const old = as(5, document);
    (old.corners as Plain).LF = {
      ...((old.corners as Plain).LF as Plain),
      clearances: [{ name: 'tyre', nowMm: 40, perMm: 0.5, leastMm: 10, seen: 'by torch' }],
      sticker: 'green',
    };
    old.bars = { front: null, rear: { rateNPerMm: 9, hooked: true } };
    const now = migrateDocument({ ...old, ownNote: 'kept' });
    expect(now).toMatchObject({
      ownNote: 'kept',
      bars: { front: null, rear: { rateNPerMm: 9, linkMm: null } },
      corners: {
        LF: { targetMm: 612, sticker: 'green', clearances: [{ perMm: 0.5, rows: null, seen: 'by torch' }] },
      },
    });
  });

  test('one of this version is given back untouched', () => {
    const document = blankDocument('car', 'Siskin');
    expect(migrateDocument(document)).toBe(document);
  });

  test('what is no job is given back as it is, to be refused where it is checked', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 4 }), (value) => {
        expect(migrateDocument(value)).toEqual(value);
        expect(migrateJob(value)).toEqual(value);
      }),
    );
  });

  test('a half-broken old one does not make it throw', () => {
    const good = as(4, blankDocument('scooter', 'Siskin'));
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(good)), fc.jsonValue({ maxDepth: 3 }), (key, value) => {
        expect(() => migrateDocument({ ...good, [key]: value })).not.toThrow();
      }),
    );
  });

  test('a job is brought up in its document alone', () => {
    const job = { id: 'x', document: as(3, blankDocument('car', 'Siskin')), entries: [1] };
    expect(migrateJob(job)).toMatchObject({
      id: 'x',
      entries: [1],
      document: { schemaVersion: DOCUMENT_VERSION },
    });
  });
});
