import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { RackSpring } from '#core/rack/spring.ts';
import { useMirrored } from '../links/useMirrored.ts';
import { filterKeys, isLike, type Asked } from './filters.ts';

/** What the rack is narrowed by, begun from the address and kept in it, and the springs that are left. */
export function useFilters(springs: readonly RackSpring[]) {
  const [start] = useSearchParams();
  const [asked, setAsked] = useState<Asked>(() =>
    Object.fromEntries(filterKeys.map((key) => [key, start.get(key) ?? ''])),
  );
  useMirrored(asked);
  const shown = useMemo(() => springs.filter((spring) => isLike(spring, asked)), [springs, asked]);
  const set = (key: keyof Asked, value: string) => setAsked((before) => ({ ...before, [key]: value }));
  return { asked, set, shown };
}
