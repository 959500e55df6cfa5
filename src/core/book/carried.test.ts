import { analyse } from '../analysis/analyse.ts';
import { nextWords } from '#words/nextAction.ts';
import { byCorner, plannedMoves } from '../planning/answerShape.ts';
import { seatMoveSum } from '#words/explain/cornerSums.ts';
import { settingsOf } from './settings.ts';
import { blankSpring } from '../document/spring.ts';
import { answerFor } from '../planning/answer.ts';
import {
  add,
  adjustment,
  factEntry,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { plainly } from '../estimate/believed.ts';
import { againDocument } from './again.ts';
import { fittingFields, mountOfPitch } from '../document/fitting.ts';

const CORNERS = ['LF', 'RF', 'LR', 'RR'] as const;

describe('a fault at one corner leaves the others what they are', () => {
  const document = plainDocument((one) => {
    Object.assign(one.corners.LF, fittingFields('fixed'));
    Object.assign(one.corners.RF, fittingFields('air'));
    one.corners.LR.mount = mountOfPitch(2);
    // The fault: a spring that is solid before it is pressed.
    one.corners.RR.springs = [{ ...blankSpring, rateNPerMm: 60, freeLengthMm: 200, solidLengthMm: 250 }];
  });

  test('fixed corners, air and mounts are not moved by the plain sheet', () => {
    const plain = plainly(document);
    expect(CORNERS.map((id) => plain.corners[id].adjustable)).toEqual([false, false, false, true]);
    const answer = must(answerFor(add(record(document), settled(0), ...heights(0, 380))));
    expect(answer.faults.length).toBeGreaterThan(0);
    const moves = byCorner(answer);
    for (const id of ['LF', 'RF', 'LR'] as const)
      expect([id, moves[id]?.seatBy, moves[id]?.mountMm]).toEqual([id, 0, 0]);
    expect(moves.RR?.seatBy).not.toBe(0);
  });
});

describe('the next job on a machine', () => {
  test('knows wheel weights as history, not as weighed now, and a joint as it then hung', () => {
    const document = plainDocument((one) => {
      for (const id of CORNERS) one.corners[id].loadKg = id.endsWith('F') ? 330 : 270;
      one.corners.LF.boots = [{ name: 'outer joint', nowDeg: 10, mostDeg: 22, shaftMm: 400 }];
    });
    const answer = must(
      answerFor(
        add(
          record(document),
          settled(0),
          ...heights(0, 355),
          ...CORNERS.map((id) => adjustment(1, id, 5)),
          settled(1),
          ...heights(1, 365),
        ),
      ),
    );
    const next = againDocument(answer, '00000000-0000-4000-9000-000000000001', 'Back');
    expect(CORNERS.map((id) => next.corners[id].loadKg)).toEqual([null, null, null, null]);
    expect(next.machine.massKg).toBe(1200);
    expect(next.machine.frontShare).toBeCloseTo(0.55, 9);
    // The body rose some 10 mm over a shaft of 400: sin a' = sin 10 + 10 / 400.
    const angle = (180 / Math.PI) * Math.asin(Math.sin((10 * Math.PI) / 180) + 10 / 400);
    expect(Math.abs((next.corners.LF.boots[0]?.nowDeg ?? 0) - angle)).toBeLessThan(0.35);
  });
});

describe('one side or one axle read', () => {
  const oneSide = () =>
    add(
      record(plainDocument()),
      settled(0),
      ...(['LF', 'LR'] as const).map((corner) =>
        factEntry({ kind: 'height', round: 0, corner, slot: '1', mm: 380 }),
      ),
    );

  test('whatever moves is told: the twin that nobody read as well', () => {
    const answer = must(answerFor(oneSide()));
    const moves = Object.fromEntries(plannedMoves(answer).map(({ id, seatBy }) => [id, seatBy]));
    expect(Object.keys(moves).sort()).toEqual(['LF', 'LR', 'RF', 'RR']);
    expect(moves.RF).toBe(moves.LF);
    expect(moves.LF).not.toBe(0);
  });

  test('a corner read for the first time in a later round counts from then on, and finishing asks for it', () => {
    const turned = add(oneSide(), ...CORNERS.map((id) => adjustment(1, id, -7.5)), settled(1));
    const half = add(
      turned,
      ...(['LF', 'LR'] as const).map((corner) =>
        factEntry({ kind: 'height', round: 1, corner, slot: '1', mm: 365 }),
      ),
    );
    expect(nextWords(analyse(half).next)).toContain('measure');
    const whole = add(
      half,
      ...(['RF', 'RR'] as const).map((corner) =>
        factEntry({ kind: 'height', round: 1, corner, slot: '1', mm: 377 }),
      ),
    );
    const answer = must(answerFor(whole));
    expect(answer.wholeBody).toBe(true);
    expect(byCorner(answer).RF?.seatBy ?? 0).toBeLessThan(-1);
  });

  test('with cross weight wanted and targets at the rear only, what a front is turned is told and not left out', () => {
    const document = plainDocument((one) => {
      one.crossTarget = 0.5;
      for (const id of ['LF', 'RF'] as const) one.corners[id].targetMm = null;
      for (const id of CORNERS) one.corners[id].loadKg = { LF: 320, RF: 280, LR: 260, RR: 300 }[id];
    });
    const answer = must(answerFor(add(record(document), settled(0), ...heights(0, 365))));
    const told = plannedMoves(answer).filter(({ seatBy }) => seatBy !== 0);
    // Somewhere diagonal weight is moved, and every corner that does it is in the list of moves.
    const after = answer.after.seatsBy.flatMap((mm, i) =>
      Math.abs(mm - (answer.now.seatsBy[i] ?? 0)) > 1e-9 ? [answer.machine.corners[i]] : [],
    );
    expect(after.length).toBeGreaterThan(0);
    expect(told.map(({ id }) => id).sort()).toEqual([...after].sort());
  });
});

test('a lower mount teaches the ratio as a seat does', () => {
  const taught = (by: 'seat' | 'mount') => {
    const document = plainDocument((one) => {
      for (const id of CORNERS) {
        one.corners[id].ratio = null;
        if (by === 'mount') one.corners[id].mount = mountOfPitch(2);
      }
    });
    const move = (id: (typeof CORNERS)[number]) =>
      by === 'seat'
        ? adjustment(1, id, 10)
        : factEntry({ kind: 'mount', round: 1, corner: id, slot: 'done', mm: 10, askedMm: 10 });
    const answer = must(
      answerFor(
        add(
          record(document),
          settled(0),
          ...heights(0, 360),
          ...CORNERS.map(move),
          settled(1),
          ...heights(1, 380),
        ),
      ),
    );
    return answer.posterior.gains.LF?.now.mean ?? NaN;
  };
  // 10 mm of either raised 20: the damper makes half of the wheel's way.
  expect(taught('seat')).toBeGreaterThan(1.75);
  expect(taught('mount')).toBeGreaterThan(1.75);
});

test('a pressure that nobody gave is no reading: not in the sum, not in the logbook, not in the next job until it was set', () => {
  const document = plainDocument((one) => Object.assign(one.corners.LF, fittingFields('air')));
  const read = add(record(document), settled(0), ...heights(0, 355));
  const answer = must(answerFor(read));
  const sum = seatMoveSum(must(byCorner(answer).LF ?? null), answer);
  expect(sum.inputs.find(({ symbol }) => symbol === 'p₀')?.source).toBe('assumed');
  expect(settingsOf(read)[0]?.corners.LF?.airBar).toBeNull();
  expect(
    againDocument(answer, '00000000-0000-4000-9000-000000000001', 'Back').corners.LF.air?.gaugeBar,
  ).toBeNull();
  // Filled by three tenths to what was told: now the gauge has shown it.
  const pumped = { kind: 'inflated', round: 1, corner: 'LF', slot: 'done', bar: 0.3, askedBar: 0.3 } as const;
  const set = add(read, factEntry(pumped), settled(1), ...heights(1, 358));
  const after = must(answerFor(set));
  expect(byCorner(after).LF?.placeAssumed).toBe(false);
  expect(settingsOf(set)[1]?.corners.LF?.airBar).toBeCloseTo(4.3, 9);
  expect(
    againDocument(after, '00000000-0000-4000-9000-000000000001', 'Back').corners.LF.air?.gaugeBar,
  ).toBeCloseTo(4.3, 9);
});
