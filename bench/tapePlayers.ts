import { blankDocument } from '#core/document/create.ts';
import { analyse } from '#core/analysis/analyse.ts';
import type { Finding } from '#core/findings/finding.ts';
import { nextAction } from '#core/judgement/nextAction.ts';
import type { Entry, Fact, JobRecord } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Doubt } from '#core/estimate/estimate.ts';
import { answerFor } from '#core/planning/answer.ts';
import { seededUniform, standardNormal } from '#core/numerics/random.ts';
import type { TapeMachine } from '../tests/fixtures/tapeShop.ts';

/** Somebody who is told what the tape says and tells what to turn. */
export interface Player {
  /** Takes the readings of a round and says what to do next. `doneMm` is what was turned to get here. */
  next: (readings: readonly number[], doneMm: readonly number[]) => Advice;
}

export interface Advice {
  stop: boolean;
  movesBy: number[];
  /** Told chance of landing, 0 to 1; null where nothing is told. */
  chance: number | null;
  /** Heights said to be true now, mm. */
  heightsMm: number[];
}

/** What each class is taken to have, damper per wheel, by whoever knows nothing else. */
const middles: Record<TapeMachine['class'], Record<'front' | 'rear', number>> = {
  car: { front: 0.71, rear: 0.71 },
  truck: { front: 0.71, rear: 0.77 },
  'side-by-side': { front: 0.54, rear: 0.65 },
  snowmobile: { front: 0.66, rear: 0.54 },
  motorcycle: { front: 1.11, rear: 0.58 },
};

/** Turns each corner by what it is off over what the last move gave, and stops when every reading is in tolerance. */
export function carefulHand(machine: TapeMachine): Player {
  const { places, toleranceMm } = machine;
  const gain = { front: 1 / middles[machine.class].front, rear: 1 / middles[machine.class].rear };
  let last: readonly number[] | null = null;
  return {
    next: (readings, doneMm) => {
      for (const axle of ['front', 'rear'] as const) {
        const own = places.flatMap((place, i) => (place.axle === axle ? [i] : []));
        const moved = own.reduce((sum, i) => sum + (doneMm[i] ?? 0), 0);
        const rose = own.reduce((sum, i) => sum + (readings[i] ?? 0) - (last?.[i] ?? 0), 0);
        // A ratio from less than a few millimetres is the tape's error over itself.
        if (last && Math.abs(moved) > 3 * own.length && rose / moved > 0.5 && rose / moved < 4)
          gain[axle] = rose / moved;
      }
      last = readings;
      const off = places.map(({ targetMm }, i) => targetMm - (readings[i] ?? 0));
      return {
        stop: off.every((mm) => Math.abs(mm) <= toleranceMm),
        movesBy: off.map((mm, i) => mm / gain[places[i]?.axle ?? 'front']),
        chance: null,
        heightsMm: [...readings],
      };
    },
  };
}

const FAIR_READING_MM = 2;
const FAIR_LOG_GAIN = 0.22;

/**
 * The small fair calculation: heights = start + (rigid body on equal springs) x (gain of the axle) x (moves), with starts
 * unknown, gains broad about the class's middle and readings off by 2 mm. Straightened anew until it stands still.
 */
