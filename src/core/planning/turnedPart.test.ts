import { analyse } from '../analysis/analyse.ts';
import { againDocument } from '../book/again.ts';
import type { TurnedPart } from '../document/turnedPart.ts';
import {
  add,
  adjustment,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';

/** Hub to arch, 15 mm too high all round; with `part` the only one turned. */
function analysed(turnOnly: TurnedPart | null, read: number[] | null = null, alike = false) {
  const document = plainDocument((one) => {
    one.turnOnly = turnOnly;
    one.equalSides = alike;
    one.toleranceMm = 6;
    for (const corner of Object.values(one.corners)) corner.targetMm = 360;
  });
  const one = analyse(
    add(
      record(document),
      settled(0),
      ...heights(0, [375, 375, 375, 375]),
      ...(read ? [adjustment(1, 'LR', -15), adjustment(1, 'RR', -15), settled(1)] : []),
      ...(read ? heights(1, read) : []),
      ...(read ? heights(1, read, '2') : []),
    ),
  );
  const moved = must(one.answer).corners.flatMap(({ id, seatBy }) => (seatBy === 0 ? [] : [id]));
  return { ...one, next: one.next, moved, answer: must(one.answer) };
}

test('only what was chosen is turned; what the rest does is still told', () => {
  expect(analysed(null).moved).toEqual(['LF', 'RF', 'LR', 'RR']);
  expect(analysed('rear').moved).toEqual(['LR', 'RR']);
  expect(analysed('left').moved).toEqual(['LF', 'LR']);
  // Left and right alike asks nothing of a side that is only watched.
  expect(analysed('right', null, true).moved).toEqual(['RF', 'RR']);
  // The chance is that of the rear alone, so it is better than of all four.
  expect(must(analysed('rear').answer.chanceAfter)).toBeGreaterThan(must(analysed(null).answer.chanceAfter));
});

test('what turning one end does to the other is told', () => {
  const document = plainDocument((one) => {
    one.turnOnly = 'rear';
    for (const corner of Object.values(one.corners)) corner.targetMm = 360;
  });
  // One side of the rear comes down by much: the body twists, and the front is not where it was.
  const { corners } = must(
    analyse(add(record(document), settled(0), ...heights(0, [375, 375, 395, 360]))).answer,
  );
  const front = corners.filter(({ id }) => id.endsWith('F'));
  expect(front.map(({ seatBy, spec }) => [seatBy, spec.targetMm])).toEqual([
    [0, null],
    [0, null],
  ]);
  expect(front.some(({ riseMm }) => Math.abs(riseMm) > 1)).toBe(true);
});

test('the one side that was read is turned alone where only that side is', () => {
  const document = plainDocument((one) => {
    one.turnOnly = 'left';
    for (const corner of Object.values(one.corners)) corner.targetMm = 360;
  });
  const half = heights(0, [375, 375, 375, 375]).filter((_, k) => k % 2 === 0);
  const answer = must(analyse(add(record(document), settled(0), ...half)).answer);
  expect(answer.corners.filter(({ seatBy }) => seatBy !== 0).map(({ id }) => id)).toEqual(['LF', 'LR']);
  expect(answer.unread).toEqual([]);
});

test('where the chosen end stands right the rest is offered, and nothing of it stands open before', () => {
  const done = analysed('rear', [375, 375, 360, 360]);
  expect(done.next).toMatchObject({ stage: 'plan', code: 'the-rest', corners: ['LF', 'RF'] });
  expect(done.openPoints).toEqual([]);
  // Asked of all of it, the front is next.
  expect(analysed(null, [375, 375, 360, 360]).next).toMatchObject({ code: 'turn' });
});

test('the next job on the machine asks for all of it again, and keeps every target', () => {
  const next = againDocument(analysed('rear').answer, '00000000-0000-4000-9000-000000000001', 'Back');
  expect(next.turnOnly).toBeNull();
  expect(next.corners.LF.targetMm).toBe(360);
});
