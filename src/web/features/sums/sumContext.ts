import { create } from 'zustand';
import type { Sum } from '#core/sums/types.ts';

interface SumState {
  sum: Sum | null;
  /** The figure it was opened from, to give the focus back to. */
  opener: HTMLElement | null;
  show: (sum: Sum, opener: HTMLElement) => void;
  close: () => void;
}

/** The sum that is open in the margin. One at a time. */
export const useSum = create<SumState>()((set, get) => ({
  sum: null,
  opener: null,
  show: (sum, opener) => set({ sum, opener }),
  close: () => {
    get().opener?.focus();
    set({ sum: null, opener: null });
  },
}));
