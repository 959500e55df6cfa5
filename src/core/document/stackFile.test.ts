import { eventWords } from '#words/stackEvents.ts';
import { blankSpring } from './spring.ts';
import { readStackFile, stackTable, type StackFile } from './stackFile.ts';

const coil = (
  name: string,
  rateNPerMm: number,
  freeLengthMm: number,
  solidLengthMm: number,
  tender = false,
) => ({
  ...blankSpring,
  name,
  rateNPerMm,
  freeLengthMm,
  solidLengthMm,
  tender,
});

const whole = {
  schema: 'margin-stack',
  schemaVersion: 1,
  springs: [coil('main', 40, 300, 100)],
  strokeMm: 120,
};
const read = (file: unknown): StackFile => {
  const result = readStackFile(file);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
};
const faultsOf = (file: unknown) => {
  const result = readStackFile(file);
  return result.ok ? [] : result.faults.map(({ path }) => path);
};

test.each<[string, unknown, string[]]>([
  ['nothing', null, ['schema', 'schemaVersion', 'springs']],
  ['another file', { ...whole, schema: 'margin-job' }, ['schema']],
  ['a version to come', { ...whole, schemaVersion: 2 }, ['schemaVersion']],
  ['springs that are no list', { ...whole, springs: 'main' }, ['springs']],
  ['rings that are no list', { ...whole, rings: {} }, ['rings']],
  ['no stroke', { ...whole, strokeMm: undefined }, ['strokeMm']],
  ['a preload that cannot be', { ...whole, preloadMm: 2000 }, ['preloadMm']],
  ['a spring without a rate', { ...whole, springs: [coil('main', NaN, 300, 100)] }, ['springs[0].rateNPerMm']],
  ['a ring after a spring that is not there', { ...whole, rings: [{ after: 3, limitMm: 40, on: 'body' }] }, ['rings[0].after']],
])('%s is refused by its place', (_, file, paths) => {
  expect(faultsOf(file)).toEqual(paths.map((path) => expect.stringContaining(path)));
}); // oxfmt-ignore

test('what is left out of a file is filled in', () => {
  const file = read({ ...whole, springs: [{ rateNPerMm: 40, freeLengthMm: 300, solidLengthMm: 100 }] });
  expect(file).toMatchObject({
    rings: [],
    preloadMm: 0,
    springs: [{ name: '', kind: 'linear', tender: false }],
  });
});

test('a single spring: force, energy and the odd last row', () => {
  const { rows, events, solidAtMm } = stackTable(read({ ...whole, preloadMm: 10, strokeMm: 25 }), 10);
  expect(rows.map(({ damperMm }) => damperMm)).toEqual([0, 10, 20, 25]);
  // 40 N/mm: 400 N at full droop, and ½ k x² from there.
  expect(rows.map(({ forceN }) => forceN)).toEqual([400, 800, 1200, 1400].map((n) => expect.closeTo(n, 9)));
  expect(rows[3]?.energyJ).toBeCloseTo((0.5 * 40 * 35 ** 2) / 1000, 9);
  expect(rows[1]?.springsMm).toEqual([expect.closeTo(20, 9)]);
  expect({ events, solidAtMm }).toEqual({ events: [], solidAtMm: null });
});

test('two springs, a ring and a tender: what happens where, in words, and the end of it', () => {
  // 60 and 40 N/mm one on another are 24; a ring lets the upper give way by 30: x = 30 · 60 / 24 = 75.
  const file = read({
    ...whole,
    springs: [coil('upper', 60, 120, 40), coil('lower', 40, 200, 60)],
    rings: [{ after: 0, limitMm: 30, on: 'seat' }],
    strokeMm: 200,
  });
  const { events, rows, solidAtMm } = stackTable(file, 50);
  expect(events.map((event) => [eventWords(event), event.damperMm])).toEqual([
    ['ring stops slider 1', expect.closeTo(75, 9)],
    ['lower coil-bound', expect.closeTo(30 + 140, 9)],
  ]);
  expect(solidAtMm).toBeCloseTo(170, 9);
  expect(stackTable({ ...file, preloadMm: 10, strokeMm: 165 }, 50).solidAtMm).toBeCloseTo(160, 9);
  expect(rows.at(-1)?.damperMm).toBeCloseTo(170, 9);
  expect(rows[1]?.rateNPerMm).toBeCloseTo(24, 9);
  expect(rows[2]?.rateNPerMm).toBeCloseTo(40, 9);
  // Of what happens beyond the stroke nothing is said.
  expect(stackTable({ ...file, strokeMm: 60 }, 50)).toMatchObject({ events: [], solidAtMm: null });
  const soft = { ...file, rings: [], springs: [coil('', 5, 60, 40, true), coil('lower', 40, 200, 60)] };
  expect(stackTable(soft, 50).events.map(eventWords)[0]).toBe('spring 1 solid, as a tender should be');
});

test('the table ends where the springs are solid: the preload is used of their way already', () => {
  const rows = (preloadMm: number, strokeMm: number) =>
    stackTable(read({ ...whole, springs: [coil('main', 40, 180, 100)], preloadMm, strokeMm }), 10).rows;
  // 80 mm to solid less 15 of preload.
  expect(rows(15, 120).at(-1)?.damperMm).toBeCloseTo(65, 9);
  expect(rows(15, 40).at(-1)?.damperMm).toBe(40);
  // A stroke of whole steps has its end once.
  expect(rows(0, 40).map(({ damperMm }) => damperMm)).toEqual([0, 10, 20, 30, 40]);
});
