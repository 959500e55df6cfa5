import { cellFaultWords } from '#words/rackFaults.ts';
import fc from 'fast-check';
import { matchColumns, readRack, writeRack, type ColumnChoice } from './csv.ts';
import { pressFit } from './press.ts';
import {
  blankRackValues,
  contradiction,
  rackFromSpring,
  rateOf,
  solidOf,
  springFromRack,
  type RackSpring,
  type RackValues,
} from './spring.ts';

const values = (part: Partial<RackValues>): RackValues => ({ ...blankRackValues, name: 'one', ...part });

describe('what follows from wire and coils', () => {
  test('rate of a steel coil by the textbook, two turns dead; solid is wire times coils', () => {
    const wound = values({ wireMm: 10, coils: 9, innerMm: 60, freeLengthMm: 200 });
    // 79300 * 10^4 / (8 * 70^3 * 7)
    expect(rateOf(wound)).toEqual({ value: expect.closeTo(41.285, 2), computed: true });
    expect(solidOf(wound)).toEqual({ value: 90, computed: true });
    expect(rateOf(values({ wireMm: 10, coils: 2, innerMm: 60 }))).toBeNull();
  });

  test('what is given stands before what is worked out', () => {
    const both = values({ rateNPerMm: 50, solidLengthMm: 80, wireMm: 10, coils: 9, innerMm: 60 });
    expect(rateOf(both)).toEqual({ value: 50, computed: false });
    expect(solidOf(both)).toEqual({ value: 80, computed: false });
  });

  test('solid as long as free is a contradiction, given or worked out', () => {
    const told = (of: Partial<RackValues>) => {
      const found = contradiction(values(of));
      return found && cellFaultWords(found, (mm) => `${mm} mm`);
    };
    expect(told({ freeLengthMm: 100, solidLengthMm: 100 })).toBe(
      'its solid length of 100 mm is not below its free length of 100 mm',
    );
    expect(told({ freeLengthMm: 85, wireMm: 10, coils: 9 })).toBe(
      'wire times coils is 90 mm solid: as long as its free length of 85 mm',
    );
    expect(contradiction(values({ freeLengthMm: 100, solidLengthMm: 60 }))).toBeNull();
  });

  test('to a job and back it is the same spring', () => {
    const one = values({ rateNPerMm: 50, freeLengthMm: 200, solidLengthMm: 90, tender: true });
    const document = springFromRack(one);
    expect(document && rackFromSpring(document)).toEqual(one);
    expect(springFromRack(values({}))).toBeNull();
  });
});

describe('a spring on the press', () => {
  test('the slope is the rate, whatever the press calls zero; its error by the scatter', () => {
    expect(pressFit([[10, 700], [20, 1200], [30, 1700]])).toMatchObject({
      rateNPerMm: expect.closeTo(50, 9),
      sdNPerMm: expect.closeTo(0, 9),
      atRestN: expect.closeTo(200, 9),
      curved: false,
    }); // oxfmt-ignore
    // Residuals 2, -4, 2 on three points 10 apart: sqrt(24 / 1 / 200).
    expect(pressFit([[10, 502], [20, 996], [30, 1502]])?.sdNPerMm).toBeCloseTo(Math.sqrt(24 / 200), 9); // oxfmt-ignore
  });

  test('one place, or none, makes no rate', () => {
    expect(pressFit([])).toBeNull();
    expect(pressFit([[10, 500], [10, 505]])).toBeNull(); // oxfmt-ignore
    expect(pressFit([[10, 500], [20, 1000]])?.sdNPerMm).toBeNull(); // oxfmt-ignore
  });

  test('readings that bend are told from readings that scatter', () => {
    const xs = [10, 20, 30, 40, 50, 60];
    expect(pressFit(xs.map((x) => [x, 40 * x + 0.4 * x * x]))?.curved).toBe(true);
    expect(pressFit(xs.map((x, i) => [x, 40 * x + (i % 2 === 0 ? 15 : -15)]))?.curved).toBe(false);
  });
});

