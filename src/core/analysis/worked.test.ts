import { readFileSync, writeFileSync } from 'node:fs';
import { everyFigure, everyRound, type Figures } from '../../../tests/fixtures/everyFigure.ts';
import { workedJobs } from '../../../tests/fixtures/workedJobs.ts';

const FILE = 'tests/fixtures/worked.json';
/** Of a figure against the one that is kept: relative, and for those near nothing. */
const SAME = { relative: 1e-6, absolute: 1e-7 };
/** Figures of one name that are kept each; of more, sums that change when any of them does. */
const KEPT = 24;

/** Few figures as they are; many as their count and four sums, each weighting every figure otherwise. */
function kept(values: readonly number[]): number[] {
  if (values.length <= KEPT) return values.map((value) => Number(value.toPrecision(10)));
  // Large and small figures count alike, so that neither hides what becomes of the other.
  const even = (value: number) => Math.sign(value) * Math.log1p(1e3 * Math.abs(value));
  const sums = [1.7, 2.3, 3.1, 4.9].map((step) =>
    values.reduce((sum, value, k) => sum + even(value) * Math.sin(step * (k + 1)), 0),
  );
  return [values.length, ...sums.map((sum) => Number(sum.toPrecision(10)))];
}

const figuresOf = (figures: Figures) =>
  Object.fromEntries(figures.map(([name, values]): [string, number[]] => [name, kept(values)]));

const isSame = (a: number, b: number) =>
  Math.abs(a - b) <= Math.max(SAME.absolute, SAME.relative * Math.max(Math.abs(a), Math.abs(b)));

/** Names whose figures are no longer what they were. */
function changed(was: Record<string, number[]>, is: Record<string, number[]>): string[] {
  return [...new Set([...Object.keys(was), ...Object.keys(is)])].filter((name) => {
    const [a, b] = [was[name] ?? [], is[name] ?? []];
    return a.length !== b.length || a.some((value, k) => !isSame(value, b[k] ?? NaN));
  });
}

const all: Record<string, () => Figures> = {
  ...Object.fromEntries(Object.entries(workedJobs).map(([name, job]) => [name, () => everyFigure(job())])),
  'rounds of vehicle 3': () => everyRound(3),
  'rounds of vehicle 8': () => everyRound(8),
};

// To keep them anew after a change that is meant: KEEP_FIGURES=1 npm test -- unit, and read what changed.
if (process.env.KEEP_FIGURES)
  writeFileSync(
    FILE,
    `${JSON.stringify(Object.fromEntries(Object.entries(all).map(([name, make]) => [name, figuresOf(make())])))}\n`,
  );
const keptFigures = JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, Record<string, number[]>>;

describe('every figure of the jobs that are kept stays what it is', () => {
  test.each(Object.entries(all))('%s', (name, make) => {
    expect(changed(keptFigures[name] ?? {}, figuresOf(make()))).toEqual([]);
  });
});
