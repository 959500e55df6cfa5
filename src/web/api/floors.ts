import { useQuery } from '@tanstack/react-query';
import type { Floors } from '#contract/api.ts';
import { callApi } from './client.ts';

/** Places on the shop's floor that earlier jobs stood on, by name. */
export function useFloors() {
  return useQuery({
    queryKey: ['floors'],
    queryFn: async () => (await callApi<Floors>('/floors')).places,
    staleTime: 10_000,
  });
}
