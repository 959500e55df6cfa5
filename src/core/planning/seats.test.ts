import fc from 'fast-check';
import { nextStep, stepsNear, type Steps, type ThreadRoom } from '../adjusting/limits.ts';
import { planSeats, type SeatProblem } from './seats.ts';

const open: ThreadRoom = { down: -1000, up: 1000 };
const rooms = fc
  .tuple(fc.double({ min: -40, max: 0, noNaN: true }), fc.double({ min: 0, max: 40, noNaN: true }))
  .map(([down, up]): ThreadRoom => ({ down, up }));
const steps = fc.oneof(
  fc.double({ min: 0.1, max: 8, noNaN: true }).map((stepBy): Steps => ({ stepBy })),
  fc
    .uniqueArray(fc.integer({ min: -60, max: 60 }), { minLength: 1, maxLength: 7 })
    .map((all): Steps => ({ stepBy: 1, choicesBy: [...all, 0].sort((a, b) => a - b) })),
);

describe('moves that can be had', () => {
  test('are within the room, in steps or among the choices, and the nearest is among them', () => {
    fc.assert(
      fc.property(steps, rooms, fc.double({ min: -60, max: 60, noNaN: true }), (how, room, wanted) => {
        const near = stepsNear(how, room, wanted);
        expect(near.length).toBeGreaterThan(0);
        for (const mm of near) {
          expect(mm).toBeGreaterThanOrEqual(room.down - 1e-6);
          expect(mm).toBeLessThanOrEqual(room.up + 1e-6);
          if (how.choicesBy) expect(how.choicesBy).toContain(mm);
          else expect(Math.abs(mm / how.stepBy - Math.round(mm / how.stepBy))).toBeLessThan(1e-6);
        }
        const all = how.choicesBy?.filter((mm) => mm >= room.down - 1e-9 && mm <= room.up + 1e-9);
        const best = all && Math.min(...all.map((mm) => Math.abs(mm - wanted)));
        if (best !== undefined) expect(Math.min(...near.map((mm) => Math.abs(mm - wanted)))).toBe(best);
      }),
    );
  });

  test('a step up and a step down again is where it was; at the end there is none', () => {
    fc.assert(
      fc.property(steps, rooms, (how, room) => {
        const [start = 0] = stepsNear(how, room, 0);
        const up = nextStep(how, room, start, 1);
        if (up === null) return;
        expect(up).toBeGreaterThan(start);
        expect(nextStep(how, room, up, -1)).toBeCloseTo(start, 9);
      }),
    );
    expect(nextStep({ stepBy: 2 }, { down: 0, up: 3 }, 2, 1)).toBeNull();
    expect(nextStep({ stepBy: 1, choicesBy: [-5, 0, 12] }, open, 0, 1)).toBe(12);
    expect(nextStep({ stepBy: 1, choicesBy: [-5, 0, 12] }, { down: -1, up: 20 }, 0, -1)).toBeNull();
  });
});

describe('seats in steps', () => {
  const problemOf = (part: Partial<SeatProblem>): SeatProblem => {
    const n = part.influence?.[0]?.length ?? 0;
    return {
      influence: [],
      wanted: [],
      weights: (part.wanted ?? []).map(() => 1),
      twist: [],
      gains: Array.from({ length: n }, () => 1),
      rooms: Array.from({ length: n }, () => open),
      steps: Array.from({ length: n }, () => ({ stepBy: 0.25 })),
      groups: Array.from({ length: n }, (_, i) => [i]),
      twistPenalty: 0,
      ...part,
    };
  };
  const missOf = ({ influence, wanted, weights }: SeatProblem, moves: readonly number[]) =>
    influence.reduce((sum, row, r) => {
      const off = (wanted[r] ?? 0) - row.reduce((all, value, j) => all + value * (moves[j] ?? 0), 0);
      return sum + (weights[r] ?? 1) * off * off;
    }, 0);

  test('where one step is coarse, the fine ones make up for it: as good as trying everything', () => {
    const hundredths = (min: number, max: number) => fc.integer({ min, max }).map((value) => value / 100);
    const own = hundredths(70, 150);
    const cross = hundredths(-30, 30);
    fc.assert(
      fc.property(
        fc.tuple(own, cross, cross, own),
        fc.tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -30, max: 30 })),
        ([a, b, c, d], wanted) => {
          const choicesBy = [-40, -20, 0, 20, 40];
          const problem = problemOf({
            influence: [
              [a, b],
              [c, d],
            ],
            wanted: [...wanted],
            steps: [{ stepBy: 1, choicesBy }, { stepBy: 0.5 }],
            rooms: [
              { down: -40, up: 40 },
              { down: -60, up: 60 },
            ],
          });
          const { seatsBy, smoothMm } = planSeats(problem);
          const near = stepsNear({ stepBy: 1, choicesBy }, { down: -40, up: 40 }, smoothMm[0] ?? 0);
          const all = near.flatMap((coarse) =>
            Array.from({ length: 241 }, (_, k) => [coarse, -60 + 0.5 * k]),
          );
          const best = Math.min(...all.map((moves) => missOf(problem, moves)));
          expect(choicesBy).toContain(seatsBy[0]);
          expect(missOf(problem, seatsBy)).toBeLessThanOrEqual(best + 0.05);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a height that counts more is missed less', () => {
    // One seat for two heights that want different things.
    const shared = { influence: [[1], [1]], wanted: [10, 0] };
    const even = planSeats(problemOf(shared)).seatsBy[0] ?? 0;
    const first = planSeats(problemOf({ ...shared, weights: [9, 1] })).seatsBy[0] ?? 0;
    expect(even).toBeCloseTo(5, 9);
    expect(first).toBeCloseTo(9, 9);
  });

  test('tied adjusters share the smaller room and the coarser step', () => {
    const { seatsBy } = planSeats(
      problemOf({
        influence: [[1, 1]],
        wanted: [100],
        groups: [[0, 1]],
        rooms: [
          { down: -5, up: 30 },
          { down: -9, up: 11.9 },
        ],
        steps: [{ stepBy: 0.25 }, { stepBy: 2 }],
      }),
    );
    expect(seatsBy).toEqual([10, 10]);
  });

  test('twist is spared where it costs, and free where it does not', () => {
    // Two corners of a body that only rises with their sum; their difference twists.
    const body = { influence: [[0.5, 0.5]], wanted: [4], twist: [[0.5, -0.5], [-0.5, 0.5]] }; // oxfmt-ignore
    const { smoothMm } = planSeats(problemOf({ ...body, twistPenalty: 0.3 }));
    expect(smoothMm[0]).toBeCloseTo(smoothMm[1] ?? 0, 6);
    expect((smoothMm[0] ?? 0) + (smoothMm[1] ?? 0)).toBeCloseTo(8, 3);
  });
});
