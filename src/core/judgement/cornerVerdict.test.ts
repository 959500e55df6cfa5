import { blankSpring } from '../document/spring.ts';
import type { JobDocument } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import { fourCorners, measured, must, plainDocument } from '../../../tests/fixtures/records.ts';
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

test('nothing is said of a spring that nobody has named and no sag is wanted of', () => {
  expect(verdictOf(plainDocument())).toBeNull();
});

test('a spring that stands well is right; one that is loose at droop is too stiff', () => {
  expect(verdictOf(fitted(100))?.verdict).toBe('right');
  const loose = fitted(250, (one) => fourCorners.forEach((id) => (one.corners[id].preloadMm = -8)));
  expect(verdictOf(loose)).toMatchObject({ verdict: 'too stiff', because: { code: 'loose' } });
});

test('an adjuster near its end says too soft, and so does too much sag there', () => {
  const near = fitted(100, (one) => fourCorners.forEach((id) => (one.corners[id].collar.maxMm = 91)));
  expect(verdictOf(near)?.verdict).toBe('too soft');
  fourCorners.forEach((id) => (near.corners[id].sagWindow = { fromMm: 20, toMm: 40 }));
  expect(verdictOf(near)).toMatchObject({
    verdict: 'too soft',
    because: { code: 'sag-too-much-at-the-end', offMm: expect.any(Number) },
  });
});

test('a cam above its middle in the garage is said, one below it is not', () => {
  const torsion = { rateNMmPerDeg: 1900, count: 2, leverMm: 118, camDegrees: [20, 32, 44, 56, 68], mostDegrees: 170 };
  const verdictAt = (cam: number) => {
    const document = plainDocument((one) =>
      fourCorners.forEach((id) => Object.assign(one.corners[id], { fitting: 'cam', torsion, cam, targetMm: null })),
    );
    return must(cornerVerdict(must(answerFor(measured(365, document))), 'LF'));
  };
  expect([0, 1, 2, 3, 4].map((cam) => verdictAt(cam).because.code === 'cam-high')).toEqual([
    false, false, false, true, true,
  ]);
}); // prettier-ignore

test('a window within reach asks for the adjuster first', () => {
  const document = fitted(100, (one) =>
    fourCorners.forEach((id) => (one.corners[id].sagWindow = { fromMm: 20, toMm: 40 })),
  );
  expect(verdictOf(document)?.verdict).toBe('adjust first');
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
  const [ring] = ringStandings(must(answerFor(measured(365, document))), 'LF');
  const wheelMm = (15 * (1 + 90 / 150)) / 0.5;
  expect(ring?.gapMm).toBeCloseTo(15, 0);
  expect(Math.abs((ring?.wheelMm ?? 0) - wheelMm)).toBeLessThan(0.08 * wheelMm);
  expect(ring?.share).toBeGreaterThan(0.3);
  expect(ring?.share).toBeLessThan(1);
});
