import { blankDocument } from '../document/create.ts';
import { analyse } from '../analysis/analyse.ts';
import { add, fourCorners, heights, must, record, settled } from '../../../tests/fixtures/records.ts';

/** A side-by-side 20 mm low in front and 10 behind. */
function analysed(toleranceMm: number | null) {
  const document = blankDocument('side-by-side', 'Nine');
  document.toleranceMm = toleranceMm;
  for (const id of fourCorners) document.corners[id].targetMm = id.endsWith('F') ? 470 : 460;
  const one = analyse(add(record(document), settled(0), ...heights(0, [450, 450, 450, 450])));
  return { next: one.next.code, moved: must(one.answer).corners.filter(({ seatBy }) => seatBy !== 0).length };
}

test('whoever types a target is told how to reach it; what its makers allow is only taken where somebody chose it', () => {
  expect(analysed(null)).toEqual({ next: 'turn', moved: 4 });
  expect(analysed(25)).toEqual({ next: 'read-again', moved: 0 });
});