export function fairCalculation(machine: TapeMachine): Player {
  const { places, toleranceMm } = machine;
  const n = places.length;
  const body = projection(places);
  const axles = places.map(({ axle }) => (axle === 'front' ? 0 : 1));
  const nominal = [1 / middles[machine.class].front, 1 / middles[machine.class].rear];
  const seats = places.map(() => 0);
  const rounds: { readings: readonly number[]; seats: number[] }[] = [];
  const heightOf = (x: readonly number[], at: readonly number[], i: number) =>
    (x[i] as number) +
    places.reduce((sum, _, j) => sum + (body[i]?.[j] ?? 0) * gainAt(x, j) * (at[j] ?? 0), 0);
  const gainAt = (x: readonly number[], j: number) =>
    (nominal[axles[j] as number] as number) * Math.exp(x[n + (axles[j] as number)] as number);
  const slopes = (x: readonly number[], at: readonly number[], i: number) => [
    ...places.map((_, k) => (k === i ? 1 : 0)),
    ...[0, 1].map((axle) =>
      places.reduce(
        (sum, _, j) => sum + (axles[j] === axle ? (body[i]?.[j] ?? 0) * gainAt(x, j) * (at[j] ?? 0) : 0),
        0,
      ),
    ),
  ];
  return {
    next: (readings, doneMm) => {
      doneMm.forEach((mm, i) => (seats[i] = (seats[i] as number) + mm));
      rounds.push({ readings, seats: [...seats] });
      const x = [...(rounds[0] as (typeof rounds)[number]).readings, 0, 0];
      let covariance: number[][] = [];
      for (let pass = 0; pass < 12; pass++) {
        const precision = x.map((_, k) => x.map((__, l) => (k === l && k >= n ? FAIR_LOG_GAIN ** -2 : 0)));
        const right = x.map((value, k) => (k >= n ? -value / FAIR_LOG_GAIN ** 2 : 0));
        for (const round of rounds)
          places.forEach((_, i) => {
            const row = slopes(x, round.seats, i);
            const off = (round.readings[i] as number) - heightOf(x, round.seats, i);
            row.forEach((a, k) => {
              right[k] = (right[k] as number) + (a * off) / FAIR_READING_MM ** 2;
              row.forEach(
                (b, l) =>
                  ((precision[k] as number[])[l] =
                    ((precision[k] as number[])[l] as number) + (a * b) / FAIR_READING_MM ** 2),
              );
            });
          });
        covariance = inverse(precision);
        x.forEach(
          (_, k) =>
            (x[k] =
              (x[k] as number) +
              (covariance[k] as number[]).reduce((sum, c, l) => sum + c * (right[l] as number), 0)),
        );
      }
      const here = places.map((_, i) => heightOf(x, seats, i));
      const moves = places.map(({ targetMm }, i) => (targetMm - (here[i] as number)) / gainAt(x, i));
      const after = seats.map((mm, i) => mm + (moves[i] as number));
      const now = chanceOf({
        mean: here,
        slopes: places.map((_, i) => slopes(x, seats, i)),
        covariance,
        machine,
      });
      const then = chanceOf({
        mean: places.map((_, i) => heightOf(x, after, i)),
        slopes: places.map((_, i) => slopes(x, after, i)),
        covariance,
        machine,
      });
      const readIn = here.every((mm, i) => Math.abs(mm - (places[i]?.targetMm ?? 0)) <= toleranceMm);
      const stop = now >= 0.95 || (readIn && now >= 0.6 && then - now < 0.03 && rounds.length > 1);
      return { stop, movesBy: moves, chance: then, heightsMm: here };
    },
  };
}

function projection(places: TapeMachine['places']): number[][] {
  if (places.length < 4) return places.map((_, i) => places.map((__, j) => (i === j ? 1 : 0)));
  const rows = places.map(({ x, y }) => [1, x / 1000, y / 1000]);
  const normal = [0, 1, 2].map((a) =>
    [0, 1, 2].map((b) => rows.reduce((sum, row) => sum + (row[a] as number) * (row[b] as number), 0)),
  );
  const back = inverse(normal);
  return rows.map((left) =>
    rows.map((right) =>
      left.reduce(
        (sum, l, a) =>
          sum + l * (back[a] as number[]).reduce((part, c, b) => part + c * (right[b] as number), 0),
        0,
      ),
    ),
  );
}

function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  for (let k = 0; k < n; k++) {
    const pivot = (rows[k] as number[])[k] as number;
    rows[k] = (rows[k] as number[]).map((value) => value / pivot);
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const share = (rows[i] as number[])[k] as number;
      rows[i] = (rows[i] as number[]).map((value, j) => value - share * ((rows[k] as number[])[j] as number));
    }
  }
  return rows.map((row) => row.slice(n));
}

interface Spread {
  mean: readonly number[];
  slopes: readonly (readonly number[])[];
  covariance: readonly (readonly number[])[];
  machine: TapeMachine;
}

function chanceOf({ mean, slopes, covariance, machine }: Spread): number {
  const uniform = seededUniform(5);
  const n = covariance.length;
  // Lower triangle L with L L' the covariance.
  const lower = covariance.map((row) => row.map(() => 0));
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const rest =
        (covariance[i]?.[j] ?? 0) -
        (lower[i] as number[]).slice(0, j).reduce((sum, v, k) => sum + v * (lower[j]?.[k] ?? 0), 0);
      (lower[i] as number[])[j] = i === j ? Math.sqrt(Math.max(rest, 1e-12)) : rest / (lower[j]?.[j] ?? 1);
    }
  let within = 0;
  for (let draw = 0; draw < 1000; draw++) {
    const z = lower.map(() => standardNormal(uniform));
    const x = lower.map((row) => row.reduce((sum, v, k) => sum + v * (z[k] as number), 0));
    const ok = mean.every((mm, i) => {
      const off = (slopes[i] as number[]).reduce((sum, v, k) => sum + v * (x[k] as number), 0);
      return Math.abs(mm + off - (machine.places[i]?.targetMm ?? 0)) <= machine.toleranceMm;
    });
    if (ok) within++;
  }
  return within / 1000;
}

