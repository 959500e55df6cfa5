import { numbered } from '#core/document/factKinds.ts';
import fc from 'fast-check';
import { answerFor } from '#core/planning/answer.ts';
import type { LengthStyle } from '#core/units/formatLength.ts';
import { measured, record } from '../../../tests/fixtures/records.ts';
import { rulerTicks, ruleWords, type TravelRuleData } from '../drawing/travelRule.ts';
import { factKey, pathKey, valueAt, withDrafts } from '../jobStore/draftKeys.ts';
import { capital } from '../ui/words.ts';
import { factWords, pathWords, roundWords } from '#words/fields.ts';
import { meantBy } from './meant.ts';
import { quantities, readWithin } from './quantity.ts';

const mmStyle: LengthStyle = { system: 'mm', denominator: 16, decimals: 1 };
const inStyle: LengthStyle = { ...mmStyle, system: 'in' };
const range = { min: 0, max: 3000 };

describe('reading a field', () => {
  test('in range it is the value, out of range the reason says the range in the reader’s unit', () => {
    expect(readWithin('375', quantities.length, range, mmStyle)).toEqual({ ok: true, value: 375 });
    const refused = readWithin('200', quantities.length, range, inStyle);
    expect(refused.ok ? '' : refused.why).toBe(
      'Not possible here: it must be 0 to 118 1/8 in. Read as 5080 mm · 200 in.',
    );
    expect(readWithin('-1', quantities.length, range, mmStyle).ok).toBe(false);
  });

  test('a limit typed in inches does not miss itself', () => {
    expect(readWithin('4', quantities.length, { min: 0, max: 101.6 }, inStyle).ok).toBe(true);
  });

  test('each quantity writes what it reads', () => {
    const cases = fc.oneof(
      fc.record({
        name: fc.constant('length' as const),
        value: fc.integer({ min: -3000, max: 3000 }).map((tenths) => tenths / 10),
      }),
      fc.record({
        name: fc.constant('turns' as const),
        value: fc.integer({ min: -400, max: 400 }).map((eighths) => eighths / 8),
      }),
      fc.record({
        name: fc.constant('ratio' as const),
        value: fc.integer({ min: 100, max: 1500 }).map((thousandths) => thousandths / 1000),
      }),
    );
    fc.assert(
      fc.property(cases, ({ name, value }) => {
        const read = quantities[name].read(quantities[name].write(value, mmStyle), mmStyle);
        expect(read.ok && read.value).toBeCloseTo(value, 9);
      }),
    );
  });

  test('echo and step follow the system', () => {
    expect(quantities.length.echo(374.65, mmStyle)).toBe('374.65 mm · 14 3/4 in');
    expect(quantities.turns.echo(-3.25, mmStyle)).toBe('3 1/4 turns away from the spring');
    expect(quantities.ratio.echo(0.5, mmStyle)).toBe('the wheel goes 2.00 times as far as the seat');
    expect(quantities.length.step(mmStyle)).toBe(0.5);
    expect(quantities.length.step(inStyle)).toBeCloseTo(25.4 / 16, 12);
    expect(quantities.ratio.unit(mmStyle)).toBe('');
  });

  test('what cannot be read is refused in words', () => {
    for (const name of ['length', 'turns', 'ratio'] as const) {
      const read = quantities[name].read('harbour', mmStyle);
      expect(read.ok ? '' : read.why).toMatch(/“harbour” is not a number/);
    }
  });
});

