import type { Entry, JobDocument } from '../document/types.ts';
import {
  add,
  adjustment,
  factEntry,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { analyse } from './analyse.ts';
import { whatStops } from './whatStops.ts';

/** The front is to go as high as its 8 mm of thread let it; worked out at first as 560. */
function wanted(edit: (document: JobDocument) => void = () => undefined) {
  return plainDocument((one) => {
    for (const id of ['LF', 'RF'] as const) {
      one.corners[id].threadUpMm = 8;
      one.corners[id].targetMm = 392;
      one.corners[id].asFar = { way: 'highest', targetMm: 392 };
    }
    for (const id of ['LR', 'RR'] as const) one.corners[id].targetMm = 380;
    edit(one);
  });
}
const analysed = (document: JobDocument, ...more: Entry[]) =>
  analyse(add(record(document), settled(0), ...heights(0, 380), ...more));
const front = (one: ReturnType<typeof analysed>) => must(must(one.answer).corners[0] ?? null);

test('all of the thread is used, and what it came to is what was wanted', () => {
  const before = analysed(wanted());
  expect(front(before).seatBy).toBeGreaterThan(7.5);
  // It gives 1.9 a millimetre, more than was assumed: nobody turns it back for that.
  const up = [
    adjustment(1, 'LF', 8), adjustment(1, 'RF', 8), settled(1),
    ...heights(1, [395, 395, 380, 380]), ...heights(1, [395, 395, 380, 380], '2'),
  ]; // oxfmt-ignore
  const after = analysed(wanted(), ...up);
  expect(front(after)).toMatchObject({ seatBy: 0 });
  expect(front(after).spec.targetMm).toBeCloseTo(395, 6);
  expect(after.next.code).toBe('lock');
  // As it was written is kept.
  expect(must(after.answer).written.corners.LF.targetMm).toBe(392);
});

test('a target typed since asks for itself', () => {
  const typed = analysed(
    wanted((one) => {
      one.corners.LF.targetMm = 386;
      one.corners.RF.targetMm = 386;
    }),
  );
  expect(front(typed).spec.targetMm).toBe(386);
  expect(front(typed).seatBy).toBeLessThan(6);
});

test('what is known to run out before the thread stops it there, and is what it is told by', () => {
  const opens = (openMm: number) =>
    analysed(
      wanted((one) => {
        for (const id of ['LF', 'RF'] as const) {
          one.corners[id].damper = { openMm, closedMm: null };
          one.corners[id].pitchMm = 1;
        }
      }),
      ...(['LF', 'RF'] as const).map((corner) =>
        factEntry({ kind: 'damper-length', round: 0, corner, slot: '1', mm: 460 }),
      ),
    );
  const long = opens(540);
  expect(front(long).seatBy).toBe(8);
  expect(whatStops(long.margins, 'LF')).toBe('thread-up');
  const short = opens(465);
  const left = must(
    short.margins.find(({ kind, corner }) => kind === 'damper-open' && corner === 'LF') ?? null,
  );
  expect(left.leftMm).toBeGreaterThan(-0.1);
  expect(left.leftMm).toBeLessThan(1);
  expect(front(short).seatBy).toBeLessThan(front(long).seatBy - 1);
  expect(whatStops(short.margins, 'LF')).toBe('damper-open');
});
