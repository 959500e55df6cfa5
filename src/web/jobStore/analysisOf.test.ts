import { add, factEntry, heights, plainDocument, record, settled } from '../../../tests/fixtures/records.ts';
import { analysisOf } from './analysisOf.ts';
import { factKey, withDrafts } from './draftKeys.ts';

const job = add(record(), settled(0), ...heights(0, 363));
const PLACE = { kind: 'height', round: 0, corner: 'LF', slot: '1' } as const;

/** While 371 is typed over the first reading. */
const typed = () =>
  withDrafts(job, { [factKey(job.id, PLACE)]: { text: '371', value: 371, typed: '371 mm' } });
/** Once a height is kept in its place. */
const kept = (mm: number) => {
  const first = job.entries.find((one) => one.type === 'fact' && one.fact.kind === 'height' && one.fact.corner === 'LF');
  return add(job, factEntry({ ...PLACE, mm, typed: `${mm} mm` }, first?.id ?? null));
}; // oxfmt-ignore

test('what is typed is worked out once, and not again as it is kept; another value is', () => {
  const looked = analysisOf(typed());
  expect(looked.answer?.state.rounds[0]?.heights.LF).toEqual([371]);
  expect(looked.answer?.state.rounds[0]?.heightsTyped.LF).toEqual(['371 mm']);
  expect(analysisOf(kept(371))).toBe(looked);
  expect(analysisOf(kept(372))).not.toBe(looked);
});

test('another description is another analysis, another version of the same is not', () => {
  const other = { ...job, document: plainDocument((document) => (document.corners.LF.targetMm = 381)) };
  expect(analysisOf(other)).not.toBe(analysisOf(job));
  expect(analysisOf({ ...job, version: 9 })).toBe(analysisOf(job));
});
