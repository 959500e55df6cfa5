import { checkProblem, type SearchProblem } from '#core/rack/problem.ts';
import { faultWords } from '#words/faults.ts';
import { problemName } from './problemNames.ts';

const problem = {
  travelMm: 60,
  targetMm: 70,
  cases: [
    { name: 'ride height', kg: 240, fromMm: 40, toMm: 90 },
    { name: '', kg: 0, fromMm: 10, toMm: 50 },
  ],
  room: { leastMm: 300, mostMm: 200 },
  ring: null,
  inner: { leastMm: 60, mostMm: 50 },
} as unknown as SearchProblem;

test('what is wrong with a search is said by the names of its fields, none by a path', () => {
  const checked = checkProblem(problem);
  expect(checked.ok).toBe(false);
  if (checked.ok) return;
  const lines = faultWords(checked.faults, undefined, (path) => problemName(problem, path)).split('\n');
  expect(lines.map((line) => line.split(':')[0])).toEqual([
    'Sag to, ride height',
    'Carried, case 2',
    'To stand at, travel used',
    'Room, seat backed off',
    'Inner diameter to',
  ]);
  expect(lines[0]).toBe('Sag to, ride height: got 90 mm, expected a number at least 40 mm and at most 60 mm');
});
