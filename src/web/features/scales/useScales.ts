import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { JobRecord } from '#core/document/types.ts';
import type { ScalesApi } from '../../workers/scales.worker.ts';

/** ms without a keystroke before it is worked out. */
const REST = 150;

let worker: Remote<ScalesApi> | null = null;

function theWorker(): Remote<ScalesApi> {
  worker ??= wrap<ScalesApi>(
    new Worker(new URL('../../workers/scales.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

interface Worked<T> {
  /** The newest result, of this record or of the one before it; undefined while there is none. */
  value: T | undefined;
  /** Whether it is still of the record before. */
  stale: boolean;
}

function useBeside<T>(
  record: JobRecord,
  work: (api: Remote<ScalesApi>, record: JobRecord) => Promise<T>,
): Worked<T> {
  const [state, setState] = useState<{ of: JobRecord; value: T } | null>(null);
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(async () => {
      const value = await work(theWorker(), record);
      if (wanted) setState({ of: record, value });
    }, REST);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [record, work]);
  return { value: state?.value, stale: state?.of !== record };
}

const trade = (api: Remote<ScalesApi>, record: JobRecord) => api.trade(record);
const hooked = (api: Remote<ScalesApi>, record: JobRecord) => api.hooked(record);

/** Scales against heights, worked out beside the page. */
export const useTrade = (record: JobRecord) => useBeside(record, trade);

/** Bars left hooked, told from the readings beside the page. */
export const useHookedBars = (record: JobRecord) => useBeside(record, hooked);
