import { useRef, useState } from 'react';
import type { Kit, KitValues } from '#core/kits/kit.ts';
import { ApiProblem } from '../../api/client.ts';
import { refetchKits, usePutKit, useRemoveKit } from '../../api/kits.ts';

/** One change of a kit, with what undoes it. */
interface Done {
  label: string;
  undo: () => void;
}

/** What could not be kept, and how to try again. */
interface Failed {
  words: string;
  again: (() => void) | null;
}

/** Changing kits: every change is kept at once, can be undone, and is never lost without a word. */
export function useKitEdits() {
  const put = usePutKit();
  const removal = useRemoveKit();
  const [done, setDone] = useState<Done[]>([]);
  const [failed, setFailed] = useState<Failed | null>(null);
  /** What is on its way of each kit: one change waits for the one before, and is made to what that left. */
  const latest = useRef(new Map<string, Promise<Kit>>());
  const remember = (label: string, undo: () => void) => setDone((all) => [...all, { label, undo }]);
  const refused = (error: unknown, name: string, again: () => void) => {
    if (!(error instanceof ApiProblem)) {
      setFailed({ words: `${name} is not kept yet: the server cannot be reached.`, again });
      return;
    }
    const [first] = error.problem.errors ?? [];
    const why = first ? `${first.pointer.slice(1)} ${first.detail}` : error.problem.title;
    setFailed({ words: `${name} was not kept. ${why}`, again: null });
    refetchKits();
  };
  const edit = (kit: Kit, part: Partial<KitValues>, label = `Change of ${kit.kit.name}`, undoable = true) => {
    const go = () => {
      const { current: all } = latest;
      const before = (all.get(kit.id) ?? Promise.resolve(kit)).catch(() => kit);
      const kept = before.then((now) => put.mutateAsync({ ...now, kit: { ...now.kit, ...part } }));
      all.set(kit.id, kept);
      const over = () => all.get(kit.id) === kept && all.delete(kit.id);
      Promise.all([before, kept]).then(
        ([was, now]) => {
          over();
          setFailed(null);
          const keys = Object.keys(part) as (keyof KitValues)[];
          const back = Object.fromEntries(keys.map((key) => [key, was.kit[key]])) as Partial<KitValues>;
          if (undoable) remember(label, () => edit(now, back, label, false));
        },
        (error: unknown) => {
          over();
          refused(error, kit.kit.name, go);
        },
      );
    };
    go();
  };
  /** Keeps a new kit, or one that was removed once more under its id. */
  const add = (kit: KitValues, id: string = crypto.randomUUID(), undoable = true) => {
    const go = () =>
      put.mutate(
        { id, kit, version: null },
        {
          onSuccess: (kept) => {
            setFailed(null);
            if (undoable) remember(`${kit.name} new`, () => removal.mutate(kept));
          },
          onError: (error) => refused(error, kit.name, go),
        },
      );
    go();
    return id;
  };
  const remove = (kit: Kit) => {
    const go = () =>
      removal.mutate(kit, {
        onSuccess: () => {
          setFailed(null);
          remember(`${kit.kit.name} deleted`, () => add(kit.kit, kit.id, false));
        },
        onError: (error) => refused(error, kit.kit.name, go),
      });
    go();
  };
  const undo = () => {
    const last = done.at(-1);
    setDone(done.slice(0, -1));
    last?.undo();
  };
  return { edit, add, remove, undo, last: done.at(-1)?.label ?? null, failed };
}

export type KitEdits = ReturnType<typeof useKitEdits>;
