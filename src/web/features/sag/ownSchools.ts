import { useEffect } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { ShopSagWindow } from '#contract/door.ts';
import type { SagLimits } from '#core/document/types.ts';
import type { SagWindow } from '#core/sag/sagWindows.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import { keptStorage } from '../../api/keeping.ts';
import { changeSettings, useShopSettings } from '../../api/shop.ts';

/** Windows from when each browser kept its own: they go to the shop's as soon as it can be reached. */
const useEarlier = create<{ schools: ShopSagWindow[] }>()(
  persist(() => ({ schools: [] as ShopSagWindow[] }), { name: 'margin-sag-schools', storage: keptStorage() }),
);

/** Several parts of a page ask for them at once: one of them sees to it, or they would be put back once forgotten. */
let moving = false;

/** Windows that this shop has made its own, by class, beside the usual schools. */
export function useOwnSchools(): ShopSagWindow[] {
  const { data } = useShopSettings();
  const earlier = useEarlier((state) => state.schools);
  const known = data !== undefined;
  useEffect(() => {
    if (!known || earlier.length === 0 || moving) return;
    moving = true;
    const there = (now: ShopSagWindow[]) => new Set(now.map(({ id }) => id));
    changeSettings(({ sagWindows }) => ({
      sagWindows: [...sagWindows, ...earlier.filter(({ id }) => !there(sagWindows).has(id))],
    }))
      .then(
        () => useEarlier.setState({ schools: [] }),
        // They stay here until it works.
        () => undefined,
      )
      .finally(() => (moving = false));
  }, [known, earlier]);
  const shop = data?.sagWindows ?? [];
  return [...shop, ...earlier.filter(({ id }) => !shop.some((one) => one.id === id))];
}

/** Keeps a window for machines of a class; the same name again is the same one, changed. Throws as `callApi` does. */
export function keepSchool(
  title: string,
  of: SagWindow['of'],
  { fromMm, toMm }: SagLimits,
  machineClass: MachineClass,
): Promise<void> {
  const school: ShopSagWindow = {
    id: `own ${crypto.randomUUID()}`,
    title,
    of,
    at: 'wheel',
    unit: 'mm',
    low: fromMm,
    high: toMm,
    on: [machineClass],
  };
  const isSame = (one: ShopSagWindow) =>
    one.title === title && one.of === of && one.on.includes(machineClass);
  return changeSettings(({ sagWindows }) => ({
    sagWindows: [...sagWindows.filter((one) => !isSame(one)), school],
  }));
}

/** Drops one. Throws as `callApi` does. */
export async function forgetSchool(id: string): Promise<void> {
  await changeSettings(({ sagWindows }) => ({ sagWindows: sagWindows.filter((one) => one.id !== id) }));
}
