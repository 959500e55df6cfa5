import { blankRackValues, type RackSpring } from '#core/rack/spring.ts';
import { isLike, numberIn, type Asked } from './filters.ts';

const spring: RackSpring = {
  ...blankRackValues,
  id: 'a',
  version: 1,
  name: 'Reed 60',
  note: 'barrel, painted',
  rateNPerMm: 60,
  innerMm: 65,
  stock: 2,
};

test.each<[string, Asked, boolean, Partial<RackSpring>]>([
  ['nothing is asked', {}, true, {}],
  ['every word stands in its name or note, in any case', { find: '  REED barrel ' }, true, {}],
  ['one of the words stands nowhere', { find: 'reed cone' }, false, {}],
  ['its inner diameter is the one', { inner: '65' }, true, {}],
  ['its inner diameter is another', { inner: '60' }, false, {}],
  ['its inner diameter is asked for and not known', { inner: '65' }, false, { innerMm: null }],
  ['its rate is the least asked for', { 'rate-from': '60' }, true, {}],
  ['its rate is below', { 'rate-from': '60.1' }, false, {}],
  ['its rate is the most asked for', { 'rate-to': '60' }, true, {}],
  ['its rate is above', { 'rate-to': '59.9' }, false, {}],
  ['its rate is not known', { 'rate-from': '1' }, false, { rateNPerMm: null }],
  ['its rate follows from a table', { 'rate-from': '49', 'rate-to': '51' }, true, { rateNPerMm: null, rows: [[10, 500], [30, 1500]] }],
  ['its free length is not known', { 'free-to': '300' }, false, {}],
  ['its free length is within', { 'free-from': '200', 'free-to': '300' }, true, { freeLengthMm: 250 }],
  ['what is asked for is no number', { 'rate-from': 'stiff' }, true, {}],
  ['some are in stock', { stock: '1' }, true, {}],
  ['none is in stock', { stock: '1' }, false, { stock: 0 }],
])('where %s', (_, asked, like, more) => {
  expect(isLike({ ...spring, ...more }, asked)).toBe(like);
}); // oxfmt-ignore

test('nothing asked is no number, nor is nought nothing', () => {
  expect([
    numberIn({}, 'inner'),
    numberIn({ inner: '' }, 'inner'),
    numberIn({ inner: '0' }, 'inner'),
  ]).toEqual([null, null, 0]);
});
