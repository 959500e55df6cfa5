import { FaultList } from '#core/faults.ts';
import { checkRatio, ratioMap } from '#core/geometry/ratioMap.ts';
import type { RatioDocument } from '#core/document/types.ts';
import { exampleLinkage, ratioKindOf, ratioKinds, ratioKindWords } from './ratioKind.ts';
import { placesSoFar, putTogether, requiredParts, takenApart } from './ratioParts.ts';

test('every way of saying a ratio has its words', () => {
  for (const kind of ratioKinds) expect(ratioKindWords[kind]).not.toBe('');
  expect(ratioKindOf(null)).toBe('one');
  expect(ratioKindOf({ kind: 'constant' })).toBe('one');
});

test.each([0.3, 0.48, 0.85, 1])('the linkage drawn as an example is sound and has the ratio %f', (ratio) => {
  const example = { kind: 'linkage' as const, ...exampleLinkage(ratio) };
  const faults = new FaultList();
  checkRatio('ratio', example, 140, faults);
  expect(faults.faults).toEqual([]);
  const map = ratioMap(example, 140);
  map.evaluate(10);
  expect(Math.abs(map.slope / ratio - 1)).toBeLessThan(0.06);
});

const ways: RatioDocument[] = [
  { kind: 'levers', damperLeverMm: 260, wheelLeverMm: 400, damperAngleDeg: 80 },
  { kind: 'levers', damperLeverMm: 260, wheelLeverMm: 400, damperAngleDeg: null },
  { kind: 'linkage', ...placesSoFar({}, exampleLinkage(0.5)), linkLongerMm: 12 } as RatioDocument,
];

test.each(ways)('taken apart and put together again it is the same: %j', (ratio) => {
  const kind = ratio.kind === 'levers' ? 'levers' : 'linkage';
  expect(putTogether(kind, takenApart(ratio))).toEqual(ratio);
  expect(requiredParts[kind].every((key) => key in takenApart(ratio))).toBe(true);
});

test('a place half typed keeps its other half from the example', () => {
  const example = exampleLinkage(0.5);
  const places = placesSoFar({ 'axle.0': -480 }, example);
  expect(places.axle).toEqual([-480, example.axle[1]]);
  expect(places.damperOnFrame).toEqual(example.damperOnFrame);
});
