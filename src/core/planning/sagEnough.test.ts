import { sagTrial } from '../../../tests/fixtures/sagTrial.ts';
import { standIn } from './sagEnough.ts';

test('a sag is surely in its window where its spread leaves it no way out, else near an edge', () => {
  const window = { fromMm: 50, toMm: 75 };
  const stands = (mm: number, sdMm = 2) => standIn(window, mm, sdMm);
  expect([49, 51, 53.1, 71.9, 73, 76].map((mm) => stands(mm))).toEqual([
    'out',
    'edge',
    'in',
    'in',
    'edge',
    'out',
  ]);
  // In the middle of a window no wider than the spread it is as sure as it can be.
  expect([standIn({ fromMm: 16, toMm: 24 }, 20, 5), standIn({ fromMm: 16, toMm: 24 }, 18, 5)]).toEqual([
    'in',
    'edge',
  ]);
});

describe.each(['rest', 'both'] as const)('sag jobs with a tape and a rider, read %s', (how) => {
  const tally = sagTrial(32, how);
  test('by a cam, a linkage or a fork they end in their windows after two rounds, and stop in them', () => {
    const of = (count: 'jobs' | 'second' | 'wrong') =>
      ['cam', 'linkage', 'fork'].reduce((sum, way) => sum + (tally.ways[way]?.[count] ?? NaN), 0);
    expect(of('jobs')).toBe(24);
    expect(of('second')).toBeGreaterThanOrEqual(23);
    expect(of('wrong')).toBeLessThanOrEqual(1);
    expect(tally.stopped).toBe(32);
  });
  test('call no spring wrong that was never read with nobody on', () => {
    expect(tally.springWrong).toBe(0);
  });
});
