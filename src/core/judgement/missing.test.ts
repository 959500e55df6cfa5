import { blankSpring } from '../document/spring.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import { fourCorners, measured, must, plainDocument } from '../../../tests/fixtures/records.ts';
import { cornerVerdict, missingForVerdict } from './cornerVerdict.ts';

const answerOf = (edit: (document: JobDocument) => void, without: string[] = []) => {
  const job = measured(370, plainDocument(edit));
  const kept: JobRecord = {
    ...job,
    entries: job.entries.filter((one) => one.type !== 'fact' || !without.includes(one.fact.kind)),
  };
  return must(answerFor(kept));
};
const named = (document: JobDocument, preloadMm: number | null = 12) =>
  fourCorners.forEach((id) =>
    Object.assign(document.corners[id], {
      springs: [{ ...blankSpring, name: 'main', rateNPerMm: 70, freeLengthMm: 300, solidLengthMm: 110 }],
      preloadMm,
    }),
  );

describe('what a verdict on a spring still needs', () => {
  test('a spring nobody named: its rate, or a window for its sag', () => {
    const answer = answerOf(() => undefined);
    expect(missingForVerdict(answer, 'LF')).toBe('spring-or-window');
    expect(cornerVerdict(answer, 'LF')).toBeNull();
    const windowed = answerOf((document) => (document.corners.LF.sagWindow = { fromMm: 60, toMm: 80 }));
    expect(missingForVerdict(windowed, 'LF')).toBe('travel-used');
  });

  test('a preload only assumed, and a collar whose range nobody gave', () => {
    const answer = answerOf(
      (document) => {
        named(document, null);
        fourCorners.forEach((id) => Object.assign(document.corners[id].collar, { minMm: null, maxMm: null }));
      },
      ['collar'],
    );
    expect(missingForVerdict(answer, 'RR')).toBe('collar-or-room');
    // With its range and its reading the place of the adjuster speaks.
    expect(
      missingForVerdict(
        answerOf((document) => named(document, null)),
        'RR',
      ),
    ).toBeNull();
  });

  test('nothing where preload was measured, or nothing can be turned', () => {
    expect(
      missingForVerdict(
        answerOf((document) => named(document)),
        'LF',
      ),
    ).toBeNull();
    const fixed = answerOf((document) => {
      named(document, null);
      document.corners.LF.adjustable = false;
      document.corners.LF.collar.maxMm = null;
    });
    expect(missingForVerdict(fixed, 'LF')).toBeNull();
  });
});
