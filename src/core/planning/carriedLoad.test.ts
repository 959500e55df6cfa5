import { add, heights, must, plainDocument, record, settled } from '../../../tests/fixtures/records.ts';
import { analyse } from '../analysis/analyse.ts';
import { blankSpring } from '../document/spring.ts';
import { carriedBy } from './carriedLoad.ts';

const bar = { name: 'bar', kg: 46, xMm: 1300, yMm: 0, aboard: [false, true] };

/** A truck of which its front springs may be known, with a bar ahead of its front axle that is off while it is read. */
function truck(rateNPerMm: number | null) {
  const document = plainDocument((one) => {
    one.cases = ['as read', 'with the bar'];
    one.loads = [bar];
    for (const id of ['LF', 'RF'] as const) {
      one.corners[id].ratio = 0.5;
      if (rateNPerMm !== null) one.corners[id].springs = [{ ...blankSpring, name: 'coil', rateNPerMm }];
    }
  });
  return must(analyse(add(record(document), settled(0), ...heights(0, 380))).answer);
}

test('a load ahead of the front axle lowers the front and lifts the rear; the seat that takes it back is the drop over the gain', () => {
  const carried = carriedBy(truck(null), 0);
  const [front, rear] = carried;
  expect(front).toMatchObject({ axle: 'front' });
  const one = must(front ?? null);
  expect(one.dropMm).toBeGreaterThan(1);
  expect(one.seatMm).toBeGreaterThan(0);
  expect(one.seatMm).toBeLessThan(one.dropMm);
  // Nobody knows its springs: the spread is a good part of it.
  expect(one.seatSdMm / one.seatMm).toBeGreaterThan(0.1);
  if (rear) expect(rear.dropMm).toBeLessThan(0.5);
  const known = must(carriedBy(truck(60), 0)[0] ?? null);
  expect(known.seatSdMm / known.seatMm).toBeLessThan(0.7 * (one.seatSdMm / one.seatMm));
  // 46 kg a little ahead of the axle, on two springs of 60 N/mm at half the travel: 15 N/mm at each wheel.
  expect(known.dropMm).toBeGreaterThan(12);
  expect(known.dropMm).toBeLessThan(19);
});

test('with the bar put on, the plan for it asks for about as much seat as was said', () => {
  const answer = truck(null);
  const said = must(carriedBy(answer, 0)[0] ?? null).seatMm;
  const asked = must(answer.corners[0] ?? null).seatBy;
  const plain = must(
    analyse(
      add(
        record(plainDocument((one) => (one.corners.LF.ratio = one.corners.RF.ratio = 0.5))),
        settled(0),
        ...heights(0, 380),
      ),
    ).answer,
  );
  const without = must(plain.corners[0] ?? null).seatBy;
  expect(asked - without).toBeGreaterThan(0.6 * said);
  expect(asked - without).toBeLessThan(1.4 * said);
});
