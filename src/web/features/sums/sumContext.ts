import type { Sum } from '#words/explain/types.ts';
import { create } from 'zustand';

interface SumState {
  sum: Sum | null;
  /** The figure it was opened from: it keeps the sum up to date, and gets the focus back. */
  owner: string | null;
  opener: HTMLElement | null;
  show: (sum: Sum, owner: string, opener: HTMLElement) => void;
  /** Puts the sum in line with values that have changed under it. */
  renew: (sum: Sum | null) => void;
  close: () => void;
}

const closed = { sum: null, owner: null, opener: null };

/** The sum that is open in the margin. One at a time. */
export const useSum = create<SumState>()((set, get) => ({
  ...closed,
  show: (sum, owner, opener) => set({ sum, owner, opener }),
  renew: (sum) => set(sum ? { sum } : closed),
  close: () => {
    get().opener?.focus();
    set(closed);
  },
}));
