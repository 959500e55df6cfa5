import fc from 'fast-check';
import {
  bothSystems,
  fractionParts,
  lengthParts,
  fineLengthText,
  lengthText,
  partsToInput,
  shownLength,
  type Denominator,
} from './formatLength.ts';
import { explainRefusal } from '#words/refusals.ts';
import { inReadersUnit, measureIn, measureNames, measureText, parseMeasure, unitsOf } from './measure.ts';
import { parseLength } from './parseLength.ts';
import { parseRatio } from './ratio.ts';
import { ratioText } from '#words/ratio.ts';
import { parseTurns, turnsText } from './turns.ts';

const mm = (text: string, bare: 'mm' | 'in' = 'in') => {
  const parsed = parseLength(text, bare);
  if (!parsed.ok) throw new Error(`${text}: ${parsed.reason}`);
  return parsed.mm;
};
const refusal = (text: string) => {
  const parsed = parseLength(text, 'mm');
  return parsed.ok ? `read as ${parsed.mm}` : parsed.reason;
};

describe('reading lengths as people write them', () => {
  test.each([
    ['14 3/4', 374.65],
    ['14-3/4', 374.65],
    ['14.75"', 374.65],
    ['14,75 in', 374.65],
    [`1' 2 3/4"`, 374.65],
    [`1' 2 3/4`, 374.65],
    [`1ft 2.75in`, 374.65],
    [`1'-2 3/4"`, 374.65],
    ['14¾', 374.65],
    ['14 ¾″', 374.65],
    ["1'", 304.8],
    ['12 1/16 in', 306.3875],
    ['375mm', 375],
    ['37.5 cm', 375],
    ['37,5cm', 375],
    ['.5', 12.7],
    ['-1/2', -12.7],
    ['+3 mm', 3],
    ['−3 mm', -3],
    ['3/4 "', 19.05],
  ])('%s is %d mm', (text, expected) => {
    expect(mm(text)).toBeCloseTo(expected, 10);
  });

  test('a bare number takes the unit of the field, a bare fraction is always inches', () => {
    expect(mm('375', 'mm')).toBe(375);
    expect(mm('375', 'in')).toBe(9525);
    expect(mm('14 3/4', 'mm')).toBeCloseTo(374.65, 10);
  });

  test.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'not-a-number'],
    ['12 parsec', 'unknown-unit'],
    ['1.2.3', 'two-decimal-marks'],
    ['1,234.5', 'two-decimal-marks'],
    ['1,250', 'ambiguous-comma'],
    ['3/0', 'zero-denominator'],
    ['14 5/4', 'fraction-over-one'],
    ['2" 1\'', 'unit-order'],
    ['1 2', 'not-a-number'],
    ['--4', 'not-a-number'],
    ['1e5', 'not-a-number'],
    ['9'.repeat(60), 'not-a-number'],
  ])('%s is refused as %s', (text, reason) => {
    expect(refusal(text)).toBe(reason);
  });

  test('every refusal has words that say what would be right', () => {
    expect(explainRefusal('ambiguous-comma', '1,250')).toMatch(/1250 or 1\.25/);
    expect(explainRefusal('fraction-over-one', '14 5/4')).toMatch(/15 1\/4/);
    expect(explainRefusal('not-a-number', '37o')).toBe(
      '“37o” is not a number. Type for example 375, 37.5 cm or 14 3/4.',
    );
  });
});

