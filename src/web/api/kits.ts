import { useMutation, useQuery } from '@tanstack/react-query';
import type { Kits, PutKit } from '#contract/api.ts';
import type { Kit } from '#core/kits/kit.ts';
import { callApi, removeAt } from './client.ts';
import { queryClient } from './jobs.ts';
import { leftBehind } from './leftBehind.ts';
import { dropReads, readIfNever } from './readAnew.ts';

const KEY = ['kits'];

/** Every kit by name, with what the shop's jobs with them came to. */
export function useKits() {
  return useQuery({ queryKey: KEY, queryFn: () => callApi<Kits>('/kits'), staleTime: 10_000 });
}

const change = (make: (kits: Kit[]) => Kit[]) =>
  queryClient.setQueryData<Kits>(KEY, (all) => all && { ...all, kits: make(all.kits) });

const withKit = (kits: Kit[], kit: Kit) =>
  [...kits.filter(({ id }) => id !== kit.id), kit].sort((a, b) => a.kit.name.localeCompare(b.kit.name));

/** Changes of kits that are not known to have arrived. */
export const kitsLeft = leftBehind<Kit | PutKit>('kits');

/** Shows a kit in the list, whether the server has it or not. */
export function showKit(kit: PutKit): void {
  change((kits) => withKit(kits, { ...kit, version: kit.version ?? 0 }));
}

/** Keeps a kit, shown at once; where the server is not reached it stays shown, and can be sent again. */
export function usePutKit() {
  return useMutation({
    mutationFn: (kit: PutKit) => callApi<Kit>('/kits', kit),
    onMutate: async (kit) => {
      await dropReads(KEY);
      showKit(kitsLeft.withLater(kit));
    },
    onSuccess: (kept) => showKit(kitsLeft.withLater(kept)),
    onSettled: () => readIfNever(KEY),
  });
}

/** Removes a kit. */
export function useRemoveKit() {
  return useMutation({
    mutationFn: ({ id }: Kit) => removeAt(`/kits/${id}`),
    onMutate: () => dropReads(KEY),
    onSuccess: (_, { id }) => change((kits) => kits.filter((one) => one.id !== id)),
    onSettled: () => readIfNever(KEY),
  });
}

/** Asks the server for the kits as they are. */
export function refetchKits(): void {
  void queryClient.invalidateQueries({ queryKey: KEY });
}
