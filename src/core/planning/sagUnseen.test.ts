import { add, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { blankDocument } from '../document/create.ts';
import type { JobRecord } from '../document/types.ts';
import { answerFor } from './answer.ts';
import { byCorner } from './answerShape.ts';
import { unreadOf } from './enough.ts';
import { sagToReadFirst } from './sagUnseen.ts';

/** A sled's rear arm, 50 to 75 mm wanted with a rider of 88 kg on, by a bumper mark. */
function sled(): JobRecord {
  const document = blankDocument('snowmobile', 'rear');
  document.riders = [
    { key: 'r1', name: 'rider', kg: 88, gearKg: 0, rearShare: 0.6, passengerKg: 0, luggageKg: 0 },
  ];
  document.corners.RA.sagWindow = { fromMm: 50, toMm: 75 };
  document.corners.RA.sagMm = 62.5;
  return record(document);
}

const sag = (slot: string, mm: number) => factEntry({ kind: 'sag', round: 0, corner: 'RA', slot, mm });

test('fully extended alone tells nothing: there is no answer yet', () => {
  expect(answerFor(add(sled(), sag('extended-1', 618)))).toBeNull();
});

test('with nobody on alone the rider’s sag is a guess: nothing is turned by it, and it is still to be read', () => {
  const read = add(sled(), sag('extended-1', 618), sag('alone-rest-1', 588));
  const answer = must(answerFor(read));
  expect(sagToReadFirst(answer, 'RA')).toBe('ridden');
  expect(byCorner(answer).RA).toMatchObject({ seatBy: 0, riseMm: expect.closeTo(0, 6) as number });
  expect(unreadOf(answer)).toEqual(['RA']);
});

test('with the rider on it is turned', () => {
  const read = add(sled(), sag('extended-1', 618), sag('r1-rest-1', 522));
  const answer = must(answerFor(read));
  expect(sagToReadFirst(answer, 'RA')).toBeNull();
  expect(byCorner(answer).RA?.seatBy).toBeGreaterThan(0);
  expect(unreadOf(answer)).toEqual([]);
});
