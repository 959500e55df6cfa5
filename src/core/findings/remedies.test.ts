import { atAll, bike, camSled, coil, known, onTarget } from '../../../tests/fixtures/situations/machines.ts';
import { must } from '../../../tests/fixtures/records.ts';
import { fittingFields } from '../document/fitting.ts';
import type { JobRecord } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { MarginKind } from '../margins/index.ts';
import { answerFor } from '../planning/answer.ts';
import { sliderWhich } from '../document/which.ts';
import type { Finding, RunOut } from './finding.ts';
import { remediesFor } from './remedies/index.ts';

/** What is tried where a corner is said to have run out of something, as it stands. */
function triedFor(job: JobRecord, kind: MarginKind, corner: CornerId, which: RunOut['which'] = null) {
  const finding: Finding = {
    code: 'run-out', kind, corner, which, loadCase: null, leftMm: 0, severity: 'stop', when: 'both',
    evidence: { parts: [], onGuess: false },
  }; // oxfmt-ignore
  return remediesFor(must(answerFor(job)), finding);
}

test('a cam that leaves too little droop is set back, to the first position that leaves enough', () => {
  const [told] = triedFor(camSled(4, 12), 'droop', 'RA');
  expect(told).toMatchObject({ do: 'cam', corner: 'RA', from: 5 });
  expect(told?.do === 'cam' && told.to).toBeLessThan(5);
  // A tenth of its 330 of travel is enough, and it stands lower by what it gained.
  expect(told?.leftMm).toBeGreaterThanOrEqual(33 - 0.06);
  expect(told?.riseMm).toBeLessThan(-10);
});

test('air that leaves too little droop is let down, in steps that a pump can do', () => {
  const aired = bike({ extended: 128, rest: 122 }, null, (document) => {
    Object.assign(document.corners.FW, { ...fittingFields('air'), sagMm: 36, sagWindow: { fromMm: 30, toMm: 41 } });
  }); // oxfmt-ignore
  const [told] = triedFor(aired, 'droop', 'FW');
  if (told?.do !== 'air') throw new Error(`expected air to be let down, got ${told?.do}`);
  expect(told.bar).toBeLessThan(0);
  expect(Math.abs(10 * told.bar - Math.round(10 * told.bar))).toBeLessThan(1e-9);
  expect(told.leftMm).toBeGreaterThanOrEqual(12.2 - 0.06);
});

test('a ring that the slider rests on is moved away, one that the coils are before is moved nearer, each just enough', () => {
  const job = (limitMm: number, solidMm: number) =>
    onTarget(
      known(
        atAll({
          springs: [
            { ...coil(90, 180, solidMm), name: 'upper' },
            { ...coil(150), name: 'lower' },
          ],
          rings: [{ after: 0, limitMm, on: 'body', gapMm: null }],
        }),
      ),
    );
  const resting = job(10, 60);
  const [away] = triedFor(resting, 'crossover', 'LF', sliderWhich(0));
  if (away?.do !== 'ring') throw new Error(`expected a ring, got ${away?.do}`);
  expect(away.mm).toBeLessThan(0);
  // Both springs act again, softer than the lower alone: it stands lower.
  expect(away.riseMm).toBeLessThan(0);
  expect(away.leftMm).toBeGreaterThan(0);
  const [nearer] = triedFor(job(75, 140), 'ring-order', 'LF', sliderWhich(0));
  if (nearer?.do !== 'ring') throw new Error(`expected a ring, got ${nearer?.do}`);
  expect(nearer.mm).toBeGreaterThan(0);
  // Steps of a millimetre: one less would not do.
  expect(nearer.leftMm).toBeGreaterThanOrEqual(-0.06);
  expect(nearer.leftMm).toBeLessThan(1);
});

test('where nothing is turned, no adjuster is the cure', () => {
  const fixed = bike({ extended: 128, rest: 122 }, null, (document) =>
    Object.assign(document.corners.FW, fittingFields('fixed')),
  );
  expect(triedFor(fixed, 'droop', 'FW')).toEqual([]);
});
