import { differenceInCalendarDays, format, startOfMonth, startOfWeek } from 'date-fns';

/** Backups of the last days, of the last weeks and of the last months that are kept. */
const DAYS = 7;
const WEEKS = 5;
const MONTHS = 12;

const NAME = /^margin-(\d{4})-(\d{2})-(\d{2})-(\d{2})(\d{2})(\d{2})\.backup$/;

/** What a backup made at `now` is called; the names stand in the order of time. */
export const backupName = (now: Date): string => `margin-${format(now, 'yyyy-MM-dd-HHmmss')}.backup`;

function madeAt(name: string): Date | null {
  const parts = NAME.exec(name)?.slice(1).map(Number);
  if (!parts) return null;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = parts;
  return new Date(year, month - 1, day, hour, minute, second);
}

/**
 * Backups that are no longer kept, out of the names in a folder: kept are the newest of each of the last 7 days that have one, of the last 5
 * weeks and of the last 12 months. What is not called like a backup is nobody's business here.
 */
export function outdated(names: readonly string[], now: Date): string[] {
  const made = names
    .flatMap((name) => {
      const at = madeAt(name);
      return at ? [{ name, at }] : [];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
  const kept = new Set<string>();
  const keepNewestOf = (most: number, key: (at: Date) => number) => {
    const seen = new Set<number>();
    for (const { name, at } of made) {
      if (seen.has(key(at)) || seen.size >= most) continue;
      seen.add(key(at));
      kept.add(name);
    }
  };
  keepNewestOf(DAYS, (at) => differenceInCalendarDays(now, at));
  keepNewestOf(WEEKS, (at) => startOfWeek(at, { weekStartsOn: 1 }).getTime());
  keepNewestOf(MONTHS, (at) => startOfMonth(at).getTime());
  return made.filter(({ name }) => !kept.has(name)).map(({ name }) => name);
}