describe('leaving a field', () => {
  const wide = { min: -1e6, max: 1e6 };
  const names = Object.keys(quantities) as (keyof typeof quantities)[];
  const anywhere = fc.record({
    name: fc.constantFrom(...names),
    system: fc.constantFrom('mm' as const, 'in' as const),
    denominator: fc.constantFrom(8 as const, 16 as const, 32 as const),
    value: fc.double({ min: 0.001, max: 2000, noNaN: true }),
  });
  const field = (name: keyof typeof quantities, style: LengthStyle) => ({
    quantity: quantities[name],
    range: wide,
    style,
  });

  test('as it is shown changes nothing, whatever the quantity, the units and the value', () => {
    fc.assert(
      fc.property(anywhere, ({ name, system, denominator, value }) => {
        const style = { system, denominator, decimals: 2 };
        const shown = quantities[name].write(value, style);
        const meant = meantBy(shown, value, field(name, style));
        return meant.kind === 'same' && meant.value === value;
      }),
      { numRuns: 10_000 },
    );
  });

  test('typing what is shown into an empty field is off by half of the last shown step at most', () => {
    fc.assert(
      fc.property(anywhere, ({ name, system, denominator, value }) => {
        const style = { system, denominator, decimals: 2 };
        const shown = quantities[name].write(value, style);
        const meant = meantBy(shown, null, field(name, style));
        return Math.abs((meant.value ?? NaN) - value) <= lastStep(name, style) / 2 + 1e-6 * value;
      }),
      { numRuns: 10_000 },
    );
  });

  /** What one of the last place shown is worth in the core's unit. */
  function lastStep(name: keyof typeof quantities, style: LengthStyle): number {
    const one =
      name === 'length' || name === 'size' ? (style.system === 'mm' ? 1 : 25.4) : unitOf(name, style);
    if (name === 'turns') return 1 / 8;
    if (name === 'length' && style.system === 'in') return one / style.denominator;
    const [mm, inches] = [
      { size: 2, distance: 0, volume: 1, chamber: 1, area: 1, torsion: 1, angleGain: 4 },
      { size: 3, distance: 1, volume: 2, chamber: 2, area: 3, torsion: 2, angleGain: 3 },
    ];
    const places = {
      length: 2,
      ratio: 3,
      number: 3,
      rate: 2,
      force: 0,
      torque: 0,
      ...(style.system === 'mm' ? mm : inches),
    };
    return one * 10 ** -(places[name as keyof typeof places] ?? 1);
  }

  function unitOf(name: keyof typeof quantities, style: LengthStyle): number {
    const read = quantities[name].read('1', style);
    return read.ok ? read.value : NaN;
  }

  test('thread, wire and springs show as decimals of an inch', () => {
    expect(quantities.size.write(2, inStyle)).toBe('0.079');
    expect(meantBy('0.079', 2, field('size', inStyle))).toEqual({ kind: 'same', value: 2 });
    expect(quantities.length.write(2, inStyle)).toBe('1/16');
  });

  test('emptied and refused are told apart', () => {
    expect(meantBy('', 338, field('length', mmStyle))).toEqual({ kind: 'empty', value: null });
    expect(meantBy('37o', 338, field('length', mmStyle)).kind).toBe('refused');
  });
});

