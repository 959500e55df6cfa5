import { useMutation, useQuery } from '@tanstack/react-query';
import type { Kits, PutKit } from '#contract/api.ts';
import type { Kit } from '#core/kits/kit.ts';
import { callApi, removeAt } from './client.ts';
import { queryClient } from './jobs.ts';
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

/** Keeps a kit, shown at once; where the server is not reached it stays shown, and can be sent again. */
export function usePutKit() {
  return useMutation({
    mutationFn: (kit: PutKit) => callApi<Kit>('/kits', kit),
    onMutate: async (kit) => {
      await dropReads(KEY);
      change((kits) => withKit(kits, { ...kit, version: kit.version ?? 0 }));
    },
    onSuccess: (kept) => change((kits) => withKit(kits, kept)),
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
