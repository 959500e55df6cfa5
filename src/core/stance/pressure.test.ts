import { plainDocument } from '../../../tests/fixtures/records.ts';
import { pressureLifts } from './pressure.ts';

const document = plainDocument((one) => {
  one.corners.LF.tyreBar = 0.8;
  one.corners.LF.tyreRateNPerMm = 200;
  one.corners.LF.loadKg = 200;
});

test('a tyre too hard stands its wheel higher, one too soft lower, and more so', () => {
  // 200 kg on 200 N/mm squeeze it 9.81 mm; at 1.3 bar its rate is 0.25 + 0.75 x 1.3 / 0.8 = 1.469 times that.
  expect(pressureLifts(document, 'LF', 1.3)).toBeCloseTo(9.81 - 9.81 / 1.469, 2);
  expect(pressureLifts(document, 'LF', 0.8)).toBeCloseTo(0, 6);
  expect(pressureLifts(document, 'LF', 0.4)).toBeCloseTo(9.81 - 9.81 / 0.625, 2);
  expect(pressureLifts(document, 'RF', 1)).toBeNull();
});
