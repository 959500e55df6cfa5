import { useMutation, useQuery } from '@tanstack/react-query';
import { noSettings, type ShopSettings } from '#contract/door.ts';
import { ApiProblem, callApi, removeAt, sendPicture } from './client.ts';
import { queryClient } from './jobs.ts';

const SETTINGS = ['shop'];

const show = (kept: ShopSettings) => queryClient.setQueryData(SETTINGS, kept);
const readAnew = () => queryClient.invalidateQueries({ queryKey: SETTINGS });

/** What holds for the whole shop. */
export function useShopSettings() {
  return useQuery({
    queryKey: SETTINGS,
    // A tablet out of touch may have kept what an older server said.
    queryFn: async () => ({ ...noSettings, ...(await callApi<Partial<ShopSettings>>('/shop')) }),
  });
}

/** Keeps the shop's settings. Where somebody else changed them, theirs are shown and the change is refused. */
export function useKeepSettings() {
  return useMutation({
    mutationFn: (settings: ShopSettings) => callApi<ShopSettings>('/shop', settings),
    onSuccess: show,
    onError: readAnew,
  });
}

/** How often something is put into settings that others change at the same time. */
const MOST_TRIES = 4;

/** Changes the settings as they are by now, whoever changed them before: for what goes beside all else in them. Throws as `callApi` does. */
export async function changeSettings(change: (now: ShopSettings) => Partial<ShopSettings>): Promise<void> {
  for (let tries = 1; ; tries++) {
    const now = await callApi<ShopSettings>('/shop');
    try {
      show(await callApi<ShopSettings>('/shop', { ...now, ...change(now) }));
      return;
    } catch (error) {
      const meanwhile = error instanceof ApiProblem && error.problem.code === 'settings-changed';
      if (!meanwhile || tries === MOST_TRIES) throw error;
    }
  }
}

/** Sends a picture as the shop's logo, or with null takes it away. */
export function useKeepLogo() {
  return useMutation({
    mutationFn: async (picture: Blob | null) => {
      if (picture) show(await sendPicture<ShopSettings>('/shop/logo', picture));
      else await removeAt('/shop/logo');
    },
    onSettled: readAnew,
  });
}

/** Where the logo is; null where there is none. */
export function logoAddress({ logo }: Pick<ShopSettings, 'logo'>): string | null {
  return logo ? `/api/shop/logo?${logo}` : null;
}
