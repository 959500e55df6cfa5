import { FaultList } from '#core/faults.ts';
import { checkRatio, ratioMap } from '#core/geometry/ratioMap.ts';
import { ratioKindOf, ratioKinds, ratioKindWords, startOf } from './ratioKind.ts';

test('every way of saying a ratio has its words, and starts sound from the one number that stood', () => {
  for (const ratio of [0.3, 0.48, 0.85, 1])
    for (const kind of ratioKinds) {
      expect(ratioKindWords[kind]).not.toBe('');
      const start = startOf(kind, ratio, 140);
      if (!start) {
        expect(kind).toBe('one');
        continue;
      }
      const faults = new FaultList();
      checkRatio('ratio', start, 140, faults);
      expect({ kind, ratio, faults: faults.faults }).toEqual({ kind, ratio, faults: [] });
      const map = ratioMap(start, 140);
      map.evaluate(10);
      expect(Math.abs(map.slope / ratio - 1)).toBeLessThan(0.06);
      expect(ratioKindOf(start)).toBe(kind);
    }
});

test('one number is told from what is given by more', () => {
  expect(ratioKindOf(null)).toBe('one');
  expect(ratioKindOf({ kind: 'constant' })).toBe('one');
});