describe('drafts over a record', () => {
  const job = measured(375);
  const place = { kind: 'height' as const, round: 0, corner: 'LF' as const, slot: '1' };
  const now = (drafts: Parameters<typeof withDrafts>[1]) =>
    answerFor(withDrafts(job, drafts))?.corners[0]?.nowMm ?? 0;

  test('a reading being typed replaces the one that stands, and the record itself is untouched', () => {
    expect(now({})).toBeCloseTo(375, 3);
    expect(now({ [factKey(job.id, place)]: { text: '385', value: 385 } })).toBeCloseTo(385, 3);
    expect(now({ [factKey(job.id, { ...place, slot: '2' })]: { text: '385', value: 385 } })).toBeCloseTo(
      380,
      3,
    );
    expect(now({})).toBeCloseTo(375, 3);
  });

  test('what cannot be read yet, belongs to another job, or is text leaves it alone', () => {
    expect(now({ [factKey(job.id, place)]: { text: '14 3/', value: null } })).toBeCloseTo(375, 3);
    expect(now({ [factKey('other', place)]: { text: '385', value: 385 } })).toBeCloseTo(375, 3);
    expect(withDrafts(job, { [pathKey(job.id, ['name'])]: { text: 'x', value: null } }).document.name).toBe(
      'Sandpiper',
    );
    expect(
      withDrafts(job, { [factKey(job.id, { ...place, kind: 'adjustment' })]: { text: '5', value: 5 } }),
    ).toBe(job);
    expect(withDrafts(job, { [pathKey(job.id, ['no', 'where'])]: { text: '5', value: 5 } }).document).toBe(
      job.document,
    );
  });

  test('a field for both sides of an axle shows at both', () => {
    const key = pathKey(job.id, ['corners', 'LF', 'targetMm'], ['corners', 'RF', 'targetMm']);
    const { document } = withDrafts(job, { [key]: { text: '350', value: 350 } });
    expect([
      document.corners.LF.targetMm,
      document.corners.RF.targetMm,
      document.corners.LR.targetMm,
    ]).toEqual([350, 350, 365]);
    expect(valueAt(document, ['corners', 'LF', 'collar', 'maxMm'])).toBe(120);
  });

  test('a first reading being typed gives a first answer', () => {
    const bare = record();
    const typed = withDrafts(bare, { [factKey(bare.id, place)]: { text: '375', value: 375 } });
    expect(answerFor(bare)).toBeNull();
    expect(answerFor(typed)?.corners).toHaveLength(1);
    expect(numbered(place, 375)).toEqual({ ...place, mm: 375 });
  });
});

describe('the travel rule', () => {
  test('ticks every 10 mm, labelled every 50; every half inch, labelled every 2', () => {
    const metric = rulerTicks(222, 'mm');
    expect(metric).toHaveLength(23);
    expect(metric.filter(({ label }) => label !== null).map(({ label }) => label)).toEqual([
      '0',
      '50',
      '100',
      '150',
      '200',
    ]);
    const inches = rulerTicks(150, 'in');
    expect(inches).toHaveLength(12);
    expect(inches.filter(({ label }) => label !== null).map(({ mm, label }) => [label, mm])).toEqual([
      ['0', 0],
      ['2', 50.8],
      ['4', 101.6],
    ]);
  });

  test('is told in words to those who do not see it, with what is assumed', () => {
    const data: TravelRuleData = {
      travelMm: 200,
      stopMm: 40,
      nowMm: 80,
      targetMm: 90,
      afterMm: 89,
      bandMm: 4,
      toleranceMm: 3,
      window: { fromMm: 40, toMm: 60 },
      zeroAssumed: true,
    };
    const say = (mm: number) => `${mm} mm`;
    expect(ruleWords('Front left', data, say)).toBe(
      'Front left: wheel travel 0 to 200 mm, bump stop from 160 mm; now at 80 mm (assumed); sag window 40 mm to 60 mm; target at 90 mm; after the plan 89 mm, give or take 4 mm',
    );
    expect(ruleWords('Front left', { ...data, nowMm: null, targetMm: null, afterMm: null }, say)).toBe(
      'Front left: wheel travel 0 to 200 mm, bump stop from 160 mm; sag window 40 mm to 60 mm',
    );
    expect(ruleWords('Front left', { ...data, window: null }, say)).not.toContain('sag');
  });
});

test('paths and facts in words', () => {
  expect(pathWords(['corners', 'LF', 'targetMm'])).toBe('target height, front left');
  expect(pathWords(['corners', 'RR', 'collar', 'minMm'])).toBe('least collar reading, rear right');
  expect(pathWords(['machine', 'wheelbaseMm'])).toBe('wheelbase');
  expect(pathWords(['corners', 'RR', 'new', 'thing'])).toBe('new thing, rear right');
  expect(factWords({ kind: 'height', round: 1, corner: 'LR', slot: '2' })).toBe(
    'height reading 2, rear left, round 1',
  );
  expect(factWords({ kind: 'settled', round: 0, corner: null, slot: 'how' })).toBe('settling, baseline');
  expect([roundWords(0), roundWords(3), capital('front')]).toEqual(['baseline', 'round 3', 'Front']);
});
