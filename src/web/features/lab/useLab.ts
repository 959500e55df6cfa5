import { useDebouncedCallback } from 'use-debounce';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../../api/keeping.ts';
import { LAB_SETUPS, plainSetup, type LabSetup } from '#core/lab/setup.ts';
import { replaceQuery } from '../links/replaceQuery.ts';
import { fromLink, linkFault, toLink } from './labLink.ts';

interface Lab {
  setups: LabSetup[];
  current: number;
  past: LabSetup[][];
  future: LabSetup[][];
  /** `hand` names the drag, or what is moved by keys: such movements are one change. */
  put: (setups: LabSetup[], current?: number, hand?: string) => void;
  choose: (current: number) => void;
  undo: () => void;
  redo: () => void;
}

const UNDO_MOST = 100;
/** Milliseconds within which steps by key count as one change; a drag is one however long it takes. */
const ONE_CHANGE = 400;
let last = { at: 0, hand: '' };

/** What is on the bench, kept in this browser; a link brings its own. */
const useLabStore = create<Lab>()(
  persist(
    (set) => ({
      setups: [plainSetup],
      current: 0,
      past: [],
      future: [],
      put: (setups, current, hand = '') =>
        set((lab) => {
          const quick = Date.now() - last.at < ONE_CHANGE || hand.startsWith('drag ');
          const goesOn = hand !== '' && hand === last.hand && quick;
          last = { at: Date.now(), hand };
          return {
            setups,
            current: Math.min(current ?? lab.current, setups.length - 1),
            past: goesOn ? lab.past : [...lab.past, lab.setups].slice(-UNDO_MOST),
            future: [],
          };
        }),
      choose: (current) => set({ current }),
      undo: () => set((lab) => stepped(lab, lab.past.at(-1), 'past')),
      redo: () => set((lab) => stepped(lab, lab.future[0], 'future')),
    }),
    {
      name: 'margin-lab',
      storage: keptStorage(),
      partialize: ({ setups, current }) => ({ setups, current }),
    },
  ),
);

function stepped(lab: Lab, to: LabSetup[] | undefined, from: 'past' | 'future'): Partial<Lab> {
  if (!to) return {};
  const current = Math.min(lab.current, to.length - 1);
  return from === 'past'
    ? { setups: to, current, past: lab.past.slice(0, -1), future: [lab.setups, ...lab.future] }
    : { setups: to, current, past: [...lab.past, lab.setups], future: lab.future.slice(1) };
}

/** Milliseconds of quiet before the link in the address follows. */
const LINK_AFTER = 400;

/** The setups on the bench and what can be done with them; the address always holds them. */
export function useLab() {
  const lab = useLabStore();
  const { setups, put } = lab;
  const current = Math.min(lab.current, setups.length - 1);
  const setup = setups[current] ?? plainSetup;
  const fault = useLink(setups, put);
  return {
    ...lab,
    current,
    setup,
    fault,
    change: (next: LabSetup, hand?: string) =>
      put(
        setups.map((one, k) => (k === current ? next : one)),
        current,
        hand,
      ),
    add: (next: LabSetup) => setups.length < LAB_SETUPS && put([...setups, next], setups.length),
    remove: () =>
      put(
        setups.filter((_, k) => k !== current),
        Math.max(current - 1, 0),
      ),
  };
}

export type LabActions = ReturnType<typeof useLab>;

/** Takes the setups of a link once, then keeps the link as the setups are; says what is wrong with a link. */
function useLink(setups: LabSetup[], put: Lab['put']): string | null {
  const [params] = useSearchParams();
  const { pathname } = useLocation();
  const link = params.get('s');
  const own = useRef<string | null>(null);
  // The link that the address no longer has: the router is not told of that.
  const [left, setLeft] = useState<string | null>(null);
  const fault = useMemo(() => (link === null ? null : linkFault(fromLink(link))), [link]);
  useEffect(() => {
    if (link === null || link === own.current) return;
    own.current = link;
    const linked = fromLink(link);
    if (linked.ok && toLink(useLabStore.getState().setups) !== link) put(linked.value, 0);
  }, [link, put]);
  const follow = useDebouncedCallback(() => {
    const next = toLink(setups);
    // A link that cannot be read stays in the address, and said to be so, until something is changed.
    if (next === own.current || (fault && useLabStore.getState().past.length === 0)) return;
    if (!replaceQuery(pathname, (query) => query.set('s', next))) return;
    own.current = next;
    setLeft(link);
  }, LINK_AFTER);
  useEffect(() => {
    follow();
    return follow.cancel;
  }, [setups, fault, follow]);
  return link === left ? null : fault;
}
