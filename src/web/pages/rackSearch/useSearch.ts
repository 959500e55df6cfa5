import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { SearchProblem } from '#core/rack/problem.ts';
import type { SearchProgress, WhyNot } from '#core/rack/search.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import { untilDone } from '../../workers/untilDone.ts';
import type { SearchApi } from '../../workers/search.worker.ts';

let worker: Remote<SearchApi> | null = null;

function theWorker(): Remote<SearchApi> {
  worker ??= wrap<SearchApi>(
    new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

interface State {
  progress: SearchProgress | null;
  running: boolean;
  /** Whether it was called off before it was through. */
  stopped: boolean;
}

export interface Search extends State {
  start: (rack: readonly RackSpring[]) => void;
  stop: () => void;
}

const idle: State = { progress: null, running: false, stopped: false };

/** A search beside the page: what is found comes while it runs, and it can be called off. Another problem starts anew. */
export function useSearch(problem: SearchProblem): Search {
  const [kept, setKept] = useState<{ of: SearchProblem; state: State }>({ of: problem, state: idle });
  const start = (rack: readonly RackSpring[]) => {
    setKept({ of: problem, state: { ...idle, running: true } });
    const toldSoFar = (progress: SearchProgress) =>
      setKept((before) =>
        before.of === problem && before.state.running
          ? { of: problem, state: { ...before.state, progress } }
          : before,
      );
    void untilDone<SearchProgress, SearchProgress | null>(
      (tell) => theWorker().search(problem, rack, proxy(tell)),
      toldSoFar,
    ).then((progress) => {
      if (progress)
        setKept((before) => (before.of === problem ? { of: problem, state: { ...idle, progress } } : before));
    });
  };
  const stop = () => {
    void worker?.cancel();
    setKept(({ of, state }) => ({ of, state: { ...state, running: false, stopped: true } }));
  };
  useEffect(
    () => () => {
      void worker?.cancel();
    },
    [problem],
  );
  return { ...(kept.of === problem ? kept.state : idle), start, stop };
}

/** Why a named spring is in no answer. */
export function askWhyNot(problem: SearchProblem, rack: readonly RackSpring[], id: string): Promise<WhyNot> {
  return theWorker().why(problem, rack, id);
}
