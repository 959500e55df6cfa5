import { add, heights, record, settled } from '../../../tests/fixtures/records.ts';
import { blankDocument } from '../document/create.ts';
import { readRounds } from '../estimate/rounds.ts';
import { pairApart } from './pairApart.ts';

/** What is asked of four heights, mm, read once each, on wheels with so much travel. */
function asked(mm: number[], travelMm = 150) {
  const document = blankDocument('car', 'x');
  for (const corner of Object.values(document.corners)) corner.travelMm = travelMm;
  return pairApart(document, readRounds(add(record(document), settled(0), ...heights(0, mm))));
}

describe('a pair that leans further than the other can', () => {
  it('is named with its readings, and the reading that two digits swapped would have been', () => {
    expect(asked([327, 375, 388, 386])).toEqual([
      { low: 'LF', high: 'RF', mm: 327, twinMm: 375, likely: { corner: 'LF', mm: 372 } },
    ]);
    expect(asked([375, 327, 386, 388])).toEqual([
      { low: 'RF', high: 'LF', mm: 327, twinMm: 375, likely: { corner: 'RF', mm: 372 } },
    ]);
    expect(asked([372, 375, 338, 386])).toEqual([
      { low: 'LR', high: 'RR', mm: 338, twinMm: 386, likely: { corner: 'LR', mm: 383 } },
    ]);
  });

  it('names no reading where no swap brings it to the other axle', () => {
    expect(asked([344, 388, 386, 386])[0]?.likely).toBeNull();
  });

  it('is asked about from 30 mm, or from 15 % of a long travel', () => {
    expect(asked([346, 375, 386, 386])).toEqual([]);
    expect(asked([343, 375, 386, 386])).toHaveLength(1);
    expect(asked([343, 375, 386, 386], 300)).toEqual([]);
    expect(asked([327, 375, 386, 386], 300)).toHaveLength(1);
  });
});
