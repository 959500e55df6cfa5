import { analyse } from '../analysis/analyse.ts';
import { nextWords } from '#words/nextAction.ts';
import { summarise } from '../analysis/summary.ts';
import { numberOf } from './factKinds.ts';
import fc from 'fast-check';
import {
  fourCorners,
  add,
  adjustment,
  changeEntry,
  collars,
  factEntry,
  heights,
  measured,
  nextId,
  plainDocument,
  record,
  settled,
  withdrawEntry,
} from '../../../tests/fixtures/records.ts';
import { answerFor } from '../planning/answer.ts';
import { planFact } from '../planning/tell.ts';
import { applyEntry } from './applyEntry.ts';
import { correctedBy, standingFacts, type FactEntry } from './facts.ts';
import { historyOf, lastStep, redoEntry, undoEntry } from './history.ts';
import { applyOps, invertOps, sameJson } from './ops.ts';
import { collarNow, readRounds } from '../estimate/rounds.ts';
import type { Entry, Json, JobRecord } from './types.ts';

const stamp = () => ({ id: nextId(), at: '2026-03-02T09:00:00.000Z' });

describe('replacements', () => {
  const document: Json = { name: 'a', deep: { list: [1, 2], value: 3 } };

  test('are applied together or not at all', () => {
    const ops = [
      { path: ['name'], from: 'a', to: 'b' },
      { path: ['deep', 'value'], from: 99, to: 4 },
    ];
    expect(applyOps(document, ops)).toEqual({
      ok: false,
      unknownPath: null,
      conflicts: [{ path: ['deep', 'value'], from: 99, yours: 4, theirs: 3 }],
    });
    expect(document).toEqual({ name: 'a', deep: { list: [1, 2], value: 3 } });
  });

  test('to a place that is not there, or is not the document’s own, are refused', () => {
    for (const path of [['nowhere'], ['deep', 'value', 'x'], ['__proto__', 'x'], ['constructor'], []]) {
      expect(applyOps(document, [{ path, from: null, to: 1 }])).toMatchObject({
        ok: false,
        unknownPath: path,
      });
    }
  });

  test('of what is already so are no conflict', () => {
    expect(applyOps(document, [{ path: ['name'], from: 'z', to: 'a' }])).toEqual({
      ok: true,
      value: document,
    });
  });

  test('are taken back by their inverse, whatever they were', () => {
    const steps = fc.array(fc.tuple(fc.constantFrom('name', 'deep'), fc.jsonValue()), { maxLength: 8 });
    fc.assert(
      fc.property(steps, (changes) => {
        let now = document;
        const ops = changes.map(([key, to]) => {
          const op = { path: [key], from: (now as Record<string, Json>)[key] as Json, to: to as Json };
          now = { ...(now as Record<string, Json>), [key]: to as Json };
          return op;
        });
        const there = applyOps(document, ops);
        if (!there.ok) throw new Error('expected the ops to apply');
        const back = applyOps(there.value, invertOps(ops));
        expect(back.ok && sameJson(back.value, document)).toBe(true);
      }),
    );
  });
});

