import { wrap, type Remote } from 'comlink';

/** A worker that is started when it is first needed, and kept. */
export function startedOnce<Api>(start: () => Worker): {
  get: () => Remote<Api>;
  ifStarted: () => Remote<Api> | null;
} {
  let worker: Remote<Api> | null = null;
  return {
    get: () => (worker ??= wrap<Api>(start())),
    ifStarted: () => worker,
  };
}
