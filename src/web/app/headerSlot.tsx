import { useEffect, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { create } from 'zustand';

const useTarget = create<{ node: HTMLElement | null }>()(() => ({ node: null }));

function Target() {
  return (
    <div
      ref={(node) => useTarget.setState({ node })}
      className="flex min-w-0 items-center gap-10 max-md:gap-4"
    />
  );
}

/** Lets a page write into the header: what job this is, what is on board. */
function Fill({ children }: { children: ReactNode }) {
  const node = useTarget((state) => state.node);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return ready && node ? createPortal(children, node) : null;
}

export const HeaderSlot = { Target, Fill };