/** What somebody told the page beside the tape. */
export type Told = 'tape' | 'suspension' | 'ratio';

/** The page's own planner, through a job's record. */
export function thePage(
  machine: TapeMachine,
  told: Told = 'tape',
  begin: (record: JobRecord) => JobRecord = (record) => record,
): Player & { doubt: () => Doubt | null; stops: () => Finding[]; record: () => JobRecord } {
  let record = begin(startRecord(machine, told));
  const ids = machine.places.map(({ id }) => id as CornerId);
  let round = -1;
  let doubt: Doubt | null = null;
  const add = (fact: Fact) =>
    (record = { ...record, entries: [...record.entries, entryOf(fact, record.entries.length)] });
  return {
    doubt: () => doubt,
    record: () => record,
    stops: () => analyse(record).findings.filter(({ severity }) => severity === 'stop'),
    next: (readings, doneMm) => {
      round++;
      if (round > 0)
        ids.forEach((corner, i) => {
          const mm = doneMm[i] ?? 0;
          if (mm !== 0)
            add({
              kind: 'adjustment',
              round,
              corner,
              slot: 'done',
              mm,
              askedMm: mm,
            });
        });
      add({ kind: 'settled', round, corner: null, slot: 'how', how: 'rolled and bounced' });
      ids.forEach((corner, i) => add({ kind: 'height', round, corner, slot: '1', mm: readings[i] ?? 0 }));
      const answer = answerFor(record);
      if (!answer) throw new Error('expected an answer once heights are read');
      doubt = answer.doubt;
      return {
        stop: nextAction(record, answer).stage === 'close-out',
        movesBy: ids.map((id) => answer.corners.find((corner) => corner.id === id)?.seatBy ?? 0),
        chance: answer.chanceAfter,
        heightsMm: ids.map((id) => answer.corners.find((corner) => corner.id === id)?.nowMm ?? NaN),
      };
    },
  };
}

function startRecord(machine: TapeMachine, told: Told): JobRecord {
  const document = blankDocument(machine.class, `tape ${machine.seed}`);
  document.machine.wheelbaseMm = machine.wheelbaseMm;
  document.toleranceMm = machine.toleranceMm;
  for (const { id, axle, targetMm, pitchMm, collarMm } of machine.places) {
    const corner = document.corners[id as CornerId];
    corner.reference.kind = 'ground-chassis';
    corner.targetMm = targetMm;
    corner.pitchMm = pitchMm;
    corner.collar = { datum: '', grows: 'with-seat', minMm: collarMm - 120, maxMm: collarMm + 120 };
    tell(corner, machine, axle, told);
  }
  let record: JobRecord = { id: '00000000-0000-4000-8000-00000000f00d', version: 1, document, entries: [] };
  for (const { id, collarMm } of machine.places)
    record = {
      ...record,
      entries: [
        ...record.entries,
        entryOf(
          {
            kind: 'collar',
            round: 0,
            corner: id as CornerId,
            slot: 'now',
            mm: collarMm,
          },
          record.entries.length,
        ),
      ],
    };
  return record;
}

function tell(
  corner: JobRecord['document']['corners'][CornerId],
  machine: TapeMachine,
  axle: 'front' | 'rear',
  told: Told,
) {
  if (told === 'suspension') corner.suspension = machine.suspension[axle];
  // Two pairs of wheel and damper travel, the second read 3 % off.
  if (told === 'ratio')
    corner.ratioFrom = {
      kind: 'table',
      rows: [
        [0, 0],
        [80, 80 * machine.measuredRatio[axle]],
      ],
    };
}

export function entryOf(fact: Fact, count: number): Entry {
  const id = `00000000-0000-4000-8000-${String(count).padStart(12, '0')}`;
  return {
    id,
    at: '2026-03-02T08:00:00.000Z',
    label: 'tape',
    undoOf: null,
    redoOf: null,
    type: 'fact',
    fact,
    replaces: null,
  };
}
