import { answerFor } from '../planning/answer.ts';
import { add, heights, must, plainDocument, record, settled } from '../../../tests/fixtures/records.ts';
import { anglesAfter, USUAL_RADIUS_MM } from './anglesAfter.ts';
import { lowPoints } from './lowPoints.ts';
import { stanceAngles } from './angles.ts';
import { wheelbaseOf } from './body.ts';

const answer = must(
  answerFor(
    add(
      record(
        plainDocument((document) => {
          document.stance.points = [
            { name: 'bumper', xMm: 2000, yMm: 0, nowMm: 300, leastMm: null },
            { name: 'sill', xMm: 0, yMm: 700, nowMm: 220, leastMm: null },
            { name: 'tow eye', xMm: -2100, yMm: 0, nowMm: 350, leastMm: null },
          ] as typeof document.stance.points;
          document.stance.tyreMm.front = 700;
        }),
      ),
      settled(0),
      ...heights(0, 375),
    ),
  ),
);

const expected = (
  heightOf: (point: ReturnType<typeof lowPoints>[number]) => number,
  front: number,
  rear: number,
) =>
  stanceAngles({
    wheelbaseMm: wheelbaseOf(answer),
    frontRadiusMm: front,
    rearRadiusMm: rear,
    points: lowPoints(answer).map((point) => ({
      name: point.name,
      xMm: point.xMm,
      heightMm: heightOf(point),
    })),
  });

test('angles after the plan go by the heights then, the tyre that was measured, and a usual one where none was', () => {
  expect(anglesAfter(answer)).toEqual(expected(({ afterMm }) => afterMm, 350, USUAL_RADIUS_MM));
  const now = anglesAfter(answer, ({ hereMm }) => hereMm);
  expect(now).toEqual(expected(({ hereMm }) => hereMm, 350, USUAL_RADIUS_MM));
  // The plan lowers it: every angle is less afterwards.
  expect(anglesAfter(answer).approach?.deg).toBeLessThan(now.approach?.deg ?? NaN);
  expect(anglesAfter(answer)).toMatchObject({ approach: { by: 'bumper' }, breakover: { by: 'sill' }, departure: { by: 'tow eye' } }); // oxfmt-ignore
});

test('on other tyres their size counts, and where none is given the one that is on', () => {
  answer.document.stance.nextTyreMm.rear = 760;
  const next = anglesAfter(answer, ({ onNextTyresMm }) => onNextTyresMm, 'nextTyreMm');
  expect(next).toEqual(expected(({ onNextTyresMm }) => onNextTyresMm, 350, 380));
});
