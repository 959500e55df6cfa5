import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Json } from '#core/document/types.ts';
import { keptStorage } from '../api/keeping.ts';

/** A row that somebody added and has not filled yet: it counts for nothing until it is. */
export interface NewRow {
  id: string;
  fields: Record<string, Json>;
}

interface NewRows {
  rows: Record<string, NewRow[]>;
  put: (list: string, rows: NewRow[]) => void;
}

/** Kept in this browser, so that a row begun survives a reload. */
const useStore = create<NewRows>()(
  persist(
    (set) => ({ rows: {}, put: (list, to) => set(({ rows }) => ({ rows: { ...rows, [list]: to } })) }),
    {
      name: 'margin-new-rows',
      storage: keptStorage(),
    },
  ),
);

const none: NewRow[] = [];

/** The rows begun in one list of one job, as they stand. */
export function useBegunRows(list: string): NewRow[] {
  return useStore((state) => state.rows[list] ?? none);
}

/** The rows begun in one list of one job. `done` takes a row once every one of its `required` fields has something in it. */
export function useNewRows(
  list: string,
  required: readonly string[],
  done: (fields: Record<string, Json>) => void,
) {
  const rows = useBegunRows(list);
  const { put } = useStore.getState();
  const remove = (id: string) => put(list, rows.filter((row) => row.id !== id)); // oxfmt-ignore
  return {
    rows,
    add: (fields: Record<string, Json>) =>
      put(list, [...(useStore.getState().rows[list] ?? none), { id: crypto.randomUUID(), fields }]),
    remove,
    clear: () => put(list, []),
    set: (id: string, key: string, value: Json) => {
      const row = rows.find((one) => one.id === id);
      if (!row) return;
      const fields = { ...row.fields, [key]: value };
      if (required.every((one) => isFilled(fields[one]))) {
        remove(id);
        done(fields);
      } else put(list, rows.map((one) => (one.id === id ? { id, fields } : one))); // oxfmt-ignore
    },
    /** What a row still needs. */
    missing: ({ fields }: NewRow) => required.filter((one) => !isFilled(fields[one])),
  };
}

function isFilled(value: Json | undefined): boolean {
  return value !== null && value !== undefined && value !== '';
}
