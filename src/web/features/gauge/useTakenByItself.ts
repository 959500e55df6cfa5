import { useEffect, useRef } from 'react';

/** ms that a reading must have been steady before it is taken by itself. */
export const STEADY_MS = 1500;

interface Taken {
  /** mm; null while nothing is to be taken by itself. */
  mm: number | null;
  steady: boolean;
  /** What is being read. */
  prompt: string;
  onTake: (mm: number) => void;
}

/**
 * Takes a value once it has stood for a while. What was steady before this was asked for is the reading before: it has to
 * move first.
 */
export function useTakenByItself({ mm, steady, prompt, onTake }: Taken): void {
  const latest = useRef({ mm, onTake });
  const movedFor = useRef<string | null>(null);
  useEffect(() => {
    latest.current = { mm, onTake };
    if (mm !== null && !steady) movedFor.current = prompt;
  });
  const still = mm !== null && steady;
  useEffect(() => {
    if (!still) return;
    const timer = setTimeout(() => {
      const now = latest.current;
      if (movedFor.current === prompt && now.mm !== null) now.onTake(now.mm);
    }, STEADY_MS);
    return () => clearTimeout(timer);
  }, [still, prompt]);
}
