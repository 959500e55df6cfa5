import { expose } from 'comlink';
import type { JobRecord } from '#core/document/types.ts';
import { analyse } from '#core/analysis/analyse.ts';
import { samplePlan, type Sampled } from '#core/planning/sampled.ts';

/** Machines between two looks at the messages: each look costs some milliseconds of its own. */
const ROOM_EVERY = 250;

let latest = 0;

const pause = () => new Promise((done) => setTimeout(done));

/** Samples a job's plan; gives null when it was called off or asked anew in the meantime. */
async function sample(
  record: JobRecord,
  count: number,
  onProgress: (done: number) => void,
): Promise<Sampled | null> {
  const mine = ++latest;
  const { answer } = analyse(record);
  if (!answer) return null;
  const run = samplePlan(answer, count);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    if (step.value % ROOM_EVERY !== 0) continue;
    onProgress(step.value);
    // Room for a message that calls it off.
    await pause();
    if (mine !== latest) return null;
  }
}

function cancel(): void {
  latest++;
}

const api = { sample, cancel };
export type SamplingApi = typeof api;

expose(api);
