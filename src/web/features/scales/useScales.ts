import type { JobRecord } from '#core/document/types.ts';
import type { ScalesApi } from '../../workers/scales.worker.ts';
import { startedOnce } from '../../workers/startedOnce.ts';
import { useWorked } from '../../workers/useWorked.ts';

const scales = startedOnce<ScalesApi>(
  () => new Worker(new URL('../../workers/scales.worker.ts', import.meta.url), { type: 'module' }),
);

const REST_MS = 150;
const trade = {
  restMs: REST_MS,
  // That nothing is asked of the scales is an answer too.
  run: async (record: JobRecord) => ({ traded: await scales.get().trade(record) }),
};
const hooked = { restMs: REST_MS, run: (record: JobRecord) => scales.get().hooked(record) };

/** Scales against heights, worked out beside the page. */
export const useTrade = (record: JobRecord) => useWorked(record, trade);

/** Bars left hooked, told from the readings beside the page. */
export const useHookedBars = (record: JobRecord) => useWorked(record, hooked);
