import { analyse } from '../analysis/analyse.ts';
import type { Entry } from '../document/types.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';

/** Read over the ground by a level line: on another place the floor lies 9 mm lower under the right wheels. */
const document = plainDocument((one) => {
  one.toleranceMm = 6;
  for (const corner of Object.values(one.corners)) {
    corner.reference.kind = 'ground-arch';
    corner.targetMm = 620;
  }
});
const moved = (round: number, floorMm: object) =>
  factEntry({ kind: 'floor', round, corner: null, slot: 'place', place: 'bay 2', floorMm });
const turned = (['LF', 'RF', 'LR', 'RR'] as const).map((id) => adjustment(1, id, 10));
const after = (...more: Entry[]) =>
  analyse(
    add(
      record(document),
      settled(0),
      ...heights(0, 600),
      ...turned,
      ...more,
      settled(1),
      ...heights(1, [620, 620, 620, 620]),
    ),
  );

test('read on another place of the floor, the machine is held against how it stands there', () => {
  const tilted = { RF: -9, RR: -9 };
  const answer = must(after(moved(1, tilted)).answer);
  // A tape from the floor beside each wheel sees the body follow the floor, and so next to nothing.
  const expected = answer.expectedNow();
  expect(must(expected.LF ?? null).mm - must(expected.RF ?? null).mm).toBeLessThan(4);
  expect(answer.now.floorBy).toEqual([0, -9, 0, -9]);
  // What is wanted is wanted on level ground.
  expect(answer.specifiedAfter.level).toBe(true);
  expect(must(after().answer).now.floorBy).toBeUndefined();
});

test('where it stands is as in the round before, until somebody says otherwise', () => {
  const entries = [
    ...heights(0, 600), moved(1, { RF: -9 }), ...heights(1, 600), ...heights(2, 600), moved(3, {}), ...heights(3, 600),
  ]; // oxfmt-ignore
  const { rounds } = analyse(add(record(document), ...entries)).state;
  expect(rounds.map(({ floor }) => floor?.floorMm ?? null)).toEqual([null, { RF: -9 }, { RF: -9 }, {}]);
});

test('one corner of the floor higher twists the body: told of it, it is held against how it stands there', () => {
  const high = { LF: 20 };
  const read = (readings: number[], ...more: Entry[]) =>
    must(
      analyse(
        add(record(document), settled(0), ...heights(0, 600), ...more, settled(1), ...heights(1, readings)),
      ).answer,
    );
  // With that wheel up the body stands twisted by the springs' own give: two corners read low, the other two high.
  const expected = read([600, 600, 600, 600], moved(1, high)).expectedNow();
  const there = fourCorners.map((id) => must(expected[id] ?? null).mm);
  expect(there[0]).toBeLessThan(598);
  expect(there[1]).toBeGreaterThan(602);
  const told = read(there, moved(1, high)).corners.map(({ nowSpecMm }) => nowSpecMm);
  const untold = read(there).corners.map(({ nowSpecMm }) => nowSpecMm);
  // On level ground it stands as it stood before; whoever says nothing has it that it moved.
  for (const mm of told) expect(Math.abs(mm - 600)).toBeLessThan(0.5);
  for (const mm of untold) expect(Math.abs(mm - 600)).toBeGreaterThan(1);
});
