import { add, changeEntry, factEntry, plainDocument, record } from '../../../tests/fixtures/records.ts';
import { afterFitting } from '../book/newFitting.ts';
import { blankDocument } from '../document/create.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { cornerHeight } from '../figures/cornerHeight.ts';
import { nextAction } from '../judgement/nextAction.ts';
import { cornersOf } from '../kinds/classes/index.ts';
import { axleOf } from '../kinds/corners.ts';
import type { NewPartKind } from '../kinds/newParts.ts';
import { answerFor } from '../planning/answer.ts';
import { ringWork } from '../planning/ringWork.ts';
import { collarNow, readRounds } from './rounds.ts';

const ids = cornersOf('side-by-side');

/** A side-by-side of which nothing is known but heights and targets. */
const blank = () => {
  const document = blankDocument('side-by-side', 'Curlew');
  document.toleranceMm = 6;
  for (const id of ids) Object.assign(document.corners[id], { targetMm: 372, pitchMm: 2 });
  return document;
};
const read = (round: number, front: number, rear: number): Entry[] => [
  factEntry({ kind: 'settled', round, slot: 'how', how: 'rolled' }),
  ...ids.map((corner) =>
    factEntry({ kind: 'height', round, corner, mm: axleOf(corner) === 'front' ? front : rear }),
  ),
];
const turned = (round: number, front: number, rear: number): Entry[] =>
  ids.map((corner) =>
    factEntry({
      kind: 'adjustment',
      round,
      corner,
      slot: 'done',
      mm: axleOf(corner) === 'front' ? front : rear,
    }),
  );
const fitted = (round: number, part: NewPartKind): Entry[] =>
  (['front', 'rear'] as const).map((axle) =>
    factEntry({ kind: 'fitted', round, slot: `${part}-${axle}`, part, axle, words: '' }),
  );
const must = (job: JobRecord) => {
  const answer = answerFor(job);
  if (!answer) throw new Error('expected an answer');
  return answer;
};
const gainSd = (job: JobRecord) => must(job).posterior.gains.LF?.now.sd ?? NaN;

// Truth: front 1.5 mm for each mm of collar, rear 1.05.
const begun = () => add(record(blank()), ...read(0, 322, 323), ...turned(1, 20, 20), ...read(1, 352, 344));

test('new springs begin anew what they lift, and nothing is said of heights until they are read', () => {
  const job = add(begun(), ...fitted(2, 'springs'));
  expect(answerFor(job)).toBeNull();
  expect(nextAction(job, null)).toMatchObject({ stage: 'measure', code: 'settle-and-measure' });
  const after = must(add(job, ...read(2, 339, 373)));
  for (const { id, nowMm } of after.corners) {
    expect(Math.abs(nowMm - (axleOf(id) === 'front' ? 339 : 373))).toBeLessThan(0.5);
    expect(cornerHeight(after, id).predicted).toBeNull();
  }
  expect(after.doubt.suspicions).toEqual([]);
});

test('what a seat does was learnt with the old springs and stays: the first move with the new ones lands', () => {
  const job = add(begun(), ...fitted(2, 'springs'), ...read(2, 339, 373));
  expect(gainSd(job)).toBeCloseTo(gainSd(begun()), 1);
  const front = must(job).corners.find(({ id }) => id === 'LF');
  const landsAt = 339 + 1.5 * (front?.seatBy ?? 0);
  expect(Math.abs(landsAt - 372)).toBeLessThan(3);
});

test('other arms forget the ratio, and what was measured of it', () => {
  const measured = (['wheel', 'damper'] as const).flatMap((what) =>
    (['standing', 'hanging'] as const).map((how) =>
      factEntry({
        kind: 'ratio-length',
        round: 0,
        corner: 'LF',
        slot: `${what}-${how}`,
        mm: { wheel: 400, damper: 300 }[what] + (how === 'hanging' ? { wheel: 90, damper: 60 }[what] : 0),
      }),
    ),
  );
  const job = add(begun(), ...measured, ...fitted(2, 'links'), ...read(2, 339, 373));
  expect(readRounds(job).measuredRatio).toEqual({});
  expect(gainSd(job)).toBeGreaterThan(1.7 * gainSd(begun()));
  const springs = add(begun(), ...measured, ...fitted(2, 'springs'), ...read(2, 339, 373));
  expect(readRounds(springs).measuredRatio.front?.ratio).toBeCloseTo(60 / 90, 6);
});

