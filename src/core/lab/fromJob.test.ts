import { triedAnswer } from '../planning/replan.ts';
import { readFileSync } from 'node:fs';
import { migrateJob } from '../document/migrate.ts';
import type { JobRecord } from '../document/types.ts';
import { answerFor } from '../planning/answer.ts';
import { problemFrom } from '../rack/fromJob.ts';
import { checkProblem } from '../rack/problem.ts';
import { benchFrom } from './fromJob.ts';
import { inMotion, placeRing, ringPlaces, ringWarnings } from './rings.ts';
import { benchOf, caseTravel, type Bench, type LabSetup } from './setup.ts';

const record = {
  ...(migrateJob(JSON.parse(readFileSync('demo/3-curlew.json', 'utf8'))) as JobRecord),
  version: 1,
};
const answer = answerFor(record);
if (!answer) throw new Error('expected an answer');
const bench = (id: 'LF' | 'LR'): Bench => {
  const made = benchFrom(answer, id, id);
  if (!made) throw new Error(`expected coils at ${id}`);
  return made;
};
const again = (setup: LabSetup): Bench => {
  const made = benchOf(setup);
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
};

test('a corner on the bench rests and gaps as the whole machine says', () => {
  for (const id of ['LF', 'LR'] as const) {
    const corner = answer.corners.find((one) => one.id === id);
    expect(caseTravel(bench(id))).toBeCloseTo(corner?.sagMm ?? NaN, 1);
    expect(ringPlaces(bench(id), 0).gapMm).toBeCloseTo(corner?.rings[0]?.gapMm ?? NaN, 1);
  }
});

test('a ratio that rises keeps its form on the bench, with what was learnt of it', () => {
  const known: JobRecord = structuredClone(record);
  for (const corner of Object.values(known.document.corners))
    Object.assign(corner, { ratio: null, ratioFrom: { kind: 'constant', ratio: 0.62, rise: 0.3 } });
  const risen = answerFor(known);
  if (!risen) throw new Error('expected an answer');
  const made = benchFrom(risen, 'LF', 'LF');
  const { solver } = risen.predictAt(risen.after).outcome;
  const corner = solver.corners[risen.machine.corners.indexOf('LF')];
  if (!made || !corner) throw new Error('expected a bench');
  for (const z of [0, 60, 120]) expect(made.model.ratioAt(z)).toBeCloseTo(corner.ratioAt(z), 3);
});

test('a spring that was measured goes to the bench as stiff as it was learnt to be', () => {
  const known: JobRecord = structuredClone(record);
  const rows: [number, number][] = [
    [0, 0],
    [50, 1500],
    [100, 3600],
  ];
  const [first] = known.document.corners.LF.springs;
  if (!first) throw new Error('expected a spring');
  Object.assign(first, { kind: 'progressive', rateNPerMm: null, rows });
  const answered = answerFor(known);
  if (!answered) throw new Error('expected an answer');
  const [scale = NaN] = answered.predictAt(answered.specifiedAfter).outcome.settings[0]?.springScales ?? [];
  expect(Math.abs(scale - 1)).toBeGreaterThan(0.001);
  expect(benchFrom(answered, 'LF', 'LF')?.setup.springs[0]?.rows).toEqual(
    rows.map(([mm, n]) => [mm, n * scale]),
  );
});

test('a seat tried by hand lifts its corner most and leaves what was read as it was', () => {
  const seatBy = (answer.after.seatsBy[0] ?? 0) + 4;
  const tried = triedAnswer(answer, { LF: { seatBy } });
  const rise = (k: number) => (tried.corners[k]?.specMm ?? NaN) - (answer.corners[k]?.specMm ?? NaN);
  expect(rise(0)).toBeGreaterThan(3);
  for (const k of [1, 2, 3]) expect(Math.abs(rise(k))).toBeLessThan(rise(0));
  expect(tried.corners.map(({ nowMm }) => nowMm)).toEqual(answer.corners.map(({ nowMm }) => nowMm));
  expect(tried.corners[0]?.seatBy).toBeCloseTo((answer.corners[0]?.seatBy ?? NaN) + 4, 9);
});

test('what springs are looked for stands where the corner is to stand', () => {
  const problem = problemFrom(answer, 'LR');
  if (!problem) throw new Error('expected a problem');
  expect(checkProblem(problem).ok).toBe(true);
  const { targetMm, cases, room } = problem;
  expect(targetMm).toBeGreaterThan(cases[0]?.fromMm ?? NaN);
  expect(targetMm).toBeLessThan(cases[0]?.toMm ?? NaN);
  const { springs, preloadMm } = bench('LR').setup;
  const now = springs.reduce((sum, { freeLengthMm }) => sum + (freeLengthMm ?? NaN), 0) - preloadMm;
  expect(now).toBeGreaterThan(room.leastMm);
  expect(now).toBeLessThan(room.mostMm);
});

test('a ring is warned of when it touches at rest, comes after the coils are solid, or never comes', () => {
  const front = bench('LF');
  expect(ringWarnings(front, 0)).toEqual([]);
  const { setup } = front;
  const ring = (limitMm: number): LabSetup => ({ ...setup, rings: [{ after: 0, limitMm, on: 'seat' }] });
  expect(ringWarnings(again(ring(10)), 0)).toEqual(['touching']);
  expect(ringWarnings(again(ring(900)), 0)).toEqual(['never']);
  const tight = setup.springs.map((one, i) =>
    i === 0 ? { ...one, solidLengthMm: (one.freeLengthMm ?? 0) - 90 } : one,
  );
  expect(ringWarnings(again({ ...ring(100), springs: tight }), 0)).toEqual(['bound-first']);
});

test('the rear share that evens both ends in motion does so', () => {
  const [front, rear] = [ringPlaces(bench('LF'), 0), bench('LR')];
  const before = inMotion(front, ringPlaces(rear, 0), rear, 25);
  expect(before?.rear).toBeLessThan(ringPlaces(rear, 0).ofBump ?? NaN);
  // Squatting past all its travel nothing is left in which a ring could take over.
  expect(inMotion(front, ringPlaces(rear, 0), rear, 400)).toBeNull();
  const moved = again(placeRing(rear, 0, { by: 'bump', share: before?.rearFor ?? NaN }));
  const after = inMotion(front, ringPlaces(moved, 0), moved, 25);
  expect(after?.rear).toBeCloseTo(after?.front ?? NaN, 5);
});
