import { proxy } from 'comlink';
import type { JobRecord } from '#core/document/types.ts';
import type { Sampled } from '#core/planning/sampled.ts';
import type { SamplingApi } from '../../workers/sampling.worker.ts';
import { startedOnce } from '../../workers/startedOnce.ts';
import { useWorked, type Work } from '../../workers/useWorked.ts';

const SAMPLES = 2000;

const sampler = startedOnce<SamplingApi>(
  () => new Worker(new URL('../../workers/sampling.worker.ts', import.meta.url), { type: 'module' }),
);

const sampling: Work<JobRecord, number, Sampled> = {
  restMs: 1000,
  run: (record, tell) => sampler.get().sample(record, SAMPLES, proxy(tell)),
  cancel: () => void sampler.ifStarted()?.cancel(),
};

export interface Sampling {
  result: Sampled | null;
  /** Machines done, while it runs. */
  done: number | null;
  failed: string | null;
}

/** The plan tried on machines drawn from all that the readings allow, worked out beside the page. */
export function useSampledPlan(record: JobRecord): Sampling {
  const { value, stale, told, failed } = useWorked(record, sampling);
  return { result: stale ? null : (value ?? null), done: told, failed };
}
