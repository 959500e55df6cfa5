import { byCorner, type Answer } from '../planning/answerShape.ts';
import { answerFor } from '../planning/answer.ts';
import { marginsFor } from '../margins/margins.ts';
import {
  add,
  adjustment,
  factEntry,
  heights,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { againDocument, settledIn } from '../book/again.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';

const answered = (job: JobRecord): Answer => {
  const answer = answerFor(job);
  if (!answer) throw new Error('expected an answer');
  return answer;
};

describe('height lost on the road', () => {
  const driven = (km: number, lost: number) =>
    answered(
      add(
        record(plainDocument()),
        settled(0),
        ...heights(0, 365),
        factEntry({ kind: 'driven', round: 1, km: km, slot: 'km' }),
        settled(1),
        ...heights(1, 365 - lost),
      ),
    );

  test('is told for each corner, and grows with what was measured', () => {
    const [little, much] = [settledIn(driven(400, 1)), settledIn(driven(400, 4))];
    for (const id of ['LF', 'RF', 'LR', 'RR'] as const) {
      expect(little[id]?.km).toBe(400);
      expect(much[id]?.lostMm).toBeGreaterThan((little[id]?.lostMm ?? 0) + 1.5);
      // Four corners read 4 mm lower through friction: most of it is believed.
      expect(much[id]?.lostMm).toBeGreaterThan(2.5);
      expect(much[id]?.lostMm).toBeLessThan(4.2);
      expect(much[id]?.sdMm).toBeGreaterThan(0.3);
    }
  });

  test('goes with the machine to its next job; a job that nobody drove in teaches nothing', () => {
    const again = againDocument(driven(400, 3), '00000000-0000-4000-9000-000000000001', 'Back');
    expect(again.machine.learnt?.settled.LF?.lostMm).toBeGreaterThan(1.5);
    const still = answered(add(record(plainDocument()), settled(0), ...heights(0, 365)));
    expect(settledIn(still)).toEqual({});
    const unread = add(
      record(plainDocument()),
      settled(0),
      ...heights(0, 365),
      factEntry({ kind: 'driven', round: 1, km: 400, slot: 'km' }),
    );
    expect(settledIn(answered(unread))).toEqual({});
  });

  test('a week later, not driven and nothing turned: all lower by as much is lost height, and the tape is believed', () => {
    const stood = driven(0, 5);
    for (const id of ['LF', 'RF', 'LR', 'RR'] as const) {
      expect(byCorner(stood)[id]?.nowMm).toBeLessThan(362);
      expect(settledIn(stood)[id]).toMatchObject({ km: 0 });
      expect(settledIn(stood)[id]?.lostMm).toBeGreaterThan(2.5);
    }
    expect(stood.doubt.suspicions).toEqual([]);
  });

  test('a turn with a short drive after it is no other day: what did not follow is no loss of height', () => {
    const loop = answered(
      add(
        record(plainDocument()),
        settled(0),
        ...heights(0, 365),
        ...(['LF', 'RF', 'LR', 'RR'] as const).map((id) => adjustment(1, id, -2)),
        factEntry({ kind: 'driven', round: 1, km: 5, slot: 'km' }),
        settled(1),
        ...heights(1, 357),
      ),
    );
    expect(Math.abs(settledIn(loop).LF?.lostMm ?? 0)).toBeLessThan(0.6);
    expect(loop.posterior.gains.LF?.now.mean).toBeGreaterThan(2);
  });

  test('is not blamed on the seats: ratios stay as they were described', () => {
    const { posterior } = driven(400, 4);
    expect(posterior.gains.LF?.now.mean).toBeCloseTo(posterior.gains.LF?.prior.mean ?? 0, 1);
  });
});

describe('an uneven floor', () => {
  const onFloor = (
    floors: Partial<Record<'LF' | 'RF' | 'LR' | 'RR', number>>,
    kind: 'ground-arch' | 'hub-arch',
  ) =>
    answered(
      add(
        record(
          plainDocument((document: JobDocument) => {
            for (const id of ['LF', 'RF', 'LR', 'RR'] as const) {
              document.corners[id].reference.kind = kind;
              document.corners[id].floorMm = floors[id] ?? 0;
            }
          }),
        ),
        settled(0),
        ...heights(0, 365),
      ),
    );

  test('a floor that rises by a plane changes nothing', () => {
    const corners = byCorner(onFloor({ LF: 8, RF: 8, LR: 0, RR: 0 }, 'ground-arch'));
    for (const corner of Object.values(corners)) {
      expect(corner.nowSpecMm).toBeCloseTo(365, 0);
      expect(corner.seatBy).toBe(0);
    }
  });

  test('one wheel on a bump loads its diagonal: read alike there, level ground would show a difference', () => {
    const { LF, RF } = byCorner(onFloor({ LF: 12 }, 'hub-arch'));
    // The bump pushes left front into the body; off it, that wheel hangs lower and its gap is wider.
    expect((LF?.nowSpecMm ?? 0) - (RF?.nowSpecMm ?? 0)).toBeGreaterThan(3);
    expect(LF?.nowMm).toBeCloseTo(365, 0);
  });
});

describe('shaft joints', () => {
  test('what is left is the rise that brings the shaft to its most', () => {
    const answer = answered(
      add(
        record(
          plainDocument((document: JobDocument) => {
            document.corners.LF.boots = [{ name: 'outer boot', nowDeg: 10, mostDeg: 20, shaftMm: 400 }];
          }),
        ),
        settled(0),
        ...heights(0, 365),
      ),
    );
    const joint = marginsFor(answer).find(({ kind }) => kind === 'joint');
    const sine = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
    // Nothing is moved, so the body has not risen: 400 (sin 20 - sin 10) = 67.3 mm.
    expect(joint?.leftMm).toBeCloseTo(400 * (sine(20) - sine(10)), 1);
    expect(joint?.which).toEqual({ by: 'name', name: 'outer boot' });
  });
});
