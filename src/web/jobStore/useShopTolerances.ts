import { useEffect } from 'react';
import { useShopSettings } from '../api/shop.ts';
import type { SetupStore } from './useNewSetup.ts';

/** A setup begins with the tolerance that this shop has for its class. */
export function useShopTolerances(useSetup: SetupStore): void {
  const { data } = useShopSettings();
  const setTolerances = useSetup((state) => state.setTolerances);
  useEffect(() => {
    if (data) setTolerances(data.tolerances);
  }, [data, setTolerances]);
}
