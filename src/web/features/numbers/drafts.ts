import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What is typed in a field and not yet committed, and what it means if it can be read and is allowed. */
export interface Draft {
  text: string;
  value: number | null;
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
    { name: 'margin-drafts' },
  ),
);
