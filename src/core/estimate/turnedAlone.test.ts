import { analyse } from '../analysis/analyse.ts';
import { blankDocument } from '../document/create.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  must,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { misfitKey } from './estimate.ts';

const issued = [-16.84, -18.16, -20.5, -19.75];

/** Nothing but a tape. What a seat did shows at its own corner alone: 1.95 mm a mm in front, 1.1 behind. */
function tapeOnly(after: readonly number[], ...more: Entry[]): JobRecord {
  const document = blankDocument('car', 'Seventeen');
  for (const id of fourCorners) document.corners[id].targetMm = id.endsWith('F') ? 350 : 360;
  return add(
    record(document),
    settled(0),
    ...heights(0, [372, 375, 388, 386]),
    ...fourCorners.map((id, k) => adjustment(1, id, issued[k] ?? 0)),
    settled(1),
    ...heights(1, after),
    ...more,
  );
}
const doubtOf = (job: JobRecord) => must(answerFor(job)).doubt;
const suspected = (job: JobRecord) => doubtOf(job).suspicions.map(({ misfit }) => misfitKey(misfit));
const found = (slot: string) =>
  factEntry({ kind: 'acknowledged', round: 0, corner: null, slot, remark: 'checked' });

/** The left front was turned up in place of down; nothing followed it. */
const up = [405, 340, 365, 364];
const collar = 'misfit:turned-other-way:LF:1';

test('one corner as far up as it should be down: its collar is named beside its reading, and before it once read again alike', () => {
  const { suspicions } = doubtOf(tapeOnly(up));
  expect(suspicions.map(({ misfit }) => misfitKey(misfit))).toEqual(['misfit:odd-reading:LF:1', collar]);
  expect(suspicions[1]?.probability).toBeCloseTo(0.45, 2);

  const again = doubtOf(tapeOnly(up, ...heights(1, up, '2')));
  expect(misfitKey(must(again.suspicions[0] ?? null).misfit)).toBe(collar);
  expect(again.suspicions[0]?.probability).toBeCloseTo(0.8, 2);
  expect(again.adopted?.code).toBe('turned-other-way');
  expect(suspected(tapeOnly(up, ...heights(1, [412, 340, 365, 364], '2')))[0]).not.toBe(collar);
});

test('nothing is planned on a reading that is likeliest wrong until it was read again, or found right', () => {
  const moves = (job: JobRecord) => must(answerFor(job)).corners.filter(({ seatBy }) => seatBy !== 0);
  expect(moves(tapeOnly(up))).toEqual([]);
  expect(analyse(tapeOnly(up)).next).toMatchObject({ code: 'check-reading', corner: 'LF' });
  expect(moves(tapeOnly(up, ...heights(1, up, '2'))).length).toBeGreaterThan(0);
  expect(moves(tapeOnly(up, found('misfit:odd-reading:LF:1'))).length).toBeGreaterThan(0);
});

test('a reading that is off by far more, by less or the way it was moved is no collar', () => {
  // Moved by about 23 mm: from 1.8 times that, below 0.6 of it, or further down, nobody turned it the other way.
  for (const mm of [420, 383, 310]) expect(suspected(tapeOnly([mm, ...up.slice(1)]))).not.toContain(collar);
});

test('a reading found right is not suspected again, in its round or before; the collar is then asked about', () => {
  const job = tapeOnly(up, found('misfit:odd-reading:LF:1'));
  expect(suspected(job).filter((key) => key.includes('odd-reading:LF'))).toEqual([]);
  expect(suspected(job)[0]).toBe(collar);
  // Whoever found the first reading right has said nothing of the next.
  expect(suspected(tapeOnly(up, found('misfit:odd-reading:LF:0')))).toContain('misfit:odd-reading:LF:1');
  expect(suspected(tapeOnly(up, found(collar)))).not.toContain(collar);
});
