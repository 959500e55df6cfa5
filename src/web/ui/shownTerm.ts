import { create } from 'zustand';
import type { Entry } from '#words/glossary.ts';

interface Shown {
  entry: Entry | null;
  show: (entry: Entry | null) => void;
}

/** The word of the trade whose meaning is shown over the page. */
export const useShownTerm = create<Shown>()((set) => ({ entry: null, show: (entry) => set({ entry }) }));
