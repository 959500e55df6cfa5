import { lengthText } from '#core/units/formatLength.ts';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../api/keeping.ts';
import type { Say, Tell } from '#words/figures.ts';
import type { Denominator, LengthStyle } from '#core/units/formatLength.ts';
import { measureIn, type MeasureName, type MeasureUnits, type UnitsOf } from '#core/units/measure.ts';
import type { LengthSystem } from '#core/units/parseLength.ts';

type Theme = 'day' | 'night';

interface Settings {
  system: LengthSystem;
  /** Quantities that are wanted in other units than the rest. */
  own: { [N in MeasureName]?: UnitsOf<N> | undefined };
  denominator: Denominator;
  theme: Theme;
  setSystem: (system: LengthSystem) => void;
  setOwn: (name: MeasureName, units: MeasureUnits | null) => void;
  setDenominator: (denominator: Denominator) => void;
  toggleTheme: () => void;
}

/** What this reader prefers, kept in this browser. */
export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      system: 'mm',
      own: {},
      denominator: 16,
      theme: 'day',
      setSystem: (system) => set({ system }),
      setOwn: (name, units) => set(({ own }) => ({ own: { ...own, [name]: units ?? undefined } })),
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

/** What a quantity is shown and read in for this reader. */
export function useUnitsOf<N extends MeasureName>(name: N): UnitsOf<N> {
  return useSettings(({ system, own }) => own[name] ?? system) as UnitsOf<N>;
}

/** Writes mm in the reader's units, with so many decimals. */
export function useSay(decimals: number): Say {
  const style = useLengthStyle(decimals);
  const tell = useTell();
  return Object.assign((mm: number) => lengthText(mm, style), { tell });
}

/** Writes weights, rates, pressures and the like in the reader's units. */
export function useTell(): Tell {
  const system = useSettings((state) => state.system);
  const own = useSettings((state) => state.own);
  return (name, value) => measureIn(name, value, own[name] ?? system);
}
