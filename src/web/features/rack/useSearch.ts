import { proxy } from 'comlink';
import { useState } from 'react';
import type { SearchProblem } from '#core/rack/problem.ts';
import type { SearchProgress, WhyNot } from '#core/rack/search.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import type { SearchApi } from '../../workers/search.worker.ts';
import { startedOnce } from '../../workers/startedOnce.ts';
import { useWorked, type Work } from '../../workers/useWorked.ts';

const searcher = startedOnce<SearchApi>(
  () => new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' }),
);

/** What is looked for, and among what. */
interface Asked {
  problem: SearchProblem;
  rack: readonly RackSpring[];
}

const searching: Work<Asked, SearchProgress, SearchProgress> = {
  restMs: 0,
  run: ({ problem, rack }, tell) => searcher.get().search(problem, rack, proxy(tell)),
  cancel: () => void searcher.ifStarted()?.cancel(),
};

export interface Search {
  progress: SearchProgress | null;
  running: boolean;
  /** Whether it was called off before it was through. */
  stopped: boolean;
  failed: string | null;
  start: (rack: readonly RackSpring[]) => void;
  stop: () => void;
}

/** A search beside the page: what is found comes while it runs, and it can be called off. Another problem starts anew. */
export function useSearch(problem: SearchProblem): Search {
  const [asked, setAsked] = useState<Asked | null>(null);
  const [stoppedAt, setStoppedAt] = useState<{ of: Asked; progress: SearchProgress | null } | null>(null);
  const live = asked?.problem === problem ? asked : null;
  const stopped = live !== null && stoppedAt?.of === live ? stoppedAt : null;
  const { value, stale, told, failed } = useWorked(stopped ? null : live, searching);
  const found = live === null ? null : stopped ? stopped.progress : stale ? told : (value ?? null);
  return {
    progress: found,
    running: live !== null && !stopped && stale && failed === null,
    stopped: stopped !== null,
    failed,
    start: (rack) => setAsked({ problem, rack }),
    stop: () => live && setStoppedAt({ of: live, progress: found }),
  };
}

/** Why a named spring is in no answer. */
export function askWhyNot(problem: SearchProblem, rack: readonly RackSpring[], id: string): Promise<WhyNot> {
  return searcher.get().why(problem, rack, id);
}
