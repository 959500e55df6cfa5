import { useMutation, useQuery } from '@tanstack/react-query';
import type { ImportRack, PutSpring, Rack } from '#contract/api.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import { callApi, removeAt } from './client.ts';
import { queryClient } from './jobs.ts';
import { leftBehind } from './leftBehind.ts';
import { dropReads, readIfNever } from './readAnew.ts';

const KEY = ['rack'];

/** Every spring of the rack, by name. */
export function useRack() {
  return useQuery({
    queryKey: KEY,
    queryFn: async () => (await callApi<Rack>('/rack')).springs,
    staleTime: 10_000,
  });
}

const change = (make: (springs: RackSpring[]) => RackSpring[]) =>
  queryClient.setQueryData<RackSpring[]>(KEY, (springs) => springs && make(springs));

const withSpring = (springs: RackSpring[], spring: RackSpring) =>
  [...springs.filter(({ id }) => id !== spring.id), spring].sort((a, b) => a.name.localeCompare(b.name));

/** Changes of springs that are not known to have arrived. */
export const rackLeft = leftBehind<RackSpring | PutSpring>('rack');

/** Shows a spring in the list, whether the server has it or not. */
export function showSpring(spring: PutSpring): void {
  change((springs) => withSpring(springs, { ...spring, version: spring.version ?? 0 }));
}

/** Keeps a spring, shown at once; where the server is not reached it stays shown, and can be sent again. */
export function usePutSpring() {
  return useMutation({
    mutationFn: (spring: PutSpring) => callApi<RackSpring>('/rack', spring),
    onMutate: async (spring) => {
      await dropReads(KEY);
      showSpring(rackLeft.withLater(spring));
    },
    onSuccess: (kept) => showSpring(rackLeft.withLater(kept)),
    onSettled: () => readIfNever(KEY),
  });
}

/** Removes a spring. */
export function useRemoveSpring() {
  return useMutation({
    mutationFn: ({ id }: RackSpring) => removeAt(`/rack/${id}`),
    onMutate: () => dropReads(KEY),
    onSuccess: (_, { id }) => change((springs) => springs.filter((one) => one.id !== id)),
    onSettled: () => readIfNever(KEY),
  });
}

/** Takes springs in, all or none. */
export function useImportRack() {
  return useMutation({
    mutationFn: (body: ImportRack) => callApi<Rack>('/rack/import', body),
    onSuccess: ({ springs }) => change(() => springs),
  });
}

/** Asks the server for the rack as it is. */
export function refetchRack(): void {
  void queryClient.invalidateQueries({ queryKey: KEY });
}
