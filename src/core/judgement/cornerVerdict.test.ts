import { blankSpring } from '../document/spring.ts';
import type { JobDocument } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import {
  add,
  factEntry,
  fourCorners,
  measured,
  must,
  plainDocument,
} from '../../../tests/fixtures/records.ts';
import { cornerVerdict, ringStandings } from './cornerVerdict.ts';

const fitted = (rate: number, edit: (document: JobDocument) => void = () => undefined) =>
  plainDocument((document) => {
    document.machine.massKg = 1000;
    document.machine.frontShare = 0.5;
    for (const id of fourCorners)
      Object.assign(document.corners[id], {
        springs: [{ ...blankSpring, name: 'main', rateNPerMm: rate }],
        preloadMm: 5,
      });
    edit(document);
  });
const verdictOf = (document: JobDocument) => cornerVerdict(must(answerFor(measured(365, document))), 'LF');

/** The same with 80 mm of travel used, read at every corner. */
const readVerdictOf = (document: JobDocument, usedMm = 80) =>
  cornerVerdict(
    must(
      answerFor(
        add(
          measured(365, document),
          ...fourCorners.map((corner) =>
            factEntry({ kind: 'travel-used', round: 0, corner, slot: 'now', mm: usedMm }),
          ),
        ),
      ),
    ),
    'LF',
  );
const windowed = (fromMm: number, toMm: number, maxMm = 120) =>
  fitted(100, (one) =>
    fourCorners.forEach((id) => {
      one.corners[id].sagWindow = { fromMm, toMm };
      one.corners[id].collar.maxMm = maxMm;
    }),
  );

test('nothing is said of a spring whose sag nobody read, or of which none is wanted', () => {
  expect(verdictOf(plainDocument())).toBeNull();
  expect(verdictOf(fitted(100))).toBeNull();
  expect(verdictOf(windowed(70, 90))).toBeNull();
  expect(readVerdictOf(fitted(100))).toBeNull();
});

test('it goes by the sag that was read now, not by the one after the plan', () => {
  expect(readVerdictOf(windowed(70, 90))).toMatchObject({
    verdict: 'right',
    because: { code: 'rider-sag-in' },
  });
  // The plan may bring it in; until it is read there it is not.
  expect(readVerdictOf(windowed(60, 72))).toMatchObject({
    verdict: 'adjust first',
    because: { code: 'sag-out', state: 'too much', offMm: expect.closeTo(8, 0) },
  });
});

test('too much sag with the thread used up is a spring too soft; the end of the thread alone is not', () => {
  expect(readVerdictOf(windowed(60, 72, 91))).toMatchObject({
    verdict: 'too soft',
    because: { code: 'sag-too-much-at-the-end' },
  });
  expect(readVerdictOf(windowed(70, 90, 91))?.verdict).toBe('right');
});

const ringOf = (document: JobDocument) => ringStandings(must(answerFor(measured(365, document))), 'LF')[0];

test('of three springs a ring after the second has two in series above it', () => {
  const rates = [120, 90, 150];
  const document = fitted(100, (one) =>
    fourCorners.forEach((id) =>
      Object.assign(one.corners[id], {
        springs: rates.map((rateNPerMm, k) => ({ ...blankSpring, name: String(k), rateNPerMm })),
        rings: [{ after: 1, limitMm: 90, on: 'body', gapMm: 15 }],
      }),
    ),
  );
  const upper = 1 / (1 / 120 + 1 / 90);
  const wheelMm = (15 * (1 + upper / 150)) / 0.5;
  expect(Math.abs((ringOf(document)?.wheelMm ?? 0) - wheelMm)).toBeLessThan(0.08 * wheelMm);
});

test('a ring in wheel travel: gap times (1 + k1/k2) over the ratio, and its share of the bump left', () => {
  const document = fitted(100, (one) =>
    fourCorners.forEach((id) =>
      Object.assign(one.corners[id], {
        springs: [
          { ...blankSpring, name: 'upper', rateNPerMm: 90 },
          { ...blankSpring, name: 'lower', rateNPerMm: 150 },
        ],
        rings: [{ after: 0, limitMm: 75, on: 'body', gapMm: 15 }],
      }),
    ),
  );
  const ring = ringOf(document);
  const wheelMm = (15 * (1 + 90 / 150)) / 0.5;
  expect(ring?.gapMm).toBeCloseTo(15, 0);
  expect(Math.abs((ring?.wheelMm ?? 0) - wheelMm)).toBeLessThan(0.08 * wheelMm);
  expect(ring?.share).toBeGreaterThan(0.3);
  expect(ring?.share).toBeLessThan(1);
});
