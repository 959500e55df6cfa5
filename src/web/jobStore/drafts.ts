import { create } from 'zustand';
import { keptStorage } from '../api/keeping.ts';
import type { MeasureUnits } from '#core/units/measure.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';
import { persist } from 'zustand/middleware';

/** What is typed in a field and not yet committed, and what it means if it can be read and is allowed. */
export interface Draft {
  text: string;
  value: number | null;
  /** What is kept as typed for it: with the unit it is taken in. */
  typed?: string;
  /** Units that the field showed while it was typed: of lengths, and of a quantity of another kind. */
  system?: LengthSystem;
  units?: MeasureUnits | undefined;
  /** Of a field for numbers: its name, and why what is typed cannot be taken; null where it can. */
  label?: string;
  refused?: string | null;
}

interface Drafts {
  drafts: Record<string, Draft>;
  setDraft: (key: string, draft: Draft) => void;
  clearDraft: (key: string) => void;
}

/** Kept in this browser, so that half a number survives a reload. */
export const useDrafts = create<Drafts>()(
  persist(
    (set) => ({
      drafts: {},
      setDraft: (key, draft) => set(({ drafts }) => ({ drafts: { ...drafts, [key]: draft } })),
      clearDraft: (key) =>
        set(({ drafts }) => ({
          drafts: Object.fromEntries(Object.entries(drafts).filter(([name]) => name !== key)),
        })),
    }),
    { name: 'margin-drafts', storage: keptStorage() },
  ),
);

/** What is typed in a job's fields and cannot be taken: it stands in the way of going on, since it would be left out. */
export function useRefusedDrafts(jobId: string): Draft[] {
  const drafts = useDrafts((state) => state.drafts);
  return Object.entries(drafts).flatMap(([key, draft]) =>
    key.startsWith(`${jobId}|`) && draft.refused ? [draft] : [],
  );
}
