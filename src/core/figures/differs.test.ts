import { frictionPrior } from '../estimate/prior.ts';
import { repeatSd } from '../document/repeats.ts';
import { add, factEntry, measured, must } from '../../../tests/fixtures/records.ts';
import { answerFor } from '../planning/answer.ts';
import type { Answer } from '../planning/answerShape.ts';
import { tolerances } from '../tolerances.ts';
import { cornerHeight } from './cornerHeight.ts';
import { measuredOf, spreadOf } from './figure.ts';

const answer = must(
  answerFor(
    add(
      measured(370),
      factEntry({ kind: 'height', corner: 'LF', slot: '2', mm: 371 }),
      factEntry({ kind: 'height', corner: 'LF', slot: '3', mm: 369 }),
    ),
  ),
);

/** The same answer with the front left estimated elsewhere. */
const standingAt = (nowMm: number): Answer => ({
  ...answer,
  corners: answer.corners.map((one) => (one.id === 'LF' ? { ...one, nowMm } : one)),
});

describe('a reading and the estimate differ', () => {
  const travelMm = must(answer.machine.believed.machine.contacts[0] ?? null).travelMm;
  const readings = [370, 371, 369];
  const most = Math.hypot(repeatSd(readings) / Math.sqrt(3), frictionPrior(travelMm));

  test.each([
    ['just less than what three readings are good for, above', 370 + most - 0.01, false],
    ['just more, above', 370 + most + 0.01, true],
    ['just less, below', 370 - most + 0.01, false],
    ['just more, below', 370 - most - 0.01, true],
  ])('%s', (_, nowMm, differs) => {
    expect(cornerHeight(standingAt(nowMm), 'LF').differs).toBe(differs);
  });

  test('one reading is good for the tape and what friction leaves', () => {
    expect(cornerHeight(standingAt(370), 'LF').measured?.value).toBe(370);
    expect(tolerances.tapeSdMm).toBe(repeatSd([370]));
  });
});

test('readings as one figure: their mean, and how far they lie apart', () => {
  const figure = must(measuredOf([370, 373, 368]));
  expect(figure.value).toBeCloseTo(370 + 1 / 3, 9);
  expect(spreadOf(figure)).toBe(5);
  expect(measuredOf([])).toBeNull();
});

describe('a reading taken at another point than the sheet means', () => {
  const { document } = answer;
  const { LF } = document.corners;
  const lower = { ...document.corners, LF: { ...LF, reference: { ...LF.reference, offsetMm: -20 } } };
  const { measured: read } = cornerHeight({ ...answer, document: { ...document, corners: lower } }, 'LF');

  test('is told at the point that is meant, with what the tape read', () => {
    expect(read).toMatchObject({ value: 350, onTape: 370 });
    expect(cornerHeight(answer, 'LF').measured).not.toHaveProperty('onTape');
  });
});
