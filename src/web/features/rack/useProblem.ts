import { compressToEncodedURIComponent, decompressFromEncodedURIComponent } from 'lz-string';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../../api/keeping.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { problemFrom } from '#core/rack/fromJob.ts';
import { plainProblem, readProblem, type SearchProblem } from '#core/rack/problem.ts';
import type { JobRecord } from '#core/document/types.ts';
import { analyse } from '#core/analysis/analyse.ts';
import { useMirrored } from '../links/useMirrored.ts';

interface Kept {
  problem: SearchProblem;
  put: (problem: SearchProblem) => void;
}

/** What is looked for, kept in this browser. */
const useKept = create<Kept>()(
  persist((set) => ({ problem: plainProblem, put: (problem) => set({ problem }) }), {
    name: 'margin-search',
    storage: keptStorage(),
  }),
);

/** A problem as text that fits into a link. */
function problemLink(problem: SearchProblem): string {
  return compressToEncodedURIComponent(JSON.stringify(problem));
}

function fromLink(text: string | null): SearchProblem | null {
  try {
    return text ? readProblem(JSON.parse(decompressFromEncodedURIComponent(text))) : null;
  } catch {
    return null;
  }
}

/**
 * The problem on the page: out of the address, else a job's corner once it is read, else the one last worked on. The
 * address follows what is typed.
 */
export function useProblem(record: JobRecord | null, corner: CornerId | null) {
  const [params] = useSearchParams();
  const [link] = useState(() => params.get('p'));
  const [linked] = useState(() => fromLink(link));
  const kept = useKept();
  const [own, setOwn] = useState<SearchProblem | null>(linked ?? (corner ? null : kept.problem));
  const asked = useMemo(() => {
    const answer = record && corner ? analyse(record).answer : null;
    return answer && corner ? problemFrom(answer, corner) : null;
  }, [record, corner]);
  const problem = own ?? asked ?? kept.problem;
  const text = useMemo(() => (own ? problemLink(own) : ''), [own]);
  useMirrored({ p: text });
  const { put } = kept;
  const change = (next: SearchProblem) => {
    put(next);
    setOwn(next);
  };
  return {
    problem,
    change,
    fromJob: asked !== null || linked !== null,
    broken: link !== null && linked === null,
  };
}
