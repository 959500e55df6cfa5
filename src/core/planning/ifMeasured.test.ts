import { must } from '../../../tests/fixtures/records.ts';
import { atAll, onTarget, tapeAlone } from '../../../tests/fixtures/situations/machines.ts';
import { answerFor } from './answer.ts';
import { chanceIfMeasured } from './ifMeasured.ts';

const raisedBy30 = (maxMm: number) =>
  must(
    answerFor(
      onTarget(
        tapeAlone(atAll({ targetMm: 395, collar: { datum: 'top', grows: 'with-seat', minMm: 60, maxMm } })),
      ),
    ),
  );

test('a height that the thread does not reach is not reached by measuring the ratio', () => {
  expect(chanceIfMeasured(raisedBy30(150))).toBeGreaterThan(0.8);
  expect(chanceIfMeasured(raisedBy30(92))).toBeLessThan(0.05);
});
