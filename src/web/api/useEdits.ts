import { useRef, useState } from 'react';
import { ApiProblem } from './client.ts';

/** What a shop keeps by its id, in versions. */
interface Kept {
  id: string;
  version: number;
}

/** The same before it is kept for the first time. */
type New<T extends Kept> = Omit<T, 'version'> & { version: null };

/** One change, with what undoes it. */
interface Done {
  label: string;
  undo: () => void;
}

/** What could not be kept, and how to try again. */
interface Failed {
  words: string;
  again: (() => void) | null;
  /** Which of the tries it was, in the order they were begun in. */
  nth: number;
}

interface Shelf<T extends Kept, Part> {
  put: (item: T | New<T>) => Promise<T>;
  remove: (item: T) => Promise<unknown>;
  /** Asks the server for what is there. */
  refetch: () => void;
  nameOf: (item: T | New<T>) => string;
  /** A thing with some of its figures changed, and what those were before. */
  changed: (item: T, part: Part) => T;
  sameOf: (part: Part, was: T) => Part;
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
  const { put, nameOf } = shelf;
  const { remember, follow, undo, last } = useDone();
  const [failed, setFailed] = useState<Failed | null>(null);
  const inTurn = useInTurn<T>();
  // Shown before the server has it, a thing has no version yet: it is new there still.
  const keep = (item: T) => put(item.version === 0 ? { ...item, version: null } : item);

  const begun = useRef(0);

  const refused = (error: unknown, name: string, nth: number, again: () => void) => {
    if (!(error instanceof ApiProblem)) {
      setFailed({ words: `${name} is not kept yet: the server cannot be reached.`, nth, again });
      return;
    }
    const [first] = error.problem.errors ?? [];
    const why = first ? `${first.pointer.slice(1)} ${first.detail}` : error.problem.title;
    setFailed({ words: `${name} was not kept. ${why}`, nth, again: null });
    shelf.refetch();
  };

  /** Tries something until it is kept or refused for good. */
  const attempt = <R>(name: string, act: () => Promise<R>, after: (result: R) => void) => {
    const go = () => {
      const nth = ++begun.current;
      follow(
        act().then(
          (result) => {
            // What was begun before says nothing of what failed since.
            setFailed((now) => (now && now.nth > nth ? now : null));
            after(result);
          },
          (error: unknown) => refused(error, name, nth, go),
        ),
      );
    };
    go();
  };

  const edit = (item: T, part: Part, undoable = true) =>
    attempt(
      nameOf(item),
      () => inTurn.next(item, (now) => keep(shelf.changed(now, part))),
      ([was, now]) => {
        if (undoable) remember(`Change of ${nameOf(item)}`, () => edit(now, shelf.sameOf(part, was), false));
      },
    );

  /** Keeps something new; `after` is told once it is. */
  const add = (item: New<T>, after: (kept: T) => void = () => undefined) =>
    attempt(
      nameOf(item),
      () => inTurn.first(item.id, put(item)),
      (kept) => {
        after(kept);
        remember(`${nameOf(kept)} new`, () => void shelf.remove(kept));
      },
    );

  const remove = (item: T) =>
    attempt(
      nameOf(item),
      () => shelf.remove(item),
      () =>
        remember(`${nameOf(item)} removed`, () =>
          attempt(
            nameOf(item),
            () => inTurn.first(item.id, put({ ...item, version: null })),
            () => undefined,
          ),
        ),
    );

  return { edit, add, remove, undo, last, failed };
}
