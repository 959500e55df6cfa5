import { useRef, useState } from 'react';
import { ApiProblem, holdsAll } from './client.ts';
import type { leftBehind } from './leftBehind.ts';

/** What a shop keeps by its id, in versions. */
export interface Kept {
  id: string;
  version: number;
}

/** The same before it is kept for the first time. */
export type New<T extends Kept> = Omit<T, 'version'> & { version: null };

/** Something to be tried: what it makes of which thing, how, and what follows once it is done. */
interface Attempt<T extends Kept, R> {
  item: T | New<T>;
  change?: (now: T | New<T>) => T | New<T>;
  act: () => Promise<R>;
  after?: (result: R) => void;
}

/** What could not be kept, and how to try again. */
interface Failed {
  words: string;
  again: (() => void) | null;
  /** Which of the tries it was, in the order they were begun in. */
  nth: number;
}

interface Parts<T extends Kept> {
  left: ReturnType<typeof leftBehind<T | New<T>>>;
  follow: (work: Promise<unknown>) => void;
  nameOf: (item: T | New<T>) => string;
  refetch: () => void;
  /** Shows a thing as it is to be. */
  show: (item: T | New<T>) => void;
}

const same = <T>(now: T): T => now;

const isRefused = (error: unknown): error is ApiProblem =>
  error instanceof ApiProblem && !holdsAll(error.problem);

/** Tries things until they are kept or refused for good; what they make of a thing is noted till then. */
export function useAttempts<T extends Kept>({ left, follow, nameOf, refetch, show }: Parts<T>) {
  const [failed, setFailed] = useState<Failed | null>(null);
  const begun = useRef(0);

  const fail = (error: unknown, name: string, nth: number, again: () => void) => {
    if (!isRefused(error)) {
      const why =
        error instanceof ApiProblem ? `. ${error.problem.title}` : ': the server cannot be reached.';
      setFailed({ words: `${name} is not kept yet${why}`, nth, again });
      return;
    }
    const [first] = error.problem.errors ?? [];
    const why = first ? `${first.pointer.slice(1)} ${first.detail}` : error.problem.title;
    setFailed({ words: `${name} was not kept. ${why}`, nth, again: null });
    refetch();
  };

  const attempt = <R>({ item, change = same, act, after = () => undefined }: Attempt<T, R>) => {
    // Seen at once, however long the ones before are on their way.
    show({ ...left.note(item, change), version: item.version } as T | New<T>);
    const go = () => {
      const nth = ++begun.current;
      left.sending(item.id);
      const work = act().then(
        (result) => {
          // What was begun before says nothing of what failed since.
          setFailed((now) => (now && now.nth > nth ? now : null));
          left.settled(item.id);
          after(result);
        },
        (error: unknown) => {
          if (isRefused(error)) left.settled(item.id);
          else left.stayed(item.id);
          fail(error, nameOf(item), nth, go);
        },
      );
      follow(work);
    };
    go();
  };
  const tell = (words: string) => setFailed({ words, nth: begun.current, again: null });
  return { attempt, tell, failed };
}
