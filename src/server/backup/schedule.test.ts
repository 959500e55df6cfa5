import { isDue } from './schedule.ts';

const HOUR = 3_600_000;
const now = 100 * 24 * HOUR;

test.each([
  ['there never was one', null, null, true],
  ['the last is a day old', now - 24 * HOUR, now - 24 * HOUR, true],
  ['the last is of this morning', now - 9 * HOUR, now - 9 * HOUR, false],
  ['one has just failed', now - 48 * HOUR, now - HOUR / 2, false],
  ['one failed an hour ago', now - 48 * HOUR, now - HOUR, true],
])('a backup is due where %s: %p %p', (_when, lastMs, triedMs, due) => {
  expect(isDue({ lastMs, triedMs }, now)).toBe(due);
});
