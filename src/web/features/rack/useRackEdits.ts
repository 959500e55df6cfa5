import { useRef, useState } from 'react';
import type { RackSpring, RackValues } from '#core/rack/spring.ts';
import { ApiProblem } from '../../api/client.ts';
import { refetchRack, usePutSpring, useRemoveSpring } from '../../api/rack.ts';

/** One change of the rack, with what undoes it. */
interface Done {
  label: string;
  undo: () => void;
}

/** What could not be kept, and how to try again. */
interface Failed {
  words: string;
  again: (() => void) | null;
}

/** The figures that a change names, as they were before it. */
function sameOf(part: Partial<RackValues>, was: RackValues): Partial<RackValues> {
  return Object.fromEntries((Object.keys(part) as (keyof RackValues)[]).map((key) => [key, was[key]]));
}

interface Told {
  remember: (label: string, undo: () => void) => void;
  refused: (error: unknown, name: string, again: () => void) => void;
  /** Nothing is refused any more. */
  kept: () => void;
}

/** Changes figures of a spring: one change waits for the one before, and is made to what that left. */
function useEdit(
  put: ReturnType<typeof usePutSpring>['mutateAsync'],
  { remember, refused, kept: whenKept }: Told,
) {
  /** What is on its way of each spring. */
  const latest = useRef(new Map<string, Promise<RackSpring>>());
  const edit = (spring: RackSpring, part: Partial<RackValues>, undoable = true) => {
    const go = () => {
      const { current: all } = latest;
      // Where the one before was refused, this one is tried on what is known to be kept.
      const before = (all.get(spring.id) ?? Promise.resolve(spring)).catch(() => spring);
      const kept = before.then((now) => put({ ...now, ...part }));
      all.set(spring.id, kept);
      const over = () => all.get(spring.id) === kept && all.delete(spring.id);
      Promise.all([before, kept]).then(
        ([was, now]) => {
          over();
          whenKept();
          if (undoable) remember(`Change of ${spring.name}`, () => edit(now, sameOf(part, was), false));
        },
        (error: unknown) => {
          over();
          refused(error, spring.name, go);
        },
      );
    };
    go();
  };
  return edit;
}

/** Changing the rack: every change is kept at once, can be undone, and is never lost without a word. */
export function useRackEdits() {
  const put = usePutSpring();
  const removal = useRemoveSpring();
  const [done, setDone] = useState<Done[]>([]);
  /** The spring that was added last, by its id. */
  const [added, setAdded] = useState<string | null>(null);
  const [failed, setFailed] = useState<Failed | null>(null);
  const remember = (label: string, undo: () => void) => setDone((all) => [...all, { label, undo }]);

  const refused = (error: unknown, name: string, again: () => void) => {
    if (!(error instanceof ApiProblem)) {
      setFailed({ words: `${name} is not kept yet: the server cannot be reached.`, again });
      return;
    }
    const [first] = error.problem.errors ?? [];
    const why = first ? `${first.pointer.slice(1)} ${first.detail}` : error.problem.title;
    setFailed({ words: `${name} was not kept. ${why}`, again: null });
    refetchRack();
  };

  const send = (
    spring: RackValues & { id: string },
    version: number | null,
    after: (kept: RackSpring) => void,
  ) => {
    const go = () =>
      put.mutate(
        { ...spring, version },
        {
          onSuccess: (kept) => {
            setFailed(null);
            after(kept);
          },
          onError: (error) => refused(error, spring.name, go),
        },
      );
    go();
  };

  const edit = useEdit(put.mutateAsync, { remember, refused, kept: () => setFailed(null) });
  const add = (values: RackValues) =>
    send({ ...values, id: crypto.randomUUID() }, null, (kept) => {
      setAdded(kept.id);
      remember(`${kept.name} new`, () => removal.mutate(kept));
    });
  const remove = (spring: RackSpring) => {
    const go = () =>
      removal.mutate(spring, {
        onSuccess: () => {
          setFailed(null);
          remember(`${spring.name} removed`, () => send(spring, null, () => undefined));
        },
        onError: (error) => refused(error, spring.name, go),
      });
    go();
  };
  const undo = () => {
    const last = done.at(-1);
    setDone(done.slice(0, -1));
    last?.undo();
  };
  return { edit, add, added, remove, undo, last: done.at(-1)?.label ?? null, failed };
}

export type RackEdits = ReturnType<typeof useRackEdits>;
