import {
  add,
  changeEntry,
  measured,
  nextId,
  plainDocument,
  withdrawEntry,
} from '../../../tests/fixtures/records.ts';
import { applyEntry } from './applyEntry.ts';
import { jobFileName, jobFileOf, jobFromFile, type JobFile } from './file.ts';
import type { JobRecord } from './types.ts';

/** The job a server makes of a file: its description, then every entry. */
function opened({ id, document, entries }: JobFile): JobRecord {
  return entries.reduce<JobRecord>(
    (record, entry) => {
      const result = applyEntry(record, entry);
      if (!result.ok) throw new Error(`refused: ${JSON.stringify(result.refusal)}`);
      return result.record;
    },
    { id, version: 1, document, entries: [] },
  );
}

const job = () => {
  const start = measured(375);
  const [first] = start.entries;
  return add(
    start,
    changeEntry(['name', 'Sandpiper', 'Sandpiper II']),
    changeEntry(['corners.LF.targetMm', 365, 360], ['note', '', 'low']),
    changeEntry(['corners.LF.targetMm', 360, 362]),
    withdrawEntry(first?.id ?? ''),
  );
};

test('a job written to a file and opened again is the same job under ids of its own', () => {
  const before = job();
  const file = JSON.parse(JSON.stringify(jobFileOf(before))) as unknown;
  const after = opened(jobFromFile(file, nextId));
  expect(after.document).toEqual(before.document);
  expect(after.entries.map(({ type, label }) => [type, label])).toEqual(
    before.entries.map(({ type, label }) => [type, label]),
  );
  const ids = (record: JobRecord) => record.entries.map(({ id }) => id);
  expect(ids(after).filter((id) => ids(before).includes(id))).toEqual([]);
  const of = (record: JobRecord) => record.entries.findLast(({ type }) => type === 'withdraw');
  expect(of(after)).toMatchObject({ of: ids(after)[0] });
});

test('what others added to a file goes along', () => {
  const file = jobFileOf(measured(375, { ...plainDocument(), ownNote: 'kept' } as never));
  expect(opened(jobFromFile(file, nextId)).document).toMatchObject({ ownNote: 'kept' });
});

test('a file whose description was edited keeps the edit, and everything seen', () => {
  const file = jobFileOf(job());
  const edited = { ...file, document: { ...file.document, note: 'by hand' } };
  const after = opened(jobFromFile(edited, nextId));
  expect(after.document.note).toBe('by hand');
  expect(after.entries.some(({ type }) => type === 'change')).toBe(false);
  expect(after.entries.filter(({ type }) => type === 'fact')).toHaveLength(
    file.entries.filter(({ type }) => type === 'fact').length,
  );
});

test.each([[null], [7], ['text'], [{}], [{ document: 3, entries: [] }], [{ entries: 'none' }]])(
  'what is no job file is left for the server to refuse: %j',
  (file) => {
    expect(jobFromFile(file, nextId)).toEqual(file);
  },
);

test('a file is named after its job', () => {
  const named = (name: string) => jobFileName({ ...measured(375), document: { ...plainDocument(), name } });
  expect(named('Saltmarsh Lady')).toBe('saltmarsh-lady.margin.json');
  expect(named('  ../Été / 2  ')).toBe('E-te-2.margin.json'.toLowerCase());
  expect(named('☂')).toBe('job.margin.json');
});
