import { stages, stagesOf } from '#core/judgement/stages.ts';
import { blankDocument } from '#core/document/create.ts';
import { standingFacts } from '#core/document/facts.ts';
import { readRounds } from '#core/estimate/rounds.ts';
import { prepFor } from '#core/document/checks.ts';
import { blankSpring } from '#core/document/spring.ts';
import type { JobRecord } from '#core/document/types.ts';
import { marginsFor } from '#core/margins/margins.ts';
import { answerFor } from '#core/planning/answer.ts';
import { planFact } from '#core/planning/tell.ts';
import {
  fourCorners,
  add,
  adjustment,
  factEntry,
  heights,
  measured,
  plainDocument,
  record,
  settled,
} from '../../../../tests/fixtures/records.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { stageStanding, stageTitles } from './stages.ts';

const jobOf = (made: JobRecord) => {
  const answer = answerFor(made);
  return {
    record: made,
    facts: standingFacts(made),
    state: readRounds(made),
    answer,
    margins: answer ? marginsFor(answer) : [],
  } as unknown as Job;
};
const words = (made: JobRecord) =>
  Object.fromEntries(stages.map((stage) => [stage, stageStanding(stage, jobOf(made)).words]));
const states = (made: JobRecord) =>
  Object.fromEntries(stages.map((stage) => [stage, stageStanding(stage, jobOf(made)).state]));

test('every stage has a title', () => {
  expect(stages.map((stage) => stageTitles[stage])).toEqual([
    'Intake',
    'Prep',
    'Sag bench',
    'Baseline',
    'Scales',
    'Plan',
    'Turn',
    'Measure again',
    'Rings',
    'Stance',
    'Finish',
    'Ride',
  ]);
});

test('a blank job says what is missing', () => {
  const blank = record(plainDocument((document) => (document.corners.LF.targetMm = null)));
  expect(words(blank)).toMatchObject({
    intake: '1 target missing',
    prep: '7 to tick',
    baseline: 'no readings',
    plan: 'needs readings',
  });
  expect(words(add(blank, ...heights(0, 375).slice(1)))).toMatchObject({ baseline: '1 corner missing' });
});

test('unsettled readings need a look; settled ones are done', () => {
  const unsettled = add(record(), ...heights(0, 375));
  expect(states(unsettled).baseline).toBe('look');
  expect(words(measured())).toMatchObject({
    intake: 'targets set',
    baseline: '1 reading a corner',
    plan: 'ready to turn',
  });
  expect(words(add(measured(), ...heights(0, 375, '2'))).baseline).toBe('2 readings a corner');
});

test('a target that cannot be had makes the plan need a look', () => {
  const short = measured(
    375,
    plainDocument((document) => fourCorners.forEach((id) => (document.corners[id].collar.minMm = 89))),
  );
  expect(stageStanding('plan', jobOf(short))).toEqual({ state: 'look', words: 'not all can be had' });
});

test('prep: seen to, or skipped and worth a look', () => {
  const all = [...prepFor(plainDocument())];
  const seen = (how: 'done' | 'skipped') =>
    add(measured(), ...all.map((slot) => factEntry({ kind: 'prep', slot, how })));
  expect(stageStanding('prep', jobOf(seen('done')))).toEqual({ state: 'done', words: 'all ticked' });
  expect(stageStanding('prep', jobOf(seen('skipped')))).toEqual({ state: 'look', words: '7 skipped' });
});

test('rings: as they stand, to be set, in their places; a job without any has no such stage', () => {
  const ringed = (gapMm: number | null) =>
    measured(
      365,
      plainDocument((document) =>
        fourCorners.forEach((id) =>
          Object.assign(document.corners[id], {
            loadKg: 320,
            preloadMm: 40,
            springs: [60, 90].map((rateNPerMm, k) => ({ ...blankSpring, name: `${k}`, rateNPerMm })),
            rings: [{ after: 0, limitMm: 90, on: 'body', gapMm }],
          }),
        ),
      ),
    );
  expect(stagesOf(plainDocument())).not.toContain('rings');
  expect(stagesOf(ringed(null).document)).toContain('rings');
  expect(stageStanding('rings', jobOf(ringed(null)))).toEqual({ state: 'open', words: 'as they stand' });
  const job = ringed(20);
  expect(stageStanding('rings', jobOf(job))).toEqual({ state: 'open', words: '4 to set' });
  const answer = answerFor(job);
  const set = add(
    job,
    ...(answer?.corners ?? []).map(({ id, rings }) =>
      factEntry({ kind: 'ring', corner: id, slot: '0', mm: rings[0]?.moveMm ?? 0 }),
    ),
  );
  expect(stageStanding('rings', jobOf(set))).toEqual({ state: 'done', words: 'in their places' });
});

test('scales and stance: what was weighed, and a low point that is too low; only where there are four wheels', () => {
  const pads = [260, 240, 242, 258].map((kg, i) =>
    factEntry({ kind: 'pad', corner: fourCorners[i] ?? 'LF', kg }),
  );
  expect(stageStanding('scales', jobOf(measured())).words).toBe('');
  const asked = measured(
    365,
    plainDocument((document) => {
      document.crossTarget = 0.5;
      document.stance.points = [{ name: 'sump', xMm: 700, yMm: 0, nowMm: 80, leastMm: 90 }];
    }),
  );
  expect(stageStanding('scales', jobOf(asked)).words).toBe('not weighed');
  expect(stageStanding('scales', jobOf(add(asked, ...pads.slice(0, 2)))).words).toBe('2 of 4 weighed');
  expect(stageStanding('scales', jobOf(add(asked, ...pads)))).toEqual({
    state: 'done',
    words: 'cross 48.2 %',
  });
  expect(stageStanding('stance', jobOf(asked))).toEqual({ state: 'look', words: '1 too low' });
  expect(stagesOf(blankDocument('scooter', 'Plover'))).not.toContain('scales');
  expect(stagesOf(blankDocument('truck', 'Plover'))).toEqual(expect.arrayContaining(['scales', 'stance']));
});

test('turning, turned, measured, locked', () => {
  const answer = answerFor(measured());
  if (!answer) throw new Error('expected an answer');
  const told = add(measured(), factEntry(planFact(answer)), adjustment(1, 'LF', -5));
  expect(words(told)).toMatchObject({ plan: 'issued', turn: '3 to turn', measure: '' });
  const turned = add(told, ...fourCorners.slice(1).map((id) => adjustment(1, id, -5)));
  expect(words(turned)).toMatchObject({ turn: 'round 1 turned', measure: 'no readings' });
  const done = add(
    turned,
    settled(1),
    ...heights(1, 365),
    factEntry({ kind: 'locked', round: 1, slot: 'locked' }),
  );
  expect(states(done)).toMatchObject({ measure: 'done', 'close-out': 'done' });
});
