import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { leftBehind, Left } from './leftBehind.ts';
import { useAttempts, type Kept, type New } from './useAttempts.ts';

/** One change, with what undoes it. */
interface Done {
  label: string;
  undo: () => void;
}

interface Shelf<T extends Kept, Part> {
  /** What is not known to have arrived. */
  left: ReturnType<typeof leftBehind<T | New<T>>>;
  /** What is there, once it is known. */
  all: readonly T[] | undefined;
  put: (item: T | New<T>) => Promise<T>;
  remove: (item: T) => Promise<unknown>;
  /** Asks the server for what is there. */
  refetch: () => void;
  /** Shows a thing in the list as it is to be. */
  show: (item: T | New<T>) => void;
  nameOf: (item: T | New<T>) => string;
  /** A thing with some of its figures changed, and what those were before. */
  changed: (item: T, part: Part) => T;
  sameOf: (part: Part, was: T) => Part;
  /** What makes the one of the other; null where they are alike. */
  partBetween: (was: T, now: T) => Part | null;
}

/** Changes of one thing, one after another: each is made to what the one before left, its first keeping among them. */
function useInTurn<T extends Kept>() {
  /** What is on its way of each thing, or was kept last from here. */
  const latest = useRef(new Map<string, Promise<T>>());
  const first = (id: string, kept: Promise<T>): Promise<T> => {
    latest.current.set(id, kept);
    return kept;
  };
  const next = (item: T, change: (now: T) => Promise<T>): Promise<[T, T]> => {
    // Where the one before was refused, this one is tried on what is known to be kept.
    const before = (latest.current.get(item.id) ?? Promise.resolve(item)).then(
      (one) => (one.version > item.version ? one : item),
      () => item,
    );
    const kept = first(item.id, before.then(change));
    return Promise.all([before, kept]);
  };
  return { first, next };
}

/** What was done, the last of it first to be undone. Undoing waits for what is on its way: it is the newest, and comes first. */
function useDone() {
  const done = useRef<Done[]>([]);
  const underWay = useRef(new Set<Promise<unknown>>());
  const [last, setLast] = useState<string | null>(null);
  const remember = (label: string, undo: () => void) => {
    done.current.push({ label, undo });
    setLast(label);
  };
  const follow = (work: Promise<unknown>) => {
    underWay.current.add(work);
    void work.finally(() => underWay.current.delete(work));
  };
  const undo = () =>
    void Promise.all(underWay.current).then(() => {
      const newest = done.current.pop();
      setLast(done.current.at(-1)?.label ?? null);
      newest?.undo();
    });
  return { remember, follow, undo, last };
}

/** Changing things that a shop keeps: every change is kept at once, can be undone, and is never lost without a word. */
export function useEdits<T extends Kept, Part>(shelf: Shelf<T, Part>) {
  const { put, nameOf, left, refetch, show } = shelf;
  const { remember, follow, undo, last } = useDone();
  const inTurn = useInTurn<T>();
  const { attempt, tell, failed } = useAttempts<T>({ left, follow, nameOf, refetch, show });
  // Shown before the server has it, a thing has no version yet: it is new there still.
  const keep = (item: T) => put(item.version === 0 ? { ...item, version: null } : item);

  const edit = (item: T, part: Part, undoable = true) =>
    attempt({
      item,
      // What is new has every field of what is kept but its version.
      change: (now) => shelf.changed(now as T, part),
      act: () => inTurn.next(item, (now) => keep(shelf.changed(now, part))),
      after: ([was, now]) => {
        if (undoable) remember(`Change of ${nameOf(item)}`, () => edit(now, shelf.sameOf(part, was), false));
      },
    });

  /** Keeps something new; `after` is told once it is. */
  const add = (item: New<T>, after: (kept: T) => void = () => undefined) =>
    attempt({
      item,
      act: () => inTurn.first(item.id, put(item)),
      after: (kept) => {
        after(kept);
        remember(`${nameOf(kept)} new`, () => void shelf.remove(kept));
      },
    });

  const putBack = (item: New<T>) => attempt({ item, act: () => inTurn.first(item.id, put(item)) });

  const remove = (item: T) =>
    attempt({
      item,
      act: () => shelf.remove(item),
      after: () => remember(`${nameOf(item)} removed`, () => putBack({ ...item, version: null })),
    });

  /** Sends what an earlier page left before it had arrived, over what is there now. */
  const takeUp = useEffectEvent(({ was, now }: Left<T | New<T>>, all: readonly T[]) => {
    const here = all.find(({ id }) => id === now.id);
    const part = shelf.partBetween((was ?? here ?? now) as T, now as T);
    if (here && part) edit(here, part);
    else if (!here && !was) add({ ...now, version: null });
    else if (!here && part) tell(`${nameOf(now)} was deleted before its last change arrived.`);
  });
  const { all } = shelf;
  useEffect(() => {
    if (all) for (const one of left.takeUp()) takeUp(one, all);
  }, [all, left]);

  return { edit, add, remove, undo, last, failed };
}
