import { lengthText } from '#core/units/formatLength.ts';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../api/keeping.ts';
import type { Denominator, LengthStyle } from '#core/units/formatLength.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';

type Theme = 'day' | 'night';

interface Settings {
  system: LengthSystem;
  denominator: Denominator;
  theme: Theme;
  setSystem: (system: LengthSystem) => void;
  setDenominator: (denominator: Denominator) => void;
  toggleTheme: () => void;
}

/** What this reader prefers, kept in this browser. */
export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      system: 'mm',
      denominator: 16,
      theme: 'day',
      setSystem: (system) => set({ system }),
      setDenominator: (denominator) => set({ denominator }),
      toggleTheme: () => set(({ theme }) => ({ theme: theme === 'day' ? 'night' : 'day' })),
    }),
    { name: 'margin-settings', storage: keptStorage() },
  ),
);

/** How lengths are written for this reader. `decimals` counts for mm. */
export function useLengthStyle(decimals = 1): LengthStyle {
  const system = useSettings((state) => state.system);
  const denominator = useSettings((state) => state.denominator);
  return { system, denominator, decimals };
}

/** Writes mm in the reader's units, with so many decimals. */
export function useSay(decimals: number): (mm: number) => string {
  const style = useLengthStyle(decimals);
  return (mm) => lengthText(mm, style);
}
