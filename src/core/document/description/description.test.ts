import { sampleDocument, sampleOf } from '../../../../tests/fixtures/sampleDocument.ts';
import { cornersOf } from '../../kinds/classes/index.ts';
import { machineClasses, type MachineClass } from '../../kinds/classes/index.ts';
import { blankCorner, blankDocument } from '../create.ts';
import { migrateDocument } from '../migrate.ts';
import { assumedOf } from './assumed.ts';
import { blankOf } from './blank.ts';
import { carriedOver } from './carried.ts';
import { cornerField } from './corner.ts';
import type { Field, Fields } from './field.ts';
import { fittedFields } from './fitted.ts';
import { DOCUMENT_VERSION, jobField } from './job.ts';
import { everyField, fieldAt } from './walk.ts';

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const versions = Array.from({ length: DOCUMENT_VERSION - 1 }, (_, k) => k + 1);

/** A value as a version had it: without what came later. */
function before(field: Field, value: unknown, version: number): unknown {
  if (value === null || value === undefined) return value;
  const part = (fields: Fields, values: object) =>
    Object.fromEntries(
      Object.entries(values).flatMap(([key, inner]: [string, unknown]) => {
        const own = fields[key];
        if (own && (own.since ?? 1) > version) return [];
        return [[key, own ? before(own, inner, version) : inner]];
      }),
    );
  switch (field.type) {
    case 'group':
      return part(field.fields, value);
    case 'list':
      return (value as unknown[]).map((item) => before(field.item, item, version));
    case 'corners':
      return Object.fromEntries(
        Object.entries(value).map(([id, corner]) => [id, before(field.item, corner, version)]),
      );
    default:
      return value;
  }
}

/** The same value with blanks for what came later. */
function blanked(
  field: Field,
  value: unknown,
  version: number,
  place: { machineClass: MachineClass; corner: never },
): unknown {
  if (value === null || value === undefined) return value;
  const part = (fields: Fields, values: object, at = place) =>
    Object.fromEntries(
      Object.entries(values).map(([key, inner]: [string, unknown]) => {
        const own = fields[key] as Field;
        return [key, (own.since ?? 1) > version ? blankOf(own, at) : blanked(own, inner, version, at)];
      }),
    );
  switch (field.type) {
    case 'group':
      return part(field.fields, value);
    case 'list':
      return (value as unknown[]).map((item) => blanked(field.item, item, version, place));
    case 'corners':
      return Object.fromEntries(
        Object.entries(value).map(([id, corner]) => [
          id,
          part(field.item.fields, corner as object, { ...place, corner: id as never }),
        ]),
      );
    default:
      return value;
  }
}

describe('every field of the document', () => {
  const every = everyField();

  test('is found by its path, and there are as many as the document has', () => {
    expect(every.length).toBeGreaterThan(150);
    for (const { path, field } of every) {
      const one = fieldAt(path.map((key) => (key === '*' ? 'LF' : key)));
      expect([path.join('.'), one?.type]).toEqual([path.join('.'), field.type]);
    }
    expect(fieldAt(['machine', 'nothing'])).toBeNull();
  });

  test.each(machineClasses)('of a %s has a blank, and its blank is what its type allows', (machineClass) => {
    const document = blankDocument(machineClass, 'Knot');
    expect(Object.keys(document).sort()).toEqual(Object.keys(jobField.fields).sort());
    for (const id of cornersOf(machineClass)) {
      expect(Object.keys(document.corners[id]).sort()).toEqual(Object.keys(cornerField.fields).sort());
      expect(document.corners[id]).toEqual(blankCorner(machineClass, id));
    }
    expect(document).toMatchObject({
      schemaVersion: DOCUMENT_VERSION,
      machine: { class: machineClass, massKg: null },
      cases: ['as measured', 'as specified'],
    });
  });

  test('has its assumed value inside its range', () => {
    for (const { path, field } of every) {
      if (field.type !== 'number' || field.assumed === undefined) continue;
      const value = assumedOf(field, {
        machineClass: 'car',
        axle: 'front',
        suspension: null,
        alongLeg: false,
      });
      expect([path.join('.'), value >= field.range.min && value <= field.range.max]).toEqual([
        path.join('.'),
        true,
      ]);
    }
  });

  test('says since when it is there: no later than this version, no earlier than what it is in', () => {
    for (const { path, field } of every) {
      expect([path.join('.'), (field.since ?? 1) <= DOCUMENT_VERSION]).toEqual([path.join('.'), true]);
      for (let k = 1; k < path.length; k++) {
        const holder = fieldAt(path.slice(0, k));
        if (field.since !== undefined && holder?.since !== undefined)
          expect([path.join('.'), field.since >= holder.since]).toEqual([path.join('.'), true]);
      }
    }
  });

  test.each(versions)(
    'survives from version %i: what it had is kept, what came since is blank',
    (version) => {
      for (const machineClass of machineClasses)
        for (const kind of [0, 1, 2, 3]) {
          const full = plain(sampleDocument(machineClass, kind));
          const old = { ...(before(jobField, full, version) as object), schemaVersion: version };
          const want = blanked(jobField, full, version, { machineClass, corner: null as never }) as object;
          const now = plain(migrateDocument(old));
          // A corner of before fittings had names is named by what is in it.
          if (version < 4)
            for (const id of cornersOf(machineClass)) {
              const named = (want as typeof full).corners[id];
              named.fitting = now.corners[id].fitting;
            }
          expect(now).toEqual({ ...want, schemaVersion: DOCUMENT_VERSION });
          expect(migrateDocument(now)).toEqual(now);
        }
    },
  );

  test('is carried to the next job as it says: the same, a blank, or what it has become', () => {
    for (const [fields, corner] of [
      [jobField.fields, null],
      [cornerField.fields, 'LF'],
    ] as const) {
      const place = { machineClass: 'car', corner } as const;
      const values = Object.fromEntries(
        Object.entries(fields).map(([key, field]) => [key, sampleOf(field as Field, ['LF'])]),
      );
      const marks = Object.fromEntries(Object.keys(fields).map((key) => [key, { now: key }]));
      const next = carriedOver(fields as Fields, values, marks as never, place);
      for (const [key, field] of Object.entries(fields as Fields)) {
        const want =
          field.next === 'blank'
            ? blankOf(field, place)
            : field.next === 'as-now'
              ? { now: key }
              : values[key];
        expect([key, next[key]]).toEqual([key, want]);
      }
    }
  });

  test('that says what is fitted is left out where that contradicts itself, and no other', () => {
    expect(fittedFields(jobField.fields)).toEqual(['bars']);
    const fitted: readonly string[] = fittedFields(cornerField.fields);
    for (const key of ['springs', 'rings', 'torsion', 'cam', 'air', 'mount', 'ratioFrom', 'loadKg', 'gas'])
      expect(fitted).toContain(key);
    for (const key of ['targetMm', 'adjustable', 'fitting', 'pitchMm', 'collar', 'reference', 'ratio'])
      expect(fitted).not.toContain(key);
  });
});
