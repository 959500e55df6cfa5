import { isOf, type FactEntry } from './facts.ts';

/** When a machine is due back: after so many km, on a day (ISO), or both. */
export interface Recheck {
  km: number | null;
  day: string | null;
}

/** The recheck that stands; null where none was set. */
export function recheckOf(facts: readonly FactEntry[]): Recheck | null {
  const fact = facts.map((entry) => entry.fact).findLast(isOf('recheck'));
  return fact ? { km: fact.km, day: fact.day } : null;
}