test('collars and gaps of before it was put together are over; tyres leave them', () => {
  const placed = add(
    begun(),
    factEntry({ kind: 'collar', round: 1, corner: 'LF', slot: 'now', mm: 60 }),
    factEntry({ kind: 'ring-gap', round: 1, corner: 'LF', slot: 'found', mm: 34 }),
  );
  const collar = (job: JobRecord) => collarNow(readRounds(job).rounds, 'LF', 1);
  const gap = (job: JobRecord) => ringWork(job.document, readRounds(job)).find(({ id }) => id === 'LF');
  const anew = add(placed, ...fitted(2, 'kit'));
  expect([collar(anew), gap(anew)]).toEqual([null, undefined]);
  const tyres = add(placed, ...fitted(2, 'tyres'));
  expect([collar(tyres), gap(tyres)?.nowMm]).toEqual([60, 34]);
  const read74 = factEntry({ kind: 'collar', round: 2, corner: 'LF', slot: 'now', mm: 74 });
  expect(collar(add(anew, read74))).toBe(74);
});

test('a loss of before is the old springs’: it neither strains the new ones nor is said of them', () => {
  const driven = factEntry({ kind: 'driven', round: 2, km: 400, slot: 'km' });
  const lost = add(begun(), driven, ...read(2, 342, 334), ...fitted(3, 'springs'));
  const drivenNew = factEntry({ kind: 'driven', round: 4, km: 400, slot: 'km' });
  const after = must(add(lost, ...read(3, 360, 360), drivenNew, ...read(4, 360, 360)));
  expect(after.doubt.suspicions).toEqual([]);
  for (const { nowMm } of after.corners) expect(Math.abs(nowMm - 360)).toBeLessThan(1.5);
});

describe('what of the description is over', () => {
  const described = () =>
    plainDocument((document) => {
      document.corners.LF.springs = [{ ...spring, rateNPerMm: 40 }];
      document.corners.LF.preloadMm = 12;
      document.corners.LR.springs = [{ ...spring, rateNPerMm: 30 }];
    });
  const spring = {
    kind: 'linear' as const,
    rateNPerMm: 40,
    freeLengthMm: 250,
    solidMm: null,
    rows: null,
  } as never as ReturnType<typeof plainDocument>['corners']['LF']['springs'][number];
  const after = (part: NewPartKind) =>
    Object.fromEntries(
      afterFitting(described(), { rounds: [] }, [{ part, axle: 'front', corner: null }]).map(
        ([path, value]) => [path.join('.'), value],
      ),
    );

  test('springs of that axle with their preload, and no other axle’s', () => {
    expect(after('springs')).toEqual({ 'corners.LF.springs': [], 'corners.LF.preloadMm': null });
  });

  test('a spring that went in at one side leaves the other as it was', () => {
    const changes = afterFitting(described(), { rounds: [] }, [
      { part: 'springs', axle: 'front', corner: 'RF' },
    ]);
    expect(changes.filter(([path]) => path[1] === 'LF')).toEqual([]);
    const one = add(
      begun(),
      factEntry({ kind: 'collar', round: 1, corner: 'LF', slot: 'now', mm: 60 }),
      factEntry({ kind: 'collar', round: 1, corner: 'RF', slot: 'now', mm: 61 }),
      factEntry({
        kind: 'fitted', round: 2, corner: 'RF', slot: 'springs-front',
        part: 'springs', axle: 'front', words: '', kit: null, moreMm: null,
      }),
    ); // oxfmt-ignore
    const collar = (id: 'LF' | 'RF') => collarNow(readRounds(one).rounds, id, 1);
    expect([collar('LF'), collar('RF')]).toEqual([60, null]);
  });

  test('dampers leave the springs, and have another thread; tyres leave all of that', () => {
    const dampers = after('dampers');
    expect(dampers['corners.LF.springs']).toBeUndefined();
    expect(dampers['corners.LF.collar']).toMatchObject({ minMm: null, maxMm: null });
    expect(after('tyres')).toEqual({});
  });

  test('arms leave no ratio', () => {
    expect(after('links')).toMatchObject({ 'corners.LF.ratio': null, 'corners.RF.ratio': null });
  });

  test('a cam that was turned stays where it was turned to', () => {
    const sled = blankDocument('snowmobile', 'Kittiwake');
    const [id] = cornersOf('snowmobile').filter((one) => axleOf(one) === 'rear');
    if (!id) throw new Error('expected a rear end');
    sled.corners[id].cam = 0;
    const job = add(
      record(sled),
      changeEntry([`corners.${id}.cam`, 0, 1]),
      factEntry({ kind: 'adjustment', round: 1, corner: id, slot: 'done', mm: 0 }),
    );
    const changes = afterFitting(job.document, readRounds(job), [
      { part: 'springs', axle: 'rear', corner: null },
    ]);
    expect(changes.filter(([path]) => path.at(-1) === 'cam')).toEqual([]);
  });
});
