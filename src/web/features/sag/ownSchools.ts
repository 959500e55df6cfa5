import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../../api/keeping.ts';
import type { SagLimits } from '#core/document/types.ts';
import type { SagWindow } from '#core/sag/sagWindows.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';

/** A window that a shop has made its own, for machines of a class. */
interface OwnSchool extends SagWindow {
  /** What the shop calls it. */
  title: string;
  on: readonly MachineClass[];
}

interface OwnSchools {
  schools: OwnSchool[];
  keep: (title: string, of: SagWindow['of'], window: SagLimits, machineClass: MachineClass) => void;
  forget: (id: string) => void;
}

/** Windows that this shop has made its own, by class, beside the usual schools; kept in this browser. */
export const useOwnSchools = create<OwnSchools>()(
  persist(
    (set) => ({
      schools: [],
      keep: (title, of, { fromMm, toMm }, machineClass) =>
        set(({ schools }) => ({
          schools: [
            // The same name again is the same school, changed.
            ...schools.filter(
              (one) => one.title !== title || one.of !== of || !one.on.includes(machineClass),
            ),
            {
              id: `own ${crypto.randomUUID()}`,
              title,
              of,
              at: 'wheel',
              unit: 'mm',
              low: fromMm,
              high: toMm,
              on: [machineClass],
            },
          ],
        })),
      forget: (id) => set(({ schools }) => ({ schools: schools.filter((one) => one.id !== id) })),
    }),
    { name: 'margin-sag-schools', storage: keptStorage() },
  ),
);
