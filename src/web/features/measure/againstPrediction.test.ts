import { answerFor } from '#core/planning/answer.ts';
import { toldPlan } from '#core/planning/tell.ts';
import type { LengthStyle } from '#core/units/formatLength.ts';
import {
  add,
  adjustment,
  factEntry,
  fourCorners,
  heights,
  measured,
  must,
  settled,
} from '../../../../tests/fixtures/records.ts';
import { againstPrediction, turnedFurther } from './againstPrediction.ts';

const style: LengthStyle = { system: 'mm', denominator: 16, decimals: 0 };
const job = measured(375);
const told = toldPlan(must(answerFor(job)));
const issued = add(job, factEntry({ kind: 'plan', round: 1, slot: 'plan', told }));
const turned = add(
  issued,
  ...fourCorners.map((id) => adjustment(1, id, told.corners[id]?.seatMm ?? 0)),
  settled(1),
);
const against = (one: typeof job, round = 1, read: LengthStyle = style) =>
  againstPrediction(must(answerFor(one)), 'LF', round, told.corners.LF ?? null, read);

test('a baseline is held against nothing', () => {
  expect(against(job, 0)).toBeNull();
});

test('while it is being turned, what was issued is expected', () => {
  expect(against(issued)).toEqual({
    kind: 'awaited',
    predicted: { value: told.corners.LF?.heightMm, sd: told.corners.LF?.heightSdMm },
  });
});

test('once turned and settled a height is awaited; once read it is so far off as the two figures shown', () => {
  const awaited = against(turned);
  expect(awaited?.kind).toBe('awaited');
  const shown = Math.round(awaited?.predicted.value ?? NaN);
  const read = (by: number, read?: LengthStyle) => against(add(turned, ...heights(1, shown + by)), 1, read);
  expect(read(0)).toMatchObject({ kind: 'compared', offMm: 0, same: true, far: false });
  expect(read(-2)).toMatchObject({ offMm: -2, same: false });
  expect(read(30)).toMatchObject({ offMm: 30, far: true });
  expect(read(-30)).toMatchObject({ far: true });
});

test('sixteenths are coarser: what is nearer than one of them is the same', () => {
  const inches: LengthStyle = { ...style, system: 'in' };
  const predicted = against(turned)?.predicted.value ?? NaN;
  const sixteenth = (Math.round(predicted / 25.4 * 16) / 16) * 25.4;
  const off = (by: number) => against(add(turned, ...heights(1, sixteenth + by)), 1, inches);
  expect(off(0.7)).toMatchObject({ same: true });
  expect(off(0.9)).toMatchObject({ same: false });
}); // oxfmt-ignore

test('turned otherwise than issued is told in turns, from a sixteenth on, whichever way it was to go', () => {
  const asked = (seatMm: number, more = {}) => ({ ...must(told.corners.LF ?? null), seatMm, ...more });
  const further = (issuedMm: number, doneMm: number) => turnedFurther(job.document, 'LF', asked(issuedMm), doneMm);
  expect(further(-4, -4.1)).toBeNull();
  expect(further(-4, -5)).toEqual({ turns: -0.5, more: true });
  expect(further(-4, -3)).toEqual({ turns: 0.5, more: false });
  expect(further(4, 6)).toEqual({ turns: 1, more: true });
  expect(turnedFurther(job.document, 'LF', null, 3)).toBeNull();
  expect(turnedFurther(job.document, 'LF', asked(0, { airByBar: 0.4 }), 3)).toBeNull();
}); // oxfmt-ignore