describe('facts', () => {
  const reading = (mm: number, replaces: string | null = null) =>
    factEntry({ kind: 'height', corner: 'LF', mm }, replaces);

  test('a correction stands for what it corrects, and the old one comes back when it is withdrawn', () => {
    const first = reading(375);
    const second = reading(365, first.id);
    const corrected = add(record(), first, second);
    expect(standingFacts(corrected).map(({ fact }) => numberOf(fact))).toEqual([365]);
    const withdrawn = add(corrected, withdrawEntry(second.id));
    expect(standingFacts(withdrawn).map(({ fact }) => numberOf(fact))).toEqual([375]);
    expect(withdrawn.entries).toHaveLength(3);
  });

  test('corrected twice, only the last one stands; undoing shows the one before, twice the first', () => {
    const first = reading(360);
    const second = reading(355, first.id);
    const third = reading(350, second.id);
    const values = (job: JobRecord) => standingFacts(job).map(({ fact }) => numberOf(fact));
    const corrected = add(record(), first, second, third);
    expect(values(corrected)).toEqual([350]);
    const once = add(corrected, undoEntry(third, stamp()));
    expect(values(once)).toEqual([355]);
    expect(values(add(once, undoEntry(second, stamp())))).toEqual([360]);
    expect(values(add(once, redoEntry(third, once.entries, stamp())))).toEqual([350]);
  });

  test('however often it is corrected and undone, one stands in a place, and it is the newest not undone', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 12 }), (steps) => {
        let job = add(record(), reading(0));
        const kept = [0];
        steps.forEach((correct, k) => {
          const standing = standingFacts(job)[0];
          if (correct) {
            job = add(job, reading(k + 1, standing?.id ?? null));
            kept.push(k + 1);
          } else if (kept.length > 1 && standing) {
            job = add(job, undoEntry(standing, stamp()));
            kept.pop();
          }
        });
        expect(standingFacts(job).map(({ fact }) => numberOf(fact))).toEqual([kept.at(-1)]);
      }),
    );
  });

  test('emptying a place that was corrected leaves it empty', () => {
    const first = reading(360);
    const second = reading(355, first.id);
    const job = add(record(), first, second);
    const emptied = correctedBy(job, second as FactEntry).map(({ id }) => withdrawEntry(id));
    expect(standingFacts(add(job, ...emptied))).toEqual([]);
  });

  test('a second fact in the same place is refused with the one that stands', () => {
    const first = reading(375);
    const result = applyEntry(add(record(), first), reading(371));
    expect(result).toMatchObject({ ok: false, refusal: { reason: 'taken', standing: { id: first.id } } });
  });

  test('a round that nothing leads to is refused, with the last that may be', () => {
    const far = factEntry({ kind: 'height', round: 199, corner: 'LF', slot: '1', mm: 375 });
    const job = add(record(), ...heights(1, 380));
    expect(applyEntry(job, far)).toEqual({ ok: false, refusal: { reason: 'late-round', most: 4 } });
    const next = factEntry({ kind: 'height', round: 2, corner: 'LF', slot: '1', mm: 375 });
    expect(applyEntry(job, next).ok).toBe(true);
  });

  test('entries about unknown entries are refused', () => {
    expect(applyEntry(record(), withdrawEntry(nextId()))).toMatchObject({
      ok: false,
      refusal: { reason: 'unknown-entry' },
    });
  });
});

describe('undo and redo', () => {
  const undoLast = (job: JobRecord): JobRecord => {
    const target = historyOf(job.entries).undo.at(-1);
    return target ? add(job, undoEntry(target, stamp())) : job;
  };
  const redoLast = (job: JobRecord): JobRecord => {
    const target = historyOf(job.entries).redo.at(-1);
    return target ? add(job, redoEntry(target, job.entries, stamp())) : job;
  };
  const seen = (job: JobRecord) => ({
    document: job.document,
    facts: standingFacts(job).map(({ fact }) => fact),
  });

  test('walk back over changes and facts alike, and forward again', () => {
    const start = record();
    const changed = add(start, changeEntry(['corners.LF.targetMm', 365, 360]));
    const read = add(changed, factEntry({ kind: 'height', corner: 'LF', mm: 375 }));
    const once = undoLast(read);
    const twice = undoLast(once);
    expect(seen(once)).toEqual(seen(changed));
    expect(seen(twice)).toEqual(seen(start));
    expect(historyOf(twice.entries).undo).toEqual([]);
    expect(seen(redoLast(redoLast(twice)))).toEqual(seen(read));
  });

  test('what was made together is one step; what was taken back is one by itself', () => {
    const at = (entry: Entry, time: string): Entry => ({ ...entry, at: time });
    const [first, second, third] = heights(0, 375) as [Entry, Entry, Entry];
    const together = [at(first, 'a'), at(second, 'b'), at(third, 'b')];
    expect(lastStep(together).map(({ id }) => id)).toEqual([third.id, second.id]);
    expect(lastStep(together.slice(0, 1)).map(({ id }) => id)).toEqual([first.id]);
    const withdrawn = [at(first, 'b'), at(withdrawEntry(first.id), 'b')];
    expect(lastStep(withdrawn)).toEqual([withdrawn[1]]);
    expect(lastStep([])).toEqual([]);
  });

  test('a new entry ends the way forward', () => {
    const undone = undoLast(add(record(), changeEntry(['name', 'Sandpiper', 'Dunlin'])));
    expect(historyOf(undone.entries).redo).toHaveLength(1);
    expect(historyOf(add(undone, changeEntry(['note', '', 'wet'])).entries).redo).toEqual([]);
  });
});

