import type { JobRecord } from '#core/document/types.ts';
import { seededUniform, standardNormal } from '#core/numerics/random.ts';
import type { PracticeReading } from '#contract/practice.ts';
import type { PracticeTruth } from './truth.ts';
import { replay, standNow, type PracticeRound } from './replay.ts';
import { tapeShows } from '#core/gauge/heldTape.ts';

const G = 9.80665;
const CALIPER_SD_MM = 0.05;
const PAD_SD = 0.001;

/**
 * What an instrument shows on the machine as it stands now: mm of tape or caliper, kg of a pad. `count` is how many readings were
 * taken before: each has an error of its own. Throws where the corner is none of the machine's.
 */
export function readInstrument(
  truth: PracticeTruth,
  seed: number,
  record: Pick<JobRecord, 'entries'>,
  reading: PracticeReading,
  count: number,
): number {
  const at = truth.corners.indexOf(reading.corner);
  if (at < 0) throw new Error(`expected a corner of the machine, got ${reading.corner}`);
  const uniform = seededUniform(seed * 131 + count * 104729 + 3);
  for (let k = 0; k < 4; k++) uniform();
  const error = standardNormal(uniform);
  if (reading.instrument === 'caliper') {
    const { condition } = replay(truth, seed, record).at(-1) as PracticeRound;
    return round(
      (truth.collarMm[at] as number) +
        (truth.collarGrows[at] as number) * (condition.seatsBy[at] as number) +
        CALIPER_SD_MM * error,
      0.05,
    );
  }
  const { heightsMm, padsN } = standNow(truth, seed, record);
  return reading.instrument === 'tape'
    ? round(
        tapeShows(heightsMm[at] as number, reading.placing, truth.arches[at] === true) +
          truth.tapeSdMm * error,
        0.1,
      )
    : round(((padsN[at] as number) / G) * (1 + PAD_SD * error), 0.5);
}

const round = (value: number, step: number) => Math.round(value / step) * step;
