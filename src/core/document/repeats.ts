import type { CornerId } from '../kinds/corners.ts';
import { tolerances } from '../tolerances.ts';
import type { Pictured } from './factKinds.ts';

/** One reading of several at the same place in the same round. */
export interface Repeat {
  slot: string;
  mm: number;
  /** As it was typed; empty where that is not known. */
  typed: string;
  /** Where it was read off a picture: how far that may be out. */
  picture: Pictured | null;
}

export interface SortedRepeats {
  counted: Repeat[];
  /** The single odd one: it does not count until somebody says so. */
  aside: Repeat | null;
}

/** Repeats that lie within this of each other agree, mm. */
const AGREE_MM = tolerances.repeatQuestionMm;

/**
 * Repeats as they count. Of three or more, one that lies further from all the others than they lie from each other is the
 * tape's fault and is set aside; of two nobody can say which it is. `restored` are slots that somebody wants counted.
 */
export function sortRepeats(repeats: readonly Repeat[], restored: readonly string[]): SortedRepeats {
  const all = [...repeats];
  if (all.length < 3) return { counted: all, aside: null };
  const odd = all.find((one) => {
    const others = all.filter((other) => other !== one).map(({ mm }) => mm);
    const nearest = Math.min(...others.map((mm) => Math.abs(mm - one.mm)));
    const apart = Math.max(...others) - Math.min(...others);
    return apart <= AGREE_MM && nearest > Math.max(AGREE_MM, 2 * apart);
  });
  if (!odd || restored.includes(odd.slot)) return { counted: all, aside: null };
  return { counted: all.filter((one) => one !== odd), aside: odd };
}

/**
 * Whether a place wants to be read again: once more where it was read once, and a third time where two readings do not agree,
 * of which nobody can say which is off.
 */
export function wantsAnother(readings: readonly number[]): boolean {
  if (readings.length < 2) return true;
  return readings.length === 2 && Math.max(...readings) - Math.min(...readings) > AGREE_MM;
}

/** Where somebody says that a reading counts all the same. */
export function restoredSlot(round: number, corner: CornerId, slot: string): string {
  return `reading:${round}:${corner}:${slot}`;
}

/**
 * Standard deviation to give each of n repeats, mm, so that their mean is no surer than half of what they lie apart: a tape
 * that reads 25 mm apart is not read to 2 mm by reading it twice.
 */
export function repeatSd(readings: readonly number[]): number {
  const apart = Math.max(...readings) - Math.min(...readings);
  if (apart <= AGREE_MM) return tolerances.tapeSdMm;
  return Math.max(tolerances.tapeSdMm, (Math.sqrt(readings.length) * apart) / 2);
}
