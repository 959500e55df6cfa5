import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { JobRecord } from '#core/document/types.ts';
import type { Sampled } from '#core/plan/sampled.ts';
import { untilDone } from '../../workers/untilDone.ts';
import type { SamplingApi } from '../../workers/sampling.worker.ts';

const SAMPLES = 2000;
/** ms without a keystroke before the sampling begins. */
const REST = 400;

let worker: Remote<SamplingApi> | null = null;

function theWorker(): Remote<SamplingApi> {
  worker ??= wrap<SamplingApi>(
    new Worker(new URL('../../workers/sampling.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

export interface Sampling {
  result: Sampled | null;
  /** Machines done, while it runs. */
  done: number | null;
}

/** The plan tried on machines drawn from all that the readings allow, worked out beside the page. */
export function useSampledPlan(record: JobRecord): Sampling {
  const [state, setState] = useState<Sampling & { of: JobRecord }>({ of: record, result: null, done: null });
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(async () => {
      const result = await untilDone<number, Sampled | null>(
        (tell) => theWorker().sample(record, SAMPLES, proxy(tell)),
        (done) => wanted && setState({ of: record, result: null, done }),
      );
      if (wanted && result) setState({ of: record, result, done: null });
    }, REST);
    return () => {
      wanted = false;
      clearTimeout(timer);
      if (worker) void worker.cancel();
    };
  }, [record]);
  return state.of === record ? state : { result: null, done: null };
}