const anySpring: fc.Arbitrary<RackSpring> = fc
  .record({
    id: fc.uuid(),
    name: fc.string({ minLength: 1, maxLength: 30 }).map((text) => text.trim() || 'x'),
    rateNPerMm: fc.double({ min: 1, max: 300, noNaN: true }).map((rate) => Number(rate.toFixed(4))),
    freeLengthMm: fc.option(fc.integer({ min: 1000, max: 5000 }).map((tenths) => tenths / 10)),
    solidLengthMm: fc.option(fc.integer({ min: 100, max: 900 }).map((tenths) => tenths / 10)),
    innerMm: fc.option(fc.integer({ min: 200, max: 900 }).map((tenths) => tenths / 10)),
    maxN: fc.option(fc.integer({ min: 100, max: 20000 })),
    tender: fc.boolean(),
    stock: fc.integer({ min: 0, max: 40 }),
    note: fc.string({ maxLength: 40 }).map((text) => text.trim()),
    rows: fc.option(fc.constant([[0, 0], [50, 1800.5], [100, 3900]] as [number, number][])),
  })
  .filter(({ name, note }) => !/^'[=+\-@]/.test(name) && !/^'[=+\-@]/.test(note))
  .map((part) => ({ ...blankRackValues, ...part, version: 1 })); // oxfmt-ignore

describe('CSV', () => {
  test('what is saved is taken in again unchanged', () => {
    fc.assert(
      fc.property(fc.array(anySpring, { minLength: 1, maxLength: 12 }), (springs) => {
        const { headings, rows } = writeRack(springs);
        const read = readRack(headings, rows, matchColumns(headings));
        expect(read.faults).toEqual([]);
        expect(read.springs.map((spring) => ({ ...spring, version: 1 }))).toEqual(springs);
      }),
    );
  });

  test('headings of other files are matched, with the units they name', () => {
    expect(matchColumns(['Part No', 'Spring Rate (lb/in)', 'Length in', 'ID', 'Qty', 'Colour'])).toEqual([
      { column: 'name', unit: null },
      { column: 'rate', unit: 'lb/in' },
      { column: 'free', unit: 'in' },
      { column: 'inner', unit: 'in' },
      { column: 'stock', unit: null },
      { column: null, unit: null },
    ]);
    const twice = matchColumns(['name', 'Name']);
    expect(twice.filter(({ column }) => column === 'name')).toHaveLength(1);
  });

  const headings = ['name', 'rate', 'free', 'stock', 'tender'];
  const choices: ColumnChoice[] = [
    { column: 'name', unit: null },
    { column: 'rate', unit: 'lb/in' },
    { column: 'free', unit: 'in' },
    { column: 'stock', unit: null },
    { column: 'tender', unit: null },
  ];

  test('bare numbers are in the unit chosen, fractions too; one with its own unit keeps it', () => {
    const { springs } = readRack(headings, [['A', '350', '7 1/2', '2', 'yes'], ['B', '60 N/mm', '200mm', '', '']], choices); // oxfmt-ignore
    expect(springs[0]).toMatchObject({
      rateNPerMm: expect.closeTo(61.29, 2),
      freeLengthMm: 190.5,
      stock: 2,
      tender: true,
    });
    expect(springs[1]).toMatchObject({ rateNPerMm: 60, freeLengthMm: 200, stock: 1, tender: false });
  });

  test('every fault is told by its row and heading', () => {
    const rows = [
      ['A', 'stiff', '8', '2', 'no'],
      ['', '350', '8', 'two', 'perhaps'],
      ['C', '', '8', '1', 'no'],
      ['D', '-5', '8', '1', 'no'],
    ];
    const read = readRack(headings, rows, choices);
    expect(read.springs).toEqual([]);
    const told = read.faults.map(({ row, heading, fault }) => [row, heading, cellFaultWords(fault, String)]);
    expect(told).toEqual([
      [2, 'rate', '“stiff” is not a number in lb/in'],
      [3, 'stock', 'a whole number of pieces'],
      [3, 'tender', 'yes or no'],
      [4, '', 'a rate is needed, or wire, coils and inner diameter to work it out'],
      [5, 'rate', 'it must be above zero'],
    ]);
  });

  test('a cell kept from running as a formula is read as it was', () => {
    const read = readRack(['name', 'rate'], [["'=SUM(A1)", '50']], matchColumns(['name', 'rate']));
    expect(read.springs[0]?.name).toBe('=SUM(A1)');
  });
});
