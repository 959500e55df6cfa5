import { blankDocument } from '#core/document/create.ts';
import { fittingFields } from '#core/document/fitting.ts';
import { plainDocument } from '../../../../tests/fixtures/records.ts';
import { camParts, isMoreGiven, usualSecond, windowRange } from './adjusterParts.ts';

test('a car with seats on threads needs no more; sag, a ring, another adjuster or a cross weight does', () => {
  expect(isMoreGiven(plainDocument())).toBe(false);
  expect(isMoreGiven(plainDocument((one) => (one.corners.RR.sagMm = 50)))).toBe(true);
  expect(isMoreGiven(plainDocument((one) => (one.crossTarget = 0.5)))).toBe(true);
  expect(isMoreGiven(plainDocument((one) => Object.assign(one.corners.LF, fittingFields('fixed'))))).toBe(
    true,
  );
  expect(isMoreGiven(blankDocument('motorcycle', ''))).toBe(true);
});

test('the ends of a sag window stay a millimetre apart', () => {
  const { LF } = plainDocument((one) => (one.corners.LF.sagWindow = { fromMm: 30, toMm: 40 })).corners;
  expect([windowRange(LF, 'fromMm').max, windowRange(LF, 'toMm').min]).toEqual([39, 31]);
  expect(windowRange({ ...LF, sagWindow: null }, 'fromMm')).toEqual(
    windowRange({ ...LF, sagWindow: null }, 'toMm'),
  );
});

test('cam positions are entered by their first, the step between them and how many there are', () => {
  const cams = [20, 35, 50];
  expect(camParts.map(({ read }) => read(cams))).toEqual([20, 15, 3]);
  const [first, step, count] = camParts;
  expect(first.write(cams, 25)).toEqual([25, 40, 55]);
  expect(step.write(cams, 10.04)).toEqual([20, 30, 40.1]);
  expect(count.write(cams, 5)).toEqual([20, 35, 50, 65, 80]);
  expect(count.write([20], 2)).toEqual([20, 30]);
});

test('a second chamber usually holds twice the pressure in a third of the room', () => {
  expect(usualSecond({ gaugeBar: 4, volumeCm3: 900 })).toEqual({ gaugeBar: 8, volumeCm3: 300 });
});
