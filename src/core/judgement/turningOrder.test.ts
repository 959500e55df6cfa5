import { measured, must, plainDocument } from '../../../tests/fixtures/records.ts';
import { answerFor } from '../planning/answer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { firstToTurn, turningOrder } from './turningOrder.ts';

const answer = must(answerFor(measured([375, 371, 370, 369])));
/** The answer with these moves in place of its own. */
const moving = (moves: { seatBy?: number; mountMm?: number; gain?: number }[]): Answer => ({
  ...answer,
  corners: answer.corners.map((corner, i) => ({ ...corner, seatBy: 0, mountMm: 0, gain: 2, ...moves[i] })),
});

test('it starts where most is moved at the wheel, seat and mount together', () => {
  expect(firstToTurn(moving([{ seatBy: -4 }, { seatBy: 5 }]))).toBe('RF');
  expect(firstToTurn(moving([{ seatBy: -4, gain: 3 }, { seatBy: 5 }]))).toBe('LF');
  // A mount that goes out while the seat goes back moves the wheel by what is left.
  expect(firstToTurn(moving([{ seatBy: -4, mountMm: 3 }, { seatBy: 2 }]))).toBe('RF');
  expect(firstToTurn(moving([{ seatBy: -2, mountMm: -1 }, { seatBy: 2 }]))).toBe('LF');
  expect(firstToTurn(moving([]))).toBeNull();
});

test('an end that is hard to get at comes first, however little is moved there', () => {
  const hard = { ...moving([{ seatBy: 9 }, {}, { seatBy: 1 }]), document: { ...answer.document, hardEnd: 'rear' as const } };
  expect(firstToTurn(hard)).toBe('LR');
  expect(turningOrder(hard.document)).toEqual(['LR', 'RR', 'LF', 'RF']);
  expect(turningOrder(plainDocument())).toEqual(['LF', 'RF', 'LR', 'RR']);
  // Nothing is moved there: it starts at the other end.
  expect(firstToTurn({ ...hard, corners: moving([{ seatBy: 9 }]).corners })).toBe('LF');
}); // prettier-ignore
