import { blankDocument } from '#core/document/create.ts';
import { cellsOf } from './alike.ts';

const none = new Set<'front' | 'rear'>();

describe('the cells of a row', () => {
  const document = blankDocument('car', 'Dunlin');
  const rows = (...where: Parameters<typeof cellsOf>) =>
    cellsOf(...where).map(({ id, both }) => (both ? `${id} both` : id));

  it('are one for an axle whose sides are the same', () => {
    expect(rows(document, ['ratio'], none)).toEqual(['LF both', 'LR both']);
  });

  it('are one for each side where anything in the row differs', () => {
    const { LF } = document.corners;
    const other = {
      ...document,
      corners: { ...document.corners, LF: { ...LF, collarAt: 'above' as const } },
    };
    expect(rows(other, ['fitting'], none)).toEqual(['LF both', 'LR both']);
    expect(rows(other, ['fitting', 'collarAt'], none)).toEqual(['LF', 'RF', 'LR both']);
  });

  it('look at a part within a group', () => {
    const { RR } = document.corners;
    const other = {
      ...document,
      corners: { ...document.corners, RR: { ...RR, collar: { ...RR.collar, minMm: 12 } } },
    };
    expect(rows(other, ['collar.minMm'], none)).toEqual(['LF both', 'LR', 'RR']);
    expect(rows(other, ['collar.maxMm'], none)).toEqual(['LF both', 'LR both']);
  });

  it('are one for each side where they are to be seen apart, or are never the same by nature', () => {
    expect(rows(document, ['ratio'], new Set(['rear']))).toEqual(['LF both', 'LR', 'RR']);
    expect(rows(document, undefined, none)).toEqual(['LF', 'RF', 'LR', 'RR']);
  });

  it('are one for each side while something of the right side is being typed', () => {
    expect(rows(document, ['ratio'], none, ['RF.ratio'])).toEqual(['LF', 'RF', 'LR both']);
    expect(rows(document, ['mount'], none, ['RR.mount.threadMm'])).toEqual(['LF both', 'LR', 'RR']);
    expect(rows(document, ['ratio'], none, ['LF.ratio', 'RF.ratioFrom', ''])).toEqual(['LF both', 'LR both']);
  });

  it('are one for what has no other side', () => {
    expect(rows(blankDocument('motorcycle', 'Teal'), ['ratio'], none)).toEqual(['FW', 'RW']);
  });
});
