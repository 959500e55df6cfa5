import { add, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { softSled } from '../../../tests/fixtures/softSled.ts';
import { answerFor } from '../planning/answer.ts';
import { cornerVerdict } from '../judgement/cornerVerdict.ts';
import { readRack, writeRack, matchColumns } from './csv.ts';
import { candidateOf, plainProblem } from './problem.ts';
import { blankRackValues, plainTorsion, torsionRateOf, type RackSpring } from './spring.ts';
import { searchTorsion } from './torsion.ts';

const torsionSpring = (
  name: string,
  rateNMmPerDeg: number | null,
  rest: Partial<RackSpring> = {},
): RackSpring => ({
  ...blankRackValues,
  id: `00000000-0000-4000-8000-${name.padStart(12, '0')}`,
  version: 1,
  name,
  torsion: { ...plainTorsion, rateNMmPerDeg },
  ...rest,
});

test('the rate of a torsion spring by the textbook: given, else of its wire', () => {
  expect(torsionRateOf(torsionSpring('1', 1500))).toEqual({ value: 1500, computed: false });
  // 206000 x 10^4 / (3888 x 60 x 6).
  const wire = torsionSpring('2', null, { wireMm: 10, coils: 6, innerMm: 50 });
  expect(torsionRateOf(wire)?.value).toBeCloseTo(1471.8, 1);
  expect(torsionRateOf({ ...wire, torsion: null })).toBeNull();
});

/** A sled that is too soft, read with the rider on and nobody on. */
function sled(sags: { rider: number; alone: number }) {
  const read = (slot: string, mm: number) => factEntry({ kind: 'sag', round: 0, corner: 'RA', slot, mm });
  return add(
    record(softSled()),
    read('extended-1', 620),
    ...['press', 'lift'].flatMap((how) => [
      read(`r1-${how}-1`, 620 - sags.rider),
      read(`alone-${how}-1`, 620 - sags.alone),
    ]),
  );
}

test('a torsion spring that is too soft is told so, and a stiffer one of the rack is found where it stands lower on its cam', () => {
  const answer = must(answerFor(sled({ rider: 105, alone: 38 })));
  expect(cornerVerdict(answer, 'RA')?.verdict).toBe('too soft');
  const rack = [700, 900, 1200, 1500, 2600].map((rate, k) => torsionSpring(String(k + 1), rate));
  const { fits } = must(
    searchTorsion(answer, 'RA', [
      ...rack,
      torsionSpring('9', null),
      { ...torsionSpring('10', null), torsion: null },
    ]),
  );
  expect(fits).toHaveLength(5);
  const [best] = fits;
  expect(best?.riderIn && best.aloneIn).toBe(true);
  expect(best?.rateNMmPerDeg).toBeGreaterThan(900);
  expect(best?.place).toBeLessThan(3);
  // Those that cannot hold it up come last, wound as far as they go.
  expect(fits.at(-1)).toMatchObject({ rateNMmPerDeg: 700, riderIn: false, place: 3 });
  // A stiffer spring moves less between nobody and rider on.
  const moved = (rate: number) => {
    const fit = fits.find(({ rateNMmPerDeg }) => rateNMmPerDeg === rate);
    return (fit?.riderMm ?? NaN) - (fit?.aloneMm ?? NaN);
  };
  expect(moved(2600)).toBeLessThan(moved(1200));
});

test('torsion springs go through a file and back, and are no coils for the search', () => {
  const pair = torsionSpring('7', 1320, { torsion: { rateNMmPerDeg: 1320, legMm: 140, side: 'left' } });
  const { headings, rows } = writeRack([pair]);
  const read = readRack(headings, rows, matchColumns(headings));
  expect(read.faults).toEqual([]);
  expect(read.springs[0]?.torsion).toEqual(pair.torsion);
  expect(candidateOf(pair, plainProblem)).toBe('rate');
});

test('two side by side carry twice as much, and both are needed in stock', () => {
  const coil = {
    ...torsionSpring('8', null),
    torsion: null,
    rateNPerMm: 4.5,
    freeLengthMm: 300,
    maxN: 900,
    stock: 3,
  };
  const fork = { ...plainProblem, sideBySide: 2, inStock: 1 } as const;
  expect(candidateOf(coil, fork)).toMatchObject({ rate: 9, maxN: 1800 });
  expect(candidateOf({ ...coil, stock: 1 }, fork)).toBe('stock');
});
