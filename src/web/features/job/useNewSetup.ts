import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { applyEntry } from '#core/job/applyEntry.ts';
import { blankDocument } from '#core/job/create.ts';
import { migrateDocument } from '#core/job/migrate.ts';
import type { Entry, JobRecord } from '#core/job/types.ts';
import type { MachineClass } from '#core/machine/classes.ts';
import { enqueue } from '../../api/queue.ts';
import { useDrafts } from '../numbers/drafts.ts';
import { pathKey, withDrafts } from './draftKeys.ts';
import { newStamp } from './stamp.ts';

export const NEW_ID = 'new';

interface NewSetup {
  record: JobRecord;
  put: (entry: Entry) => void;
  setClass: (machineClass: MachineClass) => void;
  /** Makes a job of it and starts afresh; gives the job's id. */
  start: () => string;
}

const blank = (machineClass: MachineClass): JobRecord => ({
  id: NEW_ID,
  version: 1,
  document: blankDocument(machineClass, ''),
  entries: [],
});

/** A setup that is not a job yet. It lives in this browser until it is started. */
export const useNewSetup = create<NewSetup>()(
  persist(
    (set, get) => ({
      record: blank('car'),
      put: (entry) =>
        set(({ record }) => {
          const result = applyEntry(record, entry);
          return result.ok ? { record: result.record } : {};
        }),
      setClass: (machineClass) => set(({ record }) => ({ record: reclassed(record, machineClass) })),
      start: () => {
        const { drafts, clearDraft } = useDrafts.getState();
        // What is typed and not yet committed, perhaps before a reload, goes along.
        const record = withDrafts(get().record, drafts, newStamp);
        const name =
          (drafts[pathKey(NEW_ID, ['name'])]?.text ?? record.document.name).trim() || 'Unnamed job';
        Object.keys(drafts)
          .filter((key) => key.startsWith(`${NEW_ID}|`))
          .forEach(clearDraft);
        const { id } = newStamp();
        // The description starts as it ended up; only what was measured is history.
        const facts = record.entries.filter(({ type }) => type !== 'change');
        enqueue(id, { kind: 'job', job: { id, document: { ...record.document, name }, entries: facts } });
        set({ record: blank(record.document.machine.class) });
        return id;
      },
    }),
    {
      name: 'margin-new-setup',
      partialize: ({ record }) => ({ record }),
      // What an older page left in this browser is brought up to date, not lost.
      merge: (kept, fresh) => {
        const { record } = (kept ?? {}) as Partial<Pick<NewSetup, 'record'>>;
        return record
          ? { ...fresh, record: { ...record, document: migrateDocument(record.document) } }
          : fresh;
      },
    },
  ),
);

/** Another class brings its own reference kind; everything typed stays. */
function reclassed(record: JobRecord, machineClass: MachineClass): JobRecord {
  const fresh = blankDocument(machineClass, '');
  const { document } = record;
  const corners = Object.fromEntries(
    Object.entries(document.corners).map(([id, corner]) => [
      id,
      { ...corner, reference: { ...corner.reference, kind: fresh.corners.LF.reference.kind } },
    ]),
  ) as typeof document.corners;
  return {
    ...record,
    document: { ...document, machine: { ...document.machine, class: machineClass }, corners },
  };
}
