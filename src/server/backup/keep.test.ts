import { addDays, subDays } from 'date-fns';
import { backupName, outdated } from './keep.ts';

const today = new Date(2026, 10, 29, 2, 0, 0);

/** A backup every night for this many days, kept by the rule as the shop does it. */
function after(days: number): string[] {
  let names: string[] = [];
  for (let day = 0; day < days; day++) {
    const now = addDays(today, day);
    names = [...names, backupName(now)];
    const gone = new Set(outdated(names, now));
    names = names.filter((name) => !gone.has(name));
  }
  return names;
}

test('of two years of nights there are a week of days, a month of weeks, a year of months', () => {
  const names = after(730);
  expect(names.length).toBeGreaterThanOrEqual(20);
  expect(names.length).toBeLessThanOrEqual(24);
  expect(names.at(-1)).toBe(backupName(addDays(today, 729)));
  const last = (days: number) => names.includes(backupName(subDays(addDays(today, 729), days)));
  for (let days = 0; days < 7; days++) expect([days, last(days)]).toEqual([days, true]);
  expect(names[0]).toBe('margin-2027-12-31-020000.backup');
});

test('the newest of a day stands for it, and what is not a backup is left alone', () => {
  const names = [
    'margin-2026-11-29-010000.backup',
    'margin-2026-11-29-020000.backup',
    'invoices.pdf',
    'margin-.backup',
  ];
  expect(outdated(names, today)).toEqual(['margin-2026-11-29-010000.backup']);
});

test('a shop that was closed for a year keeps what it has', () => {
  const names = [backupName(subDays(today, 400)), backupName(subDays(today, 401))];
  expect(outdated(names, today)).toEqual([]);
});