describe('writing lengths', () => {
  const inches = (value: number, denominator: Denominator = 16) =>
    lengthText(value * 25.4, { system: 'in', denominator, decimals: 1 });

  test('rounds to the nearest fraction, reduces it and carries', () => {
    expect(inches(14.75)).toBe('14 3/4 in');
    expect(inches(14.9702, 16)).toBe('15 in');
    expect(inches(14.9702, 32)).toBe('14 31/32 in');
    expect(inches(0.5)).toBe('1/2 in');
    expect(inches(0)).toBe('0 in');
    expect(inches(-0.0101)).toBe('0 in');
    expect(inches(-2.25)).toBe('−2 1/4 in');
  });

  test('what was read in 64ths or thousandths stands as it was read', () => {
    expect(inches(13 + 15 / 32)).toBe('13 15/32 in');
    expect(inches(14 + 13 / 64, 8)).toBe('14 13/64 in');
    expect(inches(14.96)).toBe('14.96 in');
    expect(inches(-0.79)).toBe('−0.79 in');
    expect(lengthText(342, { system: 'in', denominator: 16, decimals: 1 })).toBe('13 7/16 in');
    const style = { system: 'in', denominator: 16, decimals: 1 } as const;
    expect(shownLength(14.96 * 25.4, style)).toBe(14.96 * 25.4);
    expect(shownLength(342, style) / 25.4).toBe(13 + 7 / 16);
  });

  test('drops needless zeros in mm and never writes minus nought', () => {
    expect(lengthText(375, { system: 'mm', denominator: 16, decimals: 1 })).toBe('375 mm');
    expect(lengthText(374.96, { system: 'mm', denominator: 16, decimals: 1 })).toBe('375 mm');
    expect(lengthText(-0.04, { system: 'mm', denominator: 16, decimals: 1 })).toBe('0 mm');
    expect(bothSystems(374.65, 16)).toBe('374.65 mm · 14 3/4 in');
  });
});

describe('there and back', () => {
  const denominators = fc.constantFrom<Denominator>(8, 16, 32);

  test('exact thirty-seconds survive writing and reading (10,000 cases)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -64000, max: 64000 }), (steps) => {
        const value = (steps / 32) * 25.4;
        const text = partsToInput(lengthParts(value, { system: 'in', denominator: 32, decimals: 1 }));
        return Math.abs(mm(text, 'in') - value) < 5e-10;
      }),
      { numRuns: 10_000 },
    );
  });

  test('any length comes back within half a step, in either system (10,000 cases)', () => {
    const cases = fc.tuple(
      fc.double({ min: -3000, max: 3000, noNaN: true }),
      denominators,
      fc.constantFrom('mm' as const, 'in' as const),
    );
    fc.assert(
      fc.property(cases, ([value, denominator, system]) => {
        const text = partsToInput(lengthParts(value, { system, denominator, decimals: 1 }));
        const halfStep = system === 'in' ? 25.4 / denominator / 2 : 0.05;
        return Math.abs(mm(text, system) - value) <= halfStep + 1e-6;
      }),
      { numRuns: 10_000 },
    );
  });

  test('nothing typed can make the reader throw or give a number that is not finite (10,000 cases)', () => {
    const alphabet = fc.constantFrom(...'0123456789 ./,-+\'"mcinft½¾x'.split(''));
    fc.assert(
      fc.property(fc.string({ unit: alphabet, maxLength: 14 }), (text) => {
        const parsed = parseLength(text, 'mm');
        return parsed.ok ? Number.isFinite(parsed.mm) : typeof parsed.reason === 'string';
      }),
      { numRuns: 10_000 },
    );
  });

  test('fractions written are in lowest terms', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (value) => {
        const { fraction } = fractionParts(value, 32);
        expect(fraction === null || fraction.numerator % 2 === 1).toBe(true);
      }),
    );
  });
});

describe('turns and ratios', () => {
  test('turns in fractions or decimals, told to the eighth', () => {
    expect(parseTurns('3 1/4')).toEqual({ ok: true, value: 3.25 });
    expect(parseTurns('-3,25 turns')).toEqual({ ok: true, value: -3.25 });
    expect(parseTurns('many').ok).toBe(false);
    expect(turnsText(3.25)).toBe('3 1/4 turns');
    expect(turnsText(-1)).toBe('1 turn');
    expect(turnsText(0.125)).toBe('1/8 turn');
  });

  test('2:1 and 0.5 are one ratio', () => {
    expect(parseRatio('2:1')).toEqual({ ok: true, value: 0.5 });
    expect(parseRatio('1/2')).toEqual({ ok: true, value: 0.5 });
    expect(parseRatio('1.6 : 1')).toEqual({ ok: true, value: 0.625 });
    expect(parseRatio('0:1').ok).toBe(false);
    expect(parseRatio('2:1:1').ok).toBe(false);
    expect(ratioText(0.5)).toBe('the wheel goes 2.00 times as far as the seat');
  });
});

