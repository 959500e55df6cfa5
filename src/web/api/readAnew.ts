import type { QueryKey } from '@tanstack/react-query';
import { queryClient } from './jobs.ts';

/**
 * Once something is kept: a list that is on its way may have left the server before that, and one that never came has nothing
 * to add to. Either is asked for anew; any other stands as it was changed here.
 */
export async function readAnewIfOnItsWay(key: QueryKey): Promise<void> {
  const isOnItsWay = queryClient.isFetching({ queryKey: key }) > 0;
  if (!isOnItsWay && queryClient.getQueryData(key) !== undefined) return;
  // The first of all is not let go by itself: it would be waited for, and come without what was kept.
  await queryClient.cancelQueries({ queryKey: key });
  await queryClient.invalidateQueries({ queryKey: key });
}
