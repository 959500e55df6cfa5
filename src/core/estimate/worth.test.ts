import fc from 'fast-check';
import { askingWords } from '#words/asking.ts';
import { bestQuestion } from '../judgement/asking.ts';
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
import { dot } from '../numerics/matrix.ts';
import { conditioned, worthAsking } from './worth.ts';

const answerOf = (edit?: (document: JobDocument) => void) =>
  must(answerFor(measured(380, plainDocument(edit))));
const named = (document: JobDocument) =>
  fourCorners.forEach((id) =>
    Object.assign(document.corners[id], {
      springs: [{ ...blankSpring, name: 'main', rateNPerMm: 60 }],
      preloadMm: 10,
    }),
  );

describe('what is left of a variance once something is known', () => {
  const row = fc.float64Array({ minLength: 4, maxLength: 4, min: -3, max: 3, noNaN: true });

  test('one row by hand: var - cov^2 / (var b + r^2)', () => {
    const [a, b] = [Float64Array.of(2, 1), Float64Array.of(1, 0)];
    expect(conditioned(a, [{ row: b, sd: 0.5 }])).toBeCloseTo(5 - 2 ** 2 / (1 + 0.25), 12);
  });

  test('never more than before, never below nothing, and in whatever order it is told', () => {
    fc.assert(
      fc.property(row, row, row, fc.double({ min: 0.05, max: 5, noNaN: true }), (a, b, c, sd) => {
        const known = [b, c].map((one) => ({ row: one, sd }));
        const left = conditioned(a, known);
        expect(left).toBeGreaterThanOrEqual(0);
        expect(left).toBeLessThanOrEqual(dot(a, a) + 1e-9);
        expect(conditioned(a, [...known].reverse())).toBeCloseTo(left, 6);
      }),
    );
  });

  test('known exactly, nothing is left of it', () => {
    const a = Float64Array.of(1.5, -2, 0.25);
    expect(conditioned(a, [{ row: a, sd: 1e-9 }])).toBeCloseTo(0, 9);
  });
});

describe('what is worth asking', () => {
  test('every question of both axles, best first, none that would make it worse', () => {
    const { fit, after } = answerOf();
    const asked = worthAsking(fit, after);
    expect(asked).toHaveLength(10);
    const gains = asked.map(({ withItMm, sdMm }) => withItMm / sdMm);
    expect(gains).toEqual([...gains].sort((a, b) => a - b));
    gains.forEach((gain) => expect(gain).toBeLessThanOrEqual(1 + 1e-9));
  });

  test('while nothing but heights is known, travel used or the ratio is what would narrow it', () => {
    const best = must(bestQuestion(answerOf()));
    expect(['travel', 'ratio']).toContain(best.ask);
    expect(askingWords(best, (mm) => `${mm.toFixed(1)} mm`)).toMatch(
      /^Measuring the (front|rear) .* would narrow the heights there from ± [\d.]+ mm to ± [\d.]+ mm\.$/,
    );
  });

  test('what was measured is not asked again', () => {
    const job = add(
      measured(380, plainDocument(named)),
      ...fourCorners.map((corner) => factEntry({ kind: 'travel-used', corner, slot: 'now', mm: 90 })),
    );
    expect(bestQuestion(must(answerFor(job)))?.ask).not.toBe('travel');
  });

  test('where landing is likely anyway nothing is asked', () => {
    const wide = answerOf((document) => {
      named(document);
      document.toleranceMm = 60;
    });
    expect(bestQuestion(wide)).toBeNull();
  });

  test('each kind of question has its words', () => {
    const words = (['travel', 'weigh', 'springs', 'preload', 'ratio'] as const).map((ask) =>
      askingWords({ ask, axle: 'rear', sdMm: 2, withItMm: 1 }, String),
    );
    expect(new Set(words).size).toBe(5);
    words.forEach((one) => expect(one).toContain('from ± 2 to ± 1'));
  });
});
