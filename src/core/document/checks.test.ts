import { closeList, prepList } from '#words/checks.ts';
import { recheckWords } from '#words/recheck.ts';
import { symptomWords } from '#words/symptoms.ts';
import { blankDocument } from './create.ts';
import { recheckOf } from './recheck.ts';
import { standingFacts } from './facts.ts';
import { machineClasses } from '../kinds/classes/index.ts';
import { answerFor } from '../planning/answer.ts';
import { add, factEntry, measured, must, plainDocument } from '../../../tests/fixtures/records.ts';
import { classDefaults, footingOf } from '../kinds/classes/index.ts';
import { blurOf, closeFor, prepFor, unequalPressures } from './checks.ts';
import { tieRodTurns, totalToe } from '../stance/toe.ts';

const skip = (slot: string, how: 'done' | 'skipped' = 'skipped') => factEntry({ kind: 'prep', slot, how });

test.each(machineClasses.map((one) => [one]))(
  '%s has its own checks and symptoms, each with its reason',
  (one) => {
    const document = blankDocument(one, 'Tern');
    const checks = [...prepFor(document), ...closeFor(document)];
    expect(checks.length).toBeGreaterThan(8);
    expect(prepFor(document).some((id) => id === 'bars')).toBe(footingOf(one) === 'wheels');
    expect(prepFor(document).some((id) => id === 'track')).toBe(one === 'snowmobile');
    for (const { why } of [...prepList(document), ...closeList(document)]) expect(why).toMatch(/\.$/);
    for (const id of classDefaults[one].symptoms) expect(symptomWords[id].try.length).toBeGreaterThan(1);
  },
);

test('what is skipped widens the spread of heights; what is done, or taken back, does not', () => {
  const job = measured(372);
  const spread = (record: typeof job) => must(answerFor(record)).corners[0]?.nowSdMm ?? 0;
  const plain = spread(job);
  expect(spread(add(job, skip('bars', 'done')))).toBe(plain);
  expect(spread(add(job, skip('bars'), skip('bushes')))).toBeGreaterThan(1.3 * plain);
  expect(blurOf(plainDocument(), ['bars', 'bushes', 'nothing known'])).toBeCloseTo(1.4 * 1.3, 12);
});

test('tyres of an axle that differ by more than a twentieth are told', () => {
  const document = plainDocument();
  expect(unequalPressures(document, { LF: 2.4, RF: 2.3, LR: 2, RR: 2.2 })).toEqual([
    { left: 'LR', right: 'RR', differenceBar: expect.closeTo(0.2, 9) },
  ]);
  expect(unequalPressures(document, { LF: 2.4 })).toEqual([]);
});

test('toe: rear less front, and equal turns of both tie rods', () => {
  expect(totalToe({ frontMm: 1502, rearMm: 1500 })).toBe(-2);
  // One degree of each wheel is 2 D sin(1 deg) in total; the rods move a tan(1 deg).
  const diameterMm = 640;
  const change = (2 * diameterMm * Math.PI) / 180;
  const turns = tieRodTurns(change, { diameterMm, armMm: 115, pitchMm: 1.5 });
  expect(turns * 1.5).toBeCloseTo(115 * Math.tan(Math.PI / 180), 3);
});

test('a recheck in words, the newest counting', () => {
  const due = (km: number | null, day: string | null, replaces: string | null = null) =>
    factEntry({ kind: 'recheck', slot: 'due', km, day }, replaces);
  const first = due(300, null);
  const job = add(measured(365), first, due(500, '2026-12-04', first.id));
  expect(recheckOf(standingFacts(job))).toEqual({ km: 500, day: '2026-12-04' });
  // The day as the reader's own language has it.
  expect(recheckWords({ km: 500, day: '2026-12-04' })).toMatch(
    /^recheck due (4 December|December 4,?) 2026 or after 500 km$/,
  );
  expect(recheckWords({ km: 300, day: null })).toBe('recheck due after 300 km');
  expect(recheckOf(standingFacts(measured(365)))).toBeNull();
});

test('springs are looked at for bowing where they stand one on another', () => {
  const has = (one: Parameters<typeof blankDocument>[0]) =>
    closeFor(blankDocument(one, '')).includes('coils');
  expect([has('side-by-side'), has('car'), has('motorcycle')]).toEqual([true, false, false]);
});
