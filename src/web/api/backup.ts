import { useQuery } from '@tanstack/react-query';
import type { Backups } from '#contract/backup.ts';
import { callApi } from './client.ts';

/** How it stands with backups. */
export function useBackups() {
  return useQuery({ queryKey: ['backup'], queryFn: () => callApi<Backups>('/backup'), staleTime: 0 });
}
