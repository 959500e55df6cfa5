import { measuredOf } from '#core/figures/figure.ts';
import { must } from '../../tests/fixtures/records.ts';
import { measuredWords, typedOtherwise } from './figures.ts';

const say = (mm: number) => `${mm} mm`;

test('a reading says how often it was taken, and how far apart', () => {
  expect(measuredWords(must(measuredOf([372])), say)).toBe('measured');
  expect(measuredWords(must(measuredOf([372, 373])), say)).toBe('measured twice, 1 mm apart');
  expect(measuredWords(must(measuredOf([372, 372])), say)).toBe('measured twice, alike');
});

test('what was typed in the other system stands beside it, and nothing where it was not', () => {
  const figure = must(measuredOf([374.65, 375], ['14 3/4 in', '375 mm']));
  expect(typedOtherwise(figure, 'mm')).toBe('typed 14 3/4 in');
  expect(typedOtherwise(figure, 'in')).toBe('typed 375 mm');
  expect(typedOtherwise(must(measuredOf([374.65], ['14.75"'])), 'mm')).toBe('typed 14.75"');
  expect(typedOtherwise(must(measuredOf([375])), 'mm')).toBe('');
});
