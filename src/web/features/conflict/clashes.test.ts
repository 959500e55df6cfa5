import type { Entry, Fact } from '#core/document/types.ts';
import type { Unsent } from '../../api/unsent.ts';
import { clashesOf } from './clashes.ts';

const entry = (fact: Fact): Entry => ({
  id: '00000000-0000-4000-8000-000000000001',
  at: '2026-03-02T08:00:00.000Z',
  label: 'one',
  undoOf: null,
  redoOf: null,
  type: 'fact',
  fact,
  replaces: null,
});

const taken = (yours: Fact, theirs: Fact): Unsent => ({
  id: 'a',
  jobId: 'b',
  order: 1,
  what: { kind: 'entry', entry: entry(yours) },
  refused: {
    problem: { type: 'about:blank', title: '', status: 409, errors: [] },
    conflict: { record: null as never, refusal: { reason: 'taken', standing: entry(theirs) as never } },
  } as never,
});

const place = { round: 1, corner: 'LF', slot: '1' } as const;
const job = { round: 0, corner: null, slot: 'next' } as const;

test.each<[string, Fact, Fact, unknown, unknown]>([
  ['a height', { kind: 'height', ...place, mm: 372 }, { kind: 'height', ...place, mm: 371.5 }, { value: 372, unit: 'mm' }, { value: 371.5, unit: 'mm' }],
  ['a weight', { kind: 'pad', ...place, kg: 312 }, { kind: 'pad', ...place, kg: 309.5 }, { value: 312, unit: 'kg' }, { value: 309.5, unit: 'kg' }],
  ['a pressure', { kind: 'pressure', ...place, bar: 2.1 }, { kind: 'pressure', ...place, bar: 2 }, { value: 2.1, unit: 'bar' }, { value: 2, unit: 'bar' }],
  ['a day and a distance', { kind: 'recheck', ...job, km: 300, day: '2026-04-01' }, { kind: 'recheck', ...job, km: null, day: '2026-05-02' }, { value: '300 km, 2026-04-01', unit: null }, { value: '2026-05-02', unit: null }],
  ['a distance alone', { kind: 'recheck', ...job, km: 300, day: null }, { kind: 'recheck', ...job, km: 500, day: null }, { value: 300, unit: 'km' }, { value: 500, unit: 'km' }],
  ['how it was settled', { kind: 'settled', round: 1, corner: null, slot: 'how', how: 'rolled' }, { kind: 'settled', round: 1, corner: null, slot: 'how', how: 'rolled and bounced' }, { value: 'rolled', unit: null }, { value: 'rolled and bounced', unit: null }],
])('%s is told in its own unit by both writers', (_, yours, theirs, mine, other) => {
  const [clash] = clashesOf(taken(yours, theirs));
  expect({ yours: clash?.yours, theirs: clash?.theirs }).toEqual({ yours: mine, theirs: other });
}); // oxfmt-ignore

test('nothing clashes in what was refused for another reason', () => {
  expect(clashesOf({ ...taken({ kind: 'height', ...place, mm: 1 }, { kind: 'height', ...place, mm: 2 }), refused: null })).toEqual([]); // oxfmt-ignore
});

describe('who wrote theirs', () => {
  const change = (by: string | undefined, path: string[]): Entry => ({
    ...entry({ kind: 'height', ...place, mm: 1 }),
    type: 'change',
    ops: [{ path, from: 1, to: 2 }],
    ...(by && { by }),
  }) as Entry; // oxfmt-ignore
  const refusedBy = (entries: Entry[], path: string[]): Unsent => ({
    ...taken({ kind: 'height', ...place, mm: 1 }, { kind: 'height', ...place, mm: 2 }),
    refused: {
      conflict: {
        record: { entries },
        refusal: { reason: 'conflict', conflicts: [{ path, yours: 3, theirs: 2 }] },
      },
    } as never,
  });

  test('is told of a reading', () => {
    const theirs = { ...entry({ kind: 'height', ...place, mm: 2 }), by: 'Ada' };
    const item = taken({ kind: 'height', ...place, mm: 1 }, { kind: 'height', ...place, mm: 2 });
    item.refused = {
      conflict: { record: { entries: [] }, refusal: { reason: 'taken', standing: theirs } },
    } as never;
    expect(clashesOf(item)[0]?.by).toBe('Ada');
  });

  test('is told of the description by the last who changed that place', () => {
    const entries = [change('Ada', ['note']), change('Bo', ['note']), change('Cy', ['name'])];
    expect(clashesOf(refusedBy(entries, ['note']))[0]?.by).toBe('Bo');
    expect(clashesOf(refusedBy(entries, ['load']))[0]?.by).toBe(null);
    expect(clashesOf(refusedBy([change(undefined, ['note'])], ['note']))[0]?.by).toBe(null);
  });
});