describe('the order of the work', () => {
  const tell = (job: JobRecord): JobRecord => {
    const answer = answerFor(job);
    if (!answer) throw new Error('expected an answer');
    return add(job, factEntry(planFact(answer)));
  };
  const turned = (job: JobRecord, mm = -5) => add(job, ...fourCorners.map((id) => adjustment(1, id, mm)));

  test('from targets to readings to turning to measuring again to locking', () => {
    const words = (job: JobRecord) => nextWords(analyse(job).next);
    const blank = record(
      plainDocument((document) => fourCorners.forEach((id) => (document.corners[id].targetMm = null))),
    );
    expect(words(blank)).toBe('set the target heights');
    expect(words(record())).toBe('measure all four corners');
    expect(words(add(record(), ...heights(0, 375).slice(0, 3)))).toBe('measure rear right');
    const planned = measured();
    expect(analyse(planned).next).toEqual({ stage: 'plan', code: 'turn', corner: 'LF' });
    const told = tell(planned);
    expect(analyse(told).next).toEqual({ stage: 'turn', code: 'turn', corner: 'LF' });
    expect(words(add(told, adjustment(1, 'LF', -5)))).toBe('turn front right');
    const done = turned(told);
    expect(analyse(done).next).toEqual({ stage: 'measure', code: 'settle-and-measure' });
    const landed = add(
      done,
      settled(1),
      ...heights(1, 365),
      ...heights(1, 365, '2'),
      ...heights(1, 365, '3'),
    );
    expect(words(landed)).toBe('in tolerance: lock it');
    expect(words(add(landed, factEntry({ kind: 'locked', round: 1, slot: 'locked' })))).toBe(
      'locked at its heights',
    );
  });

  test('readings before every corner is turned take the rest as left alone', () => {
    const early = add(tell(measured()), adjustment(1, 'LF', -5), ...heights(1, 372));
    const state = readRounds(early);
    expect(state.turning).toBeNull();
    expect(state.current).toBe(1);
    expect(state.rounds[1]?.moves).toEqual({ LF: -5 });
  });

  test('a locked job has no plan: its margins are how it stands', () => {
    const locked = answerFor(add(measured(375), factEntry({ kind: 'locked', round: 0, slot: 'locked' })));
    expect(locked?.corners.map(({ seatBy }) => seatBy)).toEqual([0, 0, 0, 0]);
    expect(locked?.corners[0]?.predictedMm).toBe(locked?.corners[0]?.nowMm);
    expect(locked?.chanceAfter).toBe(locked?.chanceNow);
    expect(locked?.reasons).toEqual([]);
  });

  test('settling before every corner is turned ends the turning, and is kept', () => {
    const state = readRounds(add(tell(measured()), adjustment(1, 'LF', -5), settled(1)));
    expect(state.turning).toBeNull();
    expect(state.rounds[1]?.settled).toBe('rolled and bounced');
  });

  test('the collar is carried along by the moves done, and a new reading overrides', () => {
    const done = turned(measured());
    expect(collarNow(readRounds(done).rounds, 'LF', 1)).toBe(85);
    expect(collarNow(readRounds(done).rounds, 'LF', -1)).toBe(95);
    expect(collarNow(readRounds(add(done, ...collars(1, 84.5))).rounds, 'LF', 1)).toBe(84.5);
    expect(collarNow([], 'LF', 1)).toBeNull();
  });

  test('a line on Bays has the next action, what is worst, and how far each corner has to go', () => {
    const line = summarise(analyse(measured([375, 375, 371, 371])), '2026-03-02T10:00:00.000Z');
    expect(line.toGoMm.LF).toBeCloseTo(-10, 3);
    expect(line.toGoMm.RR).toBeCloseTo(-6, 3);
    expect(summarise(analyse(measured([366, 375, 371, 371])), '').toGoMm.LF).toBe(0);
    expect(line.worst).not.toBeNull();
    expect(summarise(analyse(record()), '').worst).toBeNull();
  });
});
