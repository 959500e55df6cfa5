import type { ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { create } from 'zustand';

const useTarget = create<{ node: HTMLElement | null }>()(() => ({ node: null }));

function Target() {
  return (
    <div
      ref={(node) => useTarget.setState({ node })}
      className="flex min-w-0 flex-1 items-center gap-8 max-lg:gap-5"
    />
  );
}

/** Lets a page write into the header: what job this is, what is on board. */
function Fill({ children }: { children: ReactNode }) {
  const node = useTarget((state) => state.node);
  return node ? createPortal(children, node) : null;
}

export const HeaderSlot = { Target, Fill };
