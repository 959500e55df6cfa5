import { invertOps } from './ops.ts';
import type { Entry } from './types.ts';

export interface History {
  /** Entries that can be undone, oldest first: the last is next. */
  undo: Entry[];
  /** Entries that were undone and can be done again: the last is next. */
  redo: Entry[];
}

/** What can be undone and redone, read from the entries alone: it survives a reload and is shared by all windows. */
export function historyOf(entries: readonly Entry[]): History {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  let undo: Entry[] = [];
  let redo: Entry[] = [];
  for (const entry of entries) {
    const original = byId.get(entry.undoOf ?? entry.redoOf ?? '');
    if (entry.undoOf !== null && original) {
      undo = undo.filter(({ id }) => id !== original.id);
      redo = [...redo, original];
    } else if (entry.redoOf !== null && original) {
      redo = redo.filter(({ id }) => id !== original.id);
      undo = [...undo, original];
    } else {
      undo = [...undo, entry];
      redo = [];
    }
  }
  return { undo, redo };
}

/**
 * The step at the end of what can be undone or redone: its newest entry, and those before it of the very same time, which were
 * made together. What was taken back is a step by itself. In the order in which they are to be undone, or done again.
 */
export function lastStep(entries: readonly Entry[]): Entry[] {
  const newest = entries.at(-1);
  if (!newest || newest.type === 'withdraw') return newest ? [newest] : [];
  const from = entries.findLastIndex(({ at, type }) => at !== newest.at || type === 'withdraw');
  return entries.slice(from + 1).reverse();
}

type Stamp = Pick<Entry, 'id' | 'at'>;

/** The entry that undoes `target`. */
export function undoEntry(target: Entry, stamp: Stamp): Entry {
  const base = { ...stamp, label: `undo: ${target.label}`, undoOf: target.id, redoOf: null };
  if (target.type === 'change') return { ...base, type: 'change', ops: invertOps(target.ops) };
  return { ...base, type: 'withdraw', of: target.id };
}

/** The entry that does `target` again after it was undone. A fact comes back by withdrawing its withdrawal. */
export function redoEntry(target: Entry, entries: readonly Entry[], stamp: Stamp): Entry {
  const base = { ...stamp, label: `again: ${target.label}`, undoOf: null, redoOf: target.id };
  if (target.type === 'change') return { ...base, type: 'change', ops: target.ops };
  const withdrawal = entries.findLast(({ undoOf }) => undoOf === target.id);
  return { ...base, type: 'withdraw', of: withdrawal?.id ?? target.id };
}
