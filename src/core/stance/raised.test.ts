import { analyse } from '../analysis/analyse.ts';
import { lowPoints } from './lowPoints.ts';
import { must } from '../../../tests/fixtures/records.ts';
import { known, lowPoint, onTarget } from '../../../tests/fixtures/situations/machines.ts';

const hanging = (nowMm: number, xMm = 1200) =>
  must(
    analyse(
      onTarget(
        known(lowPoint(nowMm), (document) => document.stance.points.forEach((point) => (point.xMm = xMm))),
      ),
    ).answer,
  );
const targets = (answer: ReturnType<typeof hanging>) => answer.corners.map(({ spec }) => spec.targetMm);

test('targets of the end a low point hangs at are raised until it has what it needs', () => {
  const answer = hanging(90);
  expect(lowPoints(answer)[0]?.afterMm).toBeGreaterThanOrEqual(99.9);
  const [front, right, rear] = targets(answer);
  expect(front).toBeGreaterThanOrEqual(375);
  expect(front).toBeLessThanOrEqual(379);
  expect([right, rear]).toEqual([front, 365]);
  expect(answer.reasons[0]).toMatchObject({
    kind: 'ground',
    name: 'exhaust',
    leastMm: 100,
    raised: [
      { corner: 'LF', askedMm: 365, toMm: front },
      { corner: 'RF', askedMm: 365, toMm: front },
    ],
  });
});

test('a point near the rear end lifts the rear alone', () => {
  const [LF, RF, LR, RR] = targets(hanging(90, -1200));
  expect([LF, RF]).toEqual([365, 365]);
  expect(LR).toBeGreaterThanOrEqual(375);
  expect(RR).toBe(LR);
});

test('all of them where it hangs between the ends; none where it is high enough', () => {
  expect(new Set(targets(hanging(90, 0))).size).toBe(1);
  expect(targets(hanging(90, 0))[0]).toBeGreaterThanOrEqual(375);
  const high = hanging(130);
  expect(targets(high)).toEqual([365, 365, 365, 365]);
  expect(high.reasons).toEqual([]);
});
