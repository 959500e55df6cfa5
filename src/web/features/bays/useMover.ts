import { useState } from 'react';
import type { Away } from '#contract/api.ts';
import { ApiProblem } from '../../api/client.ts';
import { putAway } from '../../api/jobs.ts';

interface Moved {
  id: string;
  name: string;
  from: Away | null;
  to: Away | null;
}

/** Moves jobs out of the list and back, and remembers the last one so that it can be undone. */
export interface Mover {
  moved: Moved | null;
  /** Why the last attempt came to nothing; null where it did not. */
  failed: string | null;
  move: (job: { id: string; name: string }, from: Away | null, to: Away | null) => void;
  undo: () => void;
  /** Does something with the server, and says so where that fails. */
  attempt: (what: () => Promise<void>) => void;
}

/** See `Mover`. */
export function useMover(): Mover {
  const [moved, setMoved] = useState<Moved | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const attempt = (what: () => Promise<void>) => {
    setFailed(null);
    what().catch((error: unknown) =>
      setFailed(
        error instanceof ApiProblem
          ? error.problem.title
          : 'No connection to the server. Nothing was changed.',
      ),
    );
  };
  return {
    moved,
    failed,
    attempt,
    move: ({ id, name }, from, to) =>
      attempt(async () => {
        await putAway(id, to);
        setMoved({ id, name, from, to });
      }),
    undo: () =>
      attempt(async () => {
        if (moved) await putAway(moved.id, moved.from);
        setMoved(null);
      }),
  };
}
