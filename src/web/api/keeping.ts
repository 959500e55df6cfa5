import { create } from 'zustand';
import { createJSONStorage } from 'zustand/middleware';

/** Whether this browser keeps what is typed and not yet sent, so that it survives a reload. */
export const useKeeping = create<{ drafts: boolean; queue: boolean }>()(() => ({
  drafts: true,
  queue: true,
}));

/** Where the browser keeps nothing, this page at least remembers. */
const remembered = new Map<string, string>();

/** localStorage that never throws: full or refused, the page goes on from memory and says so. */
export const browserStorage = {
  getItem: (name: string): string | null => {
    try {
      return localStorage.getItem(name);
    } catch {
      return remembered.get(name) ?? null;
    }
  },
  setItem: (name: string, value: string): void => {
    remembered.set(name, value);
    let kept = true;
    try {
      localStorage.setItem(name, value);
    } catch {
      kept = false;
    }
    if (useKeeping.getState().drafts !== kept) useKeeping.setState({ drafts: kept });
  },
  removeItem: (name: string): void => {
    remembered.delete(name);
    try {
      localStorage.removeItem(name);
    } catch {
      useKeeping.setState({ drafts: false });
    }
  },
};

/** What stores that outlive a reload are kept in. */
export const keptStorage = <State>() => createJSONStorage<State>(() => browserStorage);
