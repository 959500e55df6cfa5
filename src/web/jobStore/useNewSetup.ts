import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { applyEntry } from '#core/document/applyEntry.ts';
import { blankDocument } from '#core/document/create.ts';
import { migrateJob } from '#core/document/migrate.ts';
import type { Entry, JobDocument, JobRecord } from '#core/document/types.ts';
import { cornersIn, cornersOf } from '#core/kinds/classes/index.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import { enqueue } from '../api/queue.ts';
import { keptStorage } from '../api/keeping.ts';
import { useDrafts } from './drafts.ts';
import { pathKey, withDrafts } from './draftKeys.ts';
import { newStamp } from './stamp.ts';

interface Kept {
  record: JobRecord;
  /** Corners typed for a class that has since been changed for another. */
  laidBy: Partial<JobDocument['corners']>;
  /** mm. Within what this shop wants heights, by class. */
  tolerances: Tolerances;
}

type Tolerances = Partial<Record<MachineClass, number>>;

interface NewSetup extends Kept {
  put: (entry: Entry) => void;
  setClass: (machineClass: MachineClass) => void;
  /** Takes what this shop's jobs begin with; what was typed stays. */
  setTolerances: (tolerances: Tolerances) => void;
  /** Makes a job of it and starts afresh; gives the job's id. */
  start: () => string;
}

const blank = (id: string, machineClass: MachineClass): JobRecord => ({
  id,
  version: 1,
  document: blankDocument(machineClass, ''),
  entries: [],
});

/** The setup with the shop's tolerance, unless it has one of its own: one that is not what the shop had for the class before. */
function within(record: JobRecord, tolerances: Tolerances, before: number | null = null): JobRecord {
  const { document } = record;
  if (document.toleranceMm !== null && document.toleranceMm !== before) return record;
  const toleranceMm = tolerances[document.machine.class] ?? null;
  return { ...record, document: { ...document, toleranceMm } };
}

/** Whether something seen belongs to the class that the setup ended up with. */
function isOfClass(entry: Entry, { document }: JobRecord): boolean {
  if (entry.type !== 'fact') return entry.type !== 'change';
  const { corner } = entry.fact;
  return corner === null || cornersIn(document).includes(corner);
}

/** A setup that is not a job yet, under an id that names its drafts. It lives in this browser until it is started. */
const setupKept = (setupId: string, name: string, first: MachineClass) =>
  create<NewSetup>()(
    persist(
      (set, get) => ({
        record: blank(setupId, first),
        laidBy: {},
        tolerances: {},
        put: (entry) =>
          set(({ record }) => {
            const result = applyEntry(record, entry);
            return result.ok ? { record: result.record } : {};
          }),
        setClass: (machineClass) => set((kept) => reclassed(kept, machineClass)),
        setTolerances: (tolerances) =>
          set(({ record, tolerances: before }) => ({
            tolerances,
            record: within(record, tolerances, before[record.document.machine.class]),
          })),
        start: () => {
          const { drafts, clearDraft } = useDrafts.getState();
          // What is typed and not yet committed, perhaps before a reload, goes along.
          const record = withDrafts(get().record, drafts, newStamp);
          const name =
            (drafts[pathKey(setupId, ['name'])]?.text ?? record.document.name).trim() || 'Unnamed job';
          Object.keys(drafts)
            .filter((key) => key.startsWith(`${setupId}|`))
            .forEach(clearDraft);
          const { id } = newStamp();
          // The description starts as it ended up; only what was measured is history.
          const facts = record.entries.filter((entry) => isOfClass(entry, record));
          enqueue(id, { kind: 'job', job: { id, document: { ...record.document, name }, entries: facts } });
          const next = blank(setupId, record.document.machine.class);
          set({ record: within(next, get().tolerances), laidBy: {} });
          return id;
        },
      }),
      {
        name,
        storage: keptStorage(),
        partialize: ({ record, laidBy, tolerances }) => ({ record, laidBy, tolerances }),
        // What an older page left in this browser is brought up to date, not lost.
        merge: (kept, fresh) => {
          const { record, laidBy = {}, tolerances = {} } = (kept ?? {}) as Partial<Kept>;
          return record
            ? {
                ...fresh,
                laidBy,
                tolerances,
                record: { ...(migrateJob(record) as JobRecord), id: setupId },
              }
            : fresh;
        },
      },
    ),
  );

/** The first sheet, and the sag bench without a job: each is a setup of its own. */
export const useNewSetup = setupKept('new', 'margin-new-setup', 'car');
export const useSagSetup = setupKept('sag', 'margin-sag-setup', 'motorcycle');
export type SetupStore = typeof useNewSetup;

/**
 * Another class brings its own reference kinds. Corners that both have keep all that was typed; those that only the old
 * one has are laid by, and come back with it.
 */
function reclassed({ record, laidBy, tolerances }: Kept, machineClass: MachineClass): Kept {
  const fresh = blankDocument(machineClass, '');
  const { document } = record;
  const known = { ...laidBy, ...document.corners };
  const corners = Object.fromEntries(
    cornersOf(machineClass).map((id) => {
      const { reference } = fresh.corners[id];
      const corner = known[id] ?? fresh.corners[id];
      return [id, { ...corner, reference: { ...corner.reference, kind: reference.kind } }];
    }),
  ) as JobDocument['corners'];
  const changed = {
    ...record,
    document: { ...document, machine: { ...document.machine, class: machineClass }, corners },
  };
  return {
    record: within(changed, tolerances, tolerances[document.machine.class]),
    laidBy: known,
    tolerances,
  };
}
