import { expose } from 'comlink';
import type { SearchProblem } from '#core/rack/problem.ts';
import { searchRack, whyNot, type SearchProgress, type WhyNot } from '#core/rack/search.ts';
import type { RackSpring } from '#core/rack/spring.ts';

let latest = 0;

const pause = () => new Promise((done) => setTimeout(done));

/** Searches the rack, telling what is found as it goes; gives null when it was called off or asked anew in the meantime. */
async function search(
  problem: SearchProblem,
  rack: readonly RackSpring[],
  onProgress: (progress: SearchProgress) => void,
): Promise<SearchProgress | null> {
  const mine = ++latest;
  const run = searchRack(problem, rack);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    onProgress(step.value);
    // Room for a message that calls it off.
    await pause();
    if (mine !== latest) return null;
  }
}

function why(problem: SearchProblem, rack: readonly RackSpring[], id: string): WhyNot {
  return whyNot(problem, rack, id);
}

function cancel(): void {
  latest++;
}

const api = { search, why, cancel };
export type SearchApi = typeof api;

expose(api);
