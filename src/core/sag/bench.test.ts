import type { Answer } from '../planning/answerShape.ts';
import { answerRidden } from '../planning/replan.ts';
import {
  readSagTape,
  sagRig,
  trueSag,
  turnRig,
  type RigKind,
  type SagRig,
} from '../../../tests/fixtures/sagRig.ts';
import { add, adjustment, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import type { JobRecord } from '../document/types.ts';
import { goodEnough } from '../planning/enough.ts';
import { cornerVerdict, missingForVerdict } from '../judgement/cornerVerdict.ts';
import { answerFor } from '../planning/answer.ts';
import { sagEnds } from './bench.ts';

/** Types a whole round of the bench: extended, alone and rider on, pressed and lifted. */
function readRound(job: JobRecord, rig: SagRig, round: number): JobRecord {
  const states = [true, false].flatMap((ridden) =>
    (['press', 'lift'] as const).map((how) => ({
      slot: `${ridden ? 'r1' : 'alone'}-${how}-1`,
      read: readSagTape(rig, ridden, how),
    })),
  );
  const all = [{ slot: 'extended-1', read: rig.extended }, ...states];
  return add(
    job,
    factEntry({ kind: 'settled', round, slot: 'how', how: 'bounced' }),
    ...all.flatMap(({ slot, read }) =>
      rig.ids.map((corner, i) => factEntry({ kind: 'sag', round, corner, slot, mm: read[i] ?? 0 })),
    ),
  );
}

function told(answer: Answer): Partial<Record<string, number>> {
  return Object.fromEntries(answer.corners.map(({ id, seatBy }) => [id, seatBy]));
}

/** Reads, turns as told, reads again, until the sheet says that it is good enough; says how often it turned. */
function workThrough(rig: SagRig): { turns: number; answer: Answer } {
  let job = readRound(record(rig.document), rig, 0);
  for (let turns = 0; ; turns++) {
    const answer = must(answerFor(job));
    const moves = told(answer);
    if (turns === 3 || goodEnough(answer) || Object.values(moves).every((mm) => mm === 0))
      return { turns, answer };
    turnRig(rig, moves);
    job = add(job, ...answer.corners.map(({ id, seatBy }) => adjustment(turns + 1, id, seatBy)));
    job = readRound(job, rig, turns + 1);
  }
}

function offBy(rig: SagRig): number[] {
  const sag = trueSag(rig, true);
  return rig.ids.flatMap((id, i) => {
    const { sagWindow } = rig.document.corners[id];
    if (!sagWindow) return [];
    return [Math.max(sagWindow.fromMm - (sag[i] ?? 0), (sag[i] ?? 0) - sagWindow.toMm, 0)];
  });
}

describe('from first reading to sag in its window, on simulated machines', () => {
  const kinds: RigKind[] = ['road', 'linkage', 'scooter', 'sled'];
  test.each(kinds)(
    '%s: in on every seed; a bike after two turns at most, a sled with its coarse cam after three',
    (kind) => {
      for (let seed = 1; seed <= 3; seed++) {
        const rig = sagRig(kind, seed);
        const { turns } = workThrough(rig);
        const few = turns <= (kind === 'sled' ? 3 : 2);
        expect({ seed, few, off: Math.max(...offBy(rig)) < 1 }).toEqual({ seed, few: true, off: true });
      }
    },
  );
});

describe('what the bench says of an end', () => {
  const ends = (rig: SagRig) => sagEnds(must(answerFor(readRound(record(rig.document), rig, 0))));

  test('sag alone and ridden is within its own spread of the truth', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const rig = sagRig('road', seed);
      const [alone, ridden] = [trueSag(rig, false), trueSag(rig, true)];
      ends(rig).forEach((end, i) => {
        expect(Math.abs(end.alone.nowMm - (alone[i] ?? 0))).toBeLessThan(3.5 * end.alone.nowSdMm);
        expect(Math.abs(end.ridden.nowMm - (ridden[i] ?? 0))).toBeLessThan(3.5 * end.ridden.nowSdMm);
        expect(end.ridden.nowSdMm).toBeLessThan(4);
      });
    }
  });

  test('friction is what the hands left, and a binding fork is told', () => {
    const rig = sagRig('scooter', 4);
    rig.half = [9, 1];
    const [front, rear] = ends(rig).map(({ friction }) => friction);
    expect(front?.bandMm).toBeGreaterThan(14);
    expect(front?.verdict).toBe('poor');
    expect(rear?.verdict).toBe('good');
  });

  test('nobody-on never read is held against no window, and judges no spring', () => {
    const rig = sagRig('road', 5, 1.9);
    rig.document.corners.RW.staticWindow = { fromMm: 5, toMm: 6 };
    const job = readRound(record(rig.document), rig, 0);
    const ridden = {
      ...job,
      entries: job.entries.filter((one) => one.type !== 'fact' || !one.fact.slot.startsWith('alone')),
    };
    const [both, half] = [must(answerFor(job)), must(answerFor(ridden))];
    const rear = (answer: Answer) => must(sagEnds(answer).find(({ id }) => id === 'RW') ?? null);
    expect(rear(both).staticSag?.state).toBe('too much');
    expect(rear(both).needed).not.toBeNull();
    expect(rear(half)).toMatchObject({ staticSag: null, needed: null });
    const unnamed = structuredClone(ridden);
    unnamed.document.corners.RW.springs = [];
    expect(missingForVerdict(must(answerFor(unnamed)), 'RW')).toBe('static-sag-too');
    expect(cornerVerdict(half, 'RW')).toBeNull();
  });

  test('a rider’s sag that is not known well enough judges no spring either', () => {
    const rig = sagRig('road', 5);
    const job = readRound(record(rig.document), rig, 0);
    const answer = must(answerFor(job));
    const vague = { ...answer, corners: answer.corners.map((corner) => ({ ...corner, sagSdMm: 6 })) };
    expect(missingForVerdict(answer, 'RW')).toBeNull();
    expect(missingForVerdict(vague, 'RW')).toBe('sag-better');
    expect(cornerVerdict(vague, 'RW')).toBeNull();
  });

  test('a spring much too soft, and one much too stiff, are recognised by the rate that both sags want', () => {
    for (const [stiff, verdict] of [
      [0.5, 'too soft'],
      [1.9, 'too stiff'],
    ] as const) {
      const rig = sagRig('road', 5, stiff);
      const { answer } = workThrough(rig);
      const rear = sagEnds(answer).find(({ id }) => id === 'RW');
      expect(Math.sign((rear?.needed?.rateNPerMm ?? 0) - (rear?.rate.nPerMm ?? 0))).toBe(stiff < 1 ? 1 : -1);
      expect(cornerVerdict(answer, 'RW')?.verdict).toBe(verdict);
    }
  });

  test('any subset of readings works: pressed alone, or a band on the shaft, with the uncertainty it leaves', () => {
    const rig = sagRig('road', 2);
    const of = (...facts: [slot: string, values: number[]][]) =>
      sagEnds(
        must(
          answerFor(
            add(
              record(rig.document),
              ...facts.flatMap(([slot, values]) =>
                rig.ids.map((corner, i) =>
                  factEntry({ kind: 'sag', round: 0, corner, slot, mm: values[i] ?? 0 }),
                ),
              ),
            ),
          ),
        ),
      )[1]?.ridden;
    const press = readSagTape(rig, true, 'press');
    const lift = readSagTape(rig, true, 'lift');
    const whole = of(['extended-1', rig.extended], ['r1-press-1', press], ['r1-lift-1', lift]);
    const half = of(['extended-1', rig.extended], ['r1-press-1', press]);
    const used = trueSag(rig, true);
    const band = of(['r1-band-1', [used[0] ?? 0, 0.5 * (used[1] ?? 0)]]);
    expect(half?.nowSdMm).toBeGreaterThan(1.2 * (whole?.nowSdMm ?? 0));
    for (const one of [whole, half, band])
      expect(Math.abs((one?.nowMm ?? 0) - (used[1] ?? 0))).toBeLessThan(3 * (one?.nowSdMm ?? 0));
  });

  test('street clothes and a half-empty tank: as ridden it sits deeper than it was read', () => {
    const rig = sagRig('road', 2);
    const [before] = ends(rig);
    Object.assign(rig.document, { sagRead: { gear: false, luggage: true, fuel: 0.25 } });
    rig.document.machine.tankL = 18;
    const [street] = ends(rig);
    expect((street?.ridden.nowMm ?? 0) - (street?.asReadMm ?? 0)).toBeGreaterThan(1);
    expect(before?.ridden.nowMm).toBeCloseTo(before?.asReadMm ?? 0, 6);
  });

  test('a heavier rider of the book wants more preload behind, and nothing turned changes what was read', () => {
    const rig = sagRig('road', 6);
    rig.document.riders.push({
      key: 'r2',
      name: 'two up',
      kg: 88,
      gearKg: 9,
      rearShare: null,
      passengerKg: 62,
      luggageKg: 12,
    });
    const answer = must(answerFor(readRound(record(rig.document), rig, 0)));
    const other = answerRidden(answer, answer.machine.ridden.r2?.ride ?? []);
    const rear = (one: Answer) => must(one.corners.find(({ id }) => id === 'RW') ?? null);
    expect(rear(other).seatBy).toBeGreaterThan(rear(answer).seatBy + 3);
    expect(rear(other).nowMm).toBe(rear(answer).nowMm);
    expect(Math.abs(rear(other).sagMm - 35)).toBeLessThan(6);
  });
});
