import type { JobRecord } from '#core/document/types.ts';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import { seededUniform, standardNormal } from '#core/numerics/random.ts';
import type { PracticeReading } from '#contract/practice.ts';
import type { PracticeTruth } from './truth.ts';
import { replay, standNow, trueHeights, type PracticeRound } from './replay.ts';
import { tapeShows } from '#core/gauge/heldTape.ts';

const G = 9.80665;
/** One standard deviation of each, in its own unit; of a pad, a share. */
const sd = { caliper: 0.05, pad: 0.001, travel: 0.4, pressure: 0.01, level: 0.3, toe: 0.3 } as const;
/** mm of toe that an axle goes by for each mm it stands higher. */
const TOE_PER_MM = 0.06;

/**
 * What an instrument shows on the machine as it stands now: mm of tape, caliper, gauge, level or toe plates, kg of a pad, bar of a tyre.
 * `count` is how many readings were taken before: each has an error of its own. Throws where the corner is none of the machine's.
 */
export function readInstrument(
  truth: PracticeTruth,
  seed: number,
  record: Pick<JobRecord, 'entries'>,
  reading: PracticeReading,
  count: number,
): number {
  const i = truth.corners.indexOf(reading.corner);
  if (i < 0) throw new Error(`expected a corner of the machine, got ${reading.corner}`);
  const uniform = seededUniform(seed * 131 + count * 104729 + 3);
  for (let k = 0; k < 4; k++) uniform();
  const error = standardNormal(uniform);
  const of = (list: readonly number[]) => list[i] as number;
  const floors = truth.simulated.departures.contacts.map(({ floorMm }) => floorMm);
  switch (reading.instrument) {
    case 'tape': {
      const shows = tapeShows(
        of(standNow(truth, seed, record).heightsMm),
        reading.placing,
        truth.arches[i] === true,
      );
      return round(shows + truth.tapeSdMm * error, 0.1);
    }
    case 'caliper': {
      const { condition } = replay(truth, seed, record).at(-1) as PracticeRound;
      return round(
        of(truth.collarMm) + of(truth.collarGrows) * of(condition.seatsBy) + sd.caliper * error,
        0.05,
      );
    }
    case 'pad':
      return round((of(standNow(truth, seed, record).padsN) / G) * (1 + sd.pad * error), 0.5);
    case 'travel':
      return round(of(standNow(truth, seed, record).travelMm) + sd.travel * error, 0.1);
    case 'pressure':
      return round(of(truth.tyreBar) + sd.pressure * error, 0.01);
    case 'level':
      // The first corner is where it is laid from.
      return round(of(floors) - (floors[0] as number) + sd.level * error, 0.1);
    case 'toe':
      return round(of(truth.toeMm) + TOE_PER_MM * higher(truth, seed, record, i) + sd.toe * error, 0.1);
  }
}

/** How much higher the corner's axle stands than where its targets are met, mm. */
function higher(truth: PracticeTruth, seed: number, record: Pick<JobRecord, 'entries'>, i: number): number {
  const axle = axleOf(truth.corners[i] as CornerId);
  const still = truth.corners.map(() => 0);
  const wanted = trueHeights(truth, { seatsBy: still, km: 0 });
  const { heightsMm } = standNow(truth, seed, record);
  const own = truth.corners.flatMap((id, k) =>
    axleOf(id) === axle ? [(heightsMm[k] as number) - (wanted[k] as number)] : [],
  );
  return own.reduce((sum, mm) => sum + mm, 0) / own.length;
}

const round = (value: number, step: number) => Math.round(value / step) * step;
