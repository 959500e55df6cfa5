import { everyFigure, everyRound, type Figures } from '../../../tests/fixtures/everyFigure.ts';
import { changed, figuresOf, keptIn } from '../../../tests/fixtures/keptFigures.ts';
import { workedJobs } from '../../../tests/fixtures/workedJobs.ts';

const FILE = 'tests/fixtures/worked.json';
const all: Record<string, () => Figures> = {
  ...Object.fromEntries(Object.entries(workedJobs).map(([name, job]) => [name, () => everyFigure(job())])),
  'rounds of vehicle 3': () => everyRound(3),
  'rounds of vehicle 8': () => everyRound(8),
};

// To keep them anew after a change that is meant: KEEP_FIGURES=1 npm test -- unit, and read what changed.
const keptFigures = keptIn(FILE, () =>
  Object.fromEntries(Object.entries(all).map(([name, make]) => [name, figuresOf(make())])),
);

describe('every figure of the jobs that are kept stays what it is', () => {
  test.each(Object.entries(all))('%s', (name, make) => {
    expect(changed(keptFigures[name] ?? {}, figuresOf(make()))).toEqual([]);
  });
});
