import { analyse } from '#core/analysis/analyse.ts';
import { situations } from '../../../tests/fixtures/situations/index.ts';
import { findingInputs } from './findingInputs.ts';

test('what went the other way is told by what was turned and read at each corner', () => {
  const job = situations
    .find(({ name }) => name === 'both at the front turned the other way, by the tape alone')
    ?.job();
  const doubt = job && analyse(job).findings.find(({ code }) => code === 'doubt');
  if (!doubt) throw new Error('expected a doubt');
  expect(findingInputs(doubt).map(({ name, value, source }) => [name, value, source])).toEqual([
    ['seat moved, as recorded, front left', 12, 'measured'],
    ['height before, front left', 353, 'measured'],
    ['height after, front left', 329, 'measured'],
    ['seat moved, as recorded, front right', 12, 'measured'],
    ['height before, front right', 354, 'measured'],
    ['height after, front right', 330, 'measured'],
  ]);
});
