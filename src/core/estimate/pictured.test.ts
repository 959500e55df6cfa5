import {
  add,
  factEntry,
  fourCorners,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { answerFor } from '../planning/answer.ts';
import type { Entry } from '../document/types.ts';

/** A round of heights, three a corner, off pictures or by tape. */
function read(mm: number, by: 'picture' | 'tape', slots = ['1', '2', '3'], sharedSdMm = 1.5): Entry[] {
  return fourCorners.flatMap((corner) =>
    slots.map((slot) =>
      factEntry({
        kind: 'height',
        corner,
        slot,
        mm,
        ...(by === 'picture' && { picture: { ownSdMm: 0.4, sharedSdMm, pictureId: null } }),
      }),
    ),
  );
}

const corner = (...entries: Entry[]) => {
  const answer = must(answerFor(add(record(plainDocument()), settled(0), ...entries)));
  return { answer, now: must(answer.corners.find(({ id }) => id === 'LF') ?? null) };
};

test('what all pictures of a wheel share stays, however many are taken', () => {
  const { now } = corner(...read(375, 'picture'));
  expect(now.nowSdMm).toBeGreaterThan(1.4);
  const better = corner(...read(375, 'picture', undefined, 0.2)).now;
  expect(better.nowSdMm).toBeLessThan(now.nowSdMm - 0.3);
});

test('a tape beside the pictures teaches what they have wrong', () => {
  const pictures = corner(...read(375, 'picture', ['1', '2'])).now;
  const both = corner(...read(375, 'picture', ['1', '2']), ...read(377, 'tape', ['3'])).now;
  // The tape has no such error: it draws the height to itself, and makes it surer.
  expect(both.nowMm).toBeGreaterThan(pictures.nowMm + 1);
  expect(both.nowSdMm).toBeLessThan(pictures.nowSdMm);
});

test('it is the same in both rounds, so that a change is known better than a height', () => {
  const after = (by: 'picture' | 'tape') =>
    read(370, by).map((entry) =>
      entry.type === 'fact' ? { ...entry, fact: { ...entry.fact, round: 1 } } : entry,
    );
  const moved = fourCorners.map((id) =>
    factEntry({ kind: 'adjustment', round: 1, corner: id, slot: 'done', mm: -2.5, askedMm: -2.5 }),
  );
  const gain = (by: 'picture' | 'tape') =>
    must(corner(...read(375, by), ...moved, settled(1), ...after(by)).answer.posterior.gains.LF ?? null).now
      .sd;
  // Pictures with little error of their own tell what a move did as well as a tape does, however wrong they all are.
  expect(gain('picture')).toBeLessThan(1.02 * gain('tape'));
});
