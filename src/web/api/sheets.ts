import { useMutation, useQuery } from '@tanstack/react-query';
import type { GiveSheet, GivenSheets, SheetLink } from '#contract/api.ts';
import { callApi, removeAt } from './client.ts';
import { queryClient } from './jobs.ts';

const SHEETS = ['sheets'];

const readAnew = () => queryClient.invalidateQueries({ queryKey: SHEETS });

/** Sheets that were given out as links, of a job or, with null, of all. */
export function useGivenSheets(job: string | null) {
  return useQuery({
    queryKey: [...SHEETS, job],
    queryFn: () => callApi<GivenSheets>(job === null ? '/sheets' : `/sheets?job=${job}`),
  });
}

export function useGiveSheet() {
  return useMutation({
    mutationFn: (sheet: GiveSheet) => callApi<SheetLink>('/sheets', sheet),
    onSuccess: readAnew,
  });
}

export function useTakeBack() {
  return useMutation({ mutationFn: (id: string) => removeAt(`/sheets/${id}`), onSettled: readAnew });
}