describe('masses, rates and shares', () => {
  test.each([
    ['mass', '250', 'mm', 250],
    ['mass', '250', 'in', 113.3980925],
    ['mass', '551 lb', 'mm', 249.929396],
    ['rate', '105', 'mm', 105],
    ['rate', '600 lb/in', 'mm', 105.076],
    ['rate', '600', 'in', 105.076],
    ['rate', '10.5 kg/mm', 'in', 102.9698],
    ['force', '1000 lbf', 'mm', 4448.2216],
    ['pressure', '5.5', 'mm', 5.5],
    ['pressure', '80', 'in', 5.515806],
    ['pressure', '550 kPa', 'in', 5.5],
    ['distance', '300', 'in', 482.803],
    ['distance', '300 miles', 'mm', 482.803],
    ['volume', '5', 'in', 18.927],
    ['volume', '5 litres', 'in', 5],
    ['chamber', '10 cc', 'in', 10],
    ['chamber', '1', 'in', 16.387],
    ['area', '1 in2', 'mm', 645.16],
    ['torsion', '10', 'in', 1129.848],
    ['angleGain', '1', 'in', 0.039],
    ['share', '54', 'mm', 0.54],
    ['share', '54,5 %', 'mm', 0.545],
  ] as const)('%s %s for a reader of %s', (name, text, system, expected) => {
    const parsed = parseMeasure(name, text, system);
    expect(parsed.ok && parsed.value).toBeCloseTo(expected, 3);
  });

  test('what is written is read back as the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          ...measureNames.flatMap((name) => unitsOf(name).map((units) => [name, units] as const)),
        ),
        fc.integer({ min: 1, max: 90000 }),
        ([name, units], n) => {
          const value = n / 1000;
          const shown = inReadersUnit(name, value, units);
          const back = parseMeasure(name, shown.value.toFixed(9), units);
          expect(back.ok && Math.abs(back.value - value) < 1e-6).toBe(true);
        },
      ),
    );
    expect(measureText('rate', 105.076)).toBe('105.1 N/mm · 600 lb/in');
    // Two figures at least, however small.
    expect(measureText('angleGain', -0.0214)).toBe('-0.021 °/mm · -0.54 °/in');
  });

  test.each([
    ['pressure', 1.8, 'kpa', '180 kPa'],
    ['rate', 9.80665, 'kg/mm', '1 kg/mm'],
    ['rate', 8.4, 'kg/mm', '0.86 kg/mm'],
  ] as const)('%s of %s for a reader of %s: %s', (name, value, units, written) => {
    expect(measureIn(name, value, units)).toBe(written);
    expect(parseMeasure(name, written, 'in')).toMatchObject({ ok: true });
  });

  test.each(['', 'kg', '5 stone', '1.2.3', '5 /in'])('refuses %j', (text) => {
    expect(parseMeasure('mass', text, 'mm').ok).toBe(false);
  });
});

test('what a turn does is too fine for fractions: tenths of a mm, thousandths of an inch', () => {
  expect([0.52, -1.64, 0].map((mm) => fineLengthText(mm, 'mm', true))).toEqual([
    '+0.5 mm',
    '−1.6 mm',
    '+0.0 mm',
  ]);
  expect(fineLengthText(1.6, 'in')).toBe('0.063 in');
  expect(fineLengthText(-0.4, 'in', true)).toBe('−0.016 in');
});

test('the length that is shown is what is read off: tenths of a millimetre, sixteenths of an inch', () => {
  expect(shownLength(12.34, { system: 'mm', decimals: 1, denominator: 16 })).toBeCloseTo(12.3, 12);
  expect(shownLength(12.34, { system: 'mm', decimals: 0, denominator: 16 })).toBe(12);
  expect(shownLength(26, { system: 'in', decimals: 0, denominator: 16 })).toBeCloseTo(25.4, 9);
});
