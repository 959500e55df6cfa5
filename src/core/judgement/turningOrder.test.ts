import { measured, must, plainDocument } from '../../../tests/fixtures/records.ts';
import { planFact } from '../planning/tell.ts';
import { answerFor } from '../planning/answer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { firstToTurn, plannedOrder, toldOrder, turningOrder } from './turningOrder.ts';

const answer = must(answerFor(measured([375, 371, 370, 369])));
/** The answer with these moves in place of its own. */
const moving = (moves: { seatBy?: number; riseMm?: number }[]): Answer => ({
  ...answer,
  corners: answer.corners.map((corner, i) => ({ ...corner, seatBy: 0, mountMm: 0, riseMm: 0, ...moves[i] })),
});

test('an end at a time, the one that moves most first, left before right', () => {
  const rear = moving([{ seatBy: -4, riseMm: -8 }, {}, { seatBy: 2, riseMm: 3 }, { seatBy: 6, riseMm: 12 }]);
  expect(plannedOrder(rear)).toEqual(['LR', 'RR', 'LF']);
  expect(firstToTurn(rear)).toBe('LR');
  expect(
    firstToTurn(
      moving([
        { seatBy: -4, riseMm: -8 },
        { seatBy: 1, riseMm: 2 },
      ]),
    ),
  ).toBe('LF');
  expect(firstToTurn(moving([{}, { seatBy: 1, riseMm: 2 }]))).toBe('RF');
  expect(firstToTurn(moving([]))).toBeNull();
});

test('an end that is hard to get at comes first, however little is moved there', () => {
  const document = { ...answer.document, hardEnd: 'rear' as const };
  const hard = { ...moving([{ seatBy: 9, riseMm: 18 }, {}, { seatBy: 1, riseMm: 2 }]), document };
  expect(plannedOrder(hard)).toEqual(['LR', 'LF']);
  expect(turningOrder(document, {})).toEqual(['LR', 'RR', 'LF', 'RF']);
  expect(turningOrder(plainDocument(), {})).toEqual(['LF', 'RF', 'LR', 'RR']);
  // Nothing is moved there: it starts at the other end.
  expect(firstToTurn({ ...hard, corners: moving([{ seatBy: 9, riseMm: 18 }]).corners })).toBe('LF');
});

test('once told, the order is the same as when it was planned', () => {
  for (const read of [
    [375, 371, 370, 369],
    [367, 366, 390, 371],
  ]) {
    const plan = must(answerFor(measured(read)));
    const { told } = planFact(plan);
    const order = toldOrder(plan.document, told);
    expect(order.filter((id) => plannedOrder(plan).includes(id))).toEqual(plannedOrder(plan));
  }
});
