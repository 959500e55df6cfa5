import { isOf, standingFacts } from '#core/document/facts.ts';
import type { JobRecord } from '#core/document/types.ts';
import { axleOf } from '#core/kinds/corners.ts';
import { seededUniform } from '#core/numerics/random.ts';
import { standOf, trueStand, type Condition, type SimulatedStand } from '#core/simulated/machine.ts';
import type { PracticeTruth } from './truth.ts';

/** Share of its friction that a wheel still holds after being let down from hanging; nothing has moved it since. */
const LET_DOWN = 0.9;
/** Most of it that is left after rolling and bouncing, either way. */
const SETTLED = 0.3;
/** Most of it as a machine comes in, not settled by anybody. */
const AS_IT_CAME = 0.8;

/** What was done in one round before it was read. */
export interface PracticeRound {
  /** mm of seat really turned at each corner, in the order of the machine's corners. */
  turnedBy: number[];
  km: number;
  settled: boolean;
  condition: Condition;
}

type Played = Pick<JobRecord, 'entries'>;

/**
 * What the record says was done to the machine, round by round: seats go no further than their threads, a wheel that hung stands
 * high until it is rolled, bounced or driven, and springs lose on the road.
 */
export function replay(truth: PracticeTruth, seed: number, record: Played): PracticeRound[] {
  const facts = standingFacts(record).map(({ fact }) => fact);
  const last = Math.max(0, ...facts.map(({ round }) => round));
  const seats = [...truth.openBy];
  const loosed = { bars: false, bushes: false };
  let km = 0;
  let held = randomHeld(truth, seed, -1, AS_IT_CAME);
  return Array.from({ length: last + 1 }, (_, round): PracticeRound => {
    const here = facts.filter((fact) => fact.round === round);
    const turnedBy = truth.corners.map((id, i) => {
      const asked = here.filter(isOf('adjustment')).find(({ corner }) => corner === id)?.mm ?? 0;
      const from = seats[i] as number;
      const [low, high] = truth.threadMm[i] as readonly [number, number];
      const to = Math.min(Math.max(from + asked, low), high);
      seats[i] = to;
      return to - from;
    });
    for (const { slot, how } of here.filter(isOf('prep')))
      if (how === 'done' && (slot === 'bars' || slot === 'bushes')) loosed[slot] = true;
    const drove = here.filter(isOf('driven')).reduce((sum, fact) => sum + fact.km, 0);
    km += drove;
    const settled = drove > 0 || here.some(isOf('settled'));
    const lifted = (i: number) =>
      truth.corners.some((id, k) => {
        return turnedBy[k] !== 0 && axleOf(id) === axleOf(truth.corners[i] as typeof id);
      });
    held = settled
      ? randomHeld(truth, seed, round, SETTLED)
      : held.map((share, i) => (lifted(i) ? LET_DOWN : share));
    return {
      turnedBy,
      km: drove,
      settled,
      condition: { seatsBy: [...seats], km, held, loosed: { ...loosed } },
    };
  });
}

/** What friction happens to hold, the same however often it is asked. */
function randomHeld({ corners }: PracticeTruth, seed: number, round: number, most: number): number[] {
  const uniform = seededUniform(seed * 31 + round * 7919 + 17);
  for (let k = 0; k < 4; k++) uniform();
  return corners.map(() => most * (2 * uniform() - 1));
}

/** How the machine stands now. */
export function standNow(truth: PracticeTruth, seed: number, record: Played): SimulatedStand {
  const now = replay(truth, seed, record).at(-1) as PracticeRound;
  return standOf(truth.simulated, now.condition);
}

/** True heights as it goes out, with no friction. */
export function trueHeights(
  truth: PracticeTruth,
  { seatsBy, km }: Pick<Condition, 'seatsBy' | 'km'>,
): number[] {
  return trueStand(truth.simulated, { seatsBy, km }).heightsMm;
}
