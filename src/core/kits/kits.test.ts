import {
  add,
  factEntry,
  heights,
  must,
  plainDocument,
  record,
  settled,
} from '../../../tests/fixtures/records.ts';
import { blankDocument } from '../document/create.ts';
import type { Change } from '../book/newFitting.ts';
import type { Entry, JobRecord } from '../document/types.ts';
import { readRounds } from '../estimate/rounds.ts';
import { cornersOf } from '../kinds/classes/index.ts';
import { axleOf } from '../kinds/corners.ts';
import { seededUniform, standardNormal } from '../numerics/random.ts';
import { answerFor } from '../planning/answer.ts';
import { blankKit, blankKitEnd, type Kit } from './kit.ts';
import { kitMemory } from './memory.ts';
import { kitOutcomes, type KitOutcome } from './outcome.ts';
import { pooled } from './pool.ts';
import { startOf, takeKit } from './takeKit.ts';

const ID = '00000000-0000-4000-8000-00000000c0de';
const kit: Kit = {
  id: ID,
  version: 1,
  kit: {
    ...blankKit('Reedbed pair'),
    toleranceMm: 6,
    load: 'two people',
    front: {
      ...blankKitEnd(),
      seatMm: 48,
      seatFrom: 'top edge',
      grows: 'against-seat',
      preloadMm: 12,
      heightMm: 372,
      options: [{ name: 'winch', preloadMm: 22 }],
    },
  },
};
const plainly = { option: null, moreMm: 0 };

describe('earlier machines pooled', () => {
  const wide = { mean: 0, sd: 0.25 };

  test('one machine gives little, many give more, and none makes the next surer than the floor', () => {
    const taught = (count: number) =>
      pooled(
        Array.from({ length: count }, () => ({ value: -0.5, sd: 0.03 })),
        wide,
        0.02,
      );
    expect(taught(0)).toMatchObject({ mean: 0, count: 0 });
    expect(taught(1).sd).toBeGreaterThan(0.05);
    expect(taught(1).sd).toBeLessThan(0.15);
    expect(taught(4).sd).toBeLessThan(taught(1).sd);
    expect(taught(7).sd).toBeGreaterThan(0.02);
    expect(taught(7).mean).toBeCloseTo(-0.5, 1);
    // From eight on a smaller spread may be believed.
    expect(taught(40).sd).toBeLessThan(0.02);
  });

  test.each([0.02, 0.06])(
    'the next of machines %s apart lies where it is said to, and as far from it',
    (apart) => {
      const uniform = seededUniform(5 + 100 * apart);
      const draw = () => standardNormal(uniform);
      let squares = 0;
      const trials = 400;
      for (let k = 0; k < trials; k++) {
        const model = -0.5 + 0.2 * draw();
        const machine = () => model + apart * draw();
        const learnt = Array.from({ length: 4 }, () => ({ value: machine() + 0.03 * draw(), sd: 0.03 }));
        const { mean, sd } = pooled(learnt, { mean: -0.5, sd: 0.2 }, 0.02);
        squares += ((machine() - mean) / sd) ** 2;
      }
      const off = Math.sqrt(squares / trials);
      expect(off).toBeGreaterThan(0.45);
      expect(off).toBeLessThan(1.15);
    },
  );
});

describe('a kit put into a job', () => {
  const taking = (document = plainDocument(), moreMm = 0, option: string | null = null) =>
    takeKit(document, { rounds: [] }, { kit, ends: { front: { option, moreMm } }, round: 2, taught: [] });
  const value = (changes: readonly Change[], path: string) =>
    changes.find(([one]) => one.join('.') === path)?.[1];

  test('its springs, start places and heights stand in the description, of its own end alone', () => {
    const { changes, facts } = taking();
    expect(value(changes, 'corners.LF.targetMm')).toBe(372);
    expect(value(changes, 'corners.RF.collar')).toMatchObject({
      datum: 'top edge',
      grows: 'against-seat',
      minMm: 60,
    });
    expect(value(changes, 'toleranceMm')).toBe(6);
    expect(changes.filter(([path]) => path[1] === 'LR')).toEqual([]);
    expect(facts).toContainEqual(
      expect.objectContaining({ kind: 'fitted', round: 2, part: 'springs', axle: 'front', kit: ID }),
    );
    expect(facts.filter(({ kind }) => kind === 'collar')).toMatchObject([
      { corner: 'LF', mm: 48 },
      { corner: 'RF', mm: 48 },
    ]);
  });

  test('more preload stands further towards the spring: the collar reads less where it shrinks', () => {
    const end = kit.kit.front;
    if (!end) throw new Error('expected a front');
    expect(startOf(end, plainly)).toBe(48);
    expect(startOf(end, { option: 'winch', moreMm: 0 })).toBe(38);
    expect(startOf(end, { option: 'winch', moreMm: 7 })).toBe(31);
    expect(startOf({ ...end, grows: 'with-seat' }, { option: null, moreMm: 7 })).toBe(55);
    expect(value(taking(plainDocument(), 7, 'winch').changes, 'corners.LF.preloadMm')).toBe(29);
    expect(startOf({ ...end, seatMm: null }, plainly)).toBeNull();
  });

  test('what earlier jobs taught is the next one’s ratio, but never in place of the machine’s own', () => {
    const taught = [
      { axle: 'front' as const, needed: null, lost: null, ratio: { ratio: 0.6, sd: 0.05, count: 4 } },
    ];
    const learntIn = (document: JobRecord['document']) =>
      value(
        takeKit(document, { rounds: [] }, { kit, ends: { front: plainly }, round: 0, taught }).changes,
        'machine.learnt',
      );
    expect(learntIn(plainDocument())).toMatchObject({
      from: 'Reedbed pair',
      others: 4,
      ratios: { LF: { ratio: 0.6, sd: 0.05 } },
    });
    const own = plainDocument((document) => {
      document.machine.learnt = { from: 'before', others: null, ratios: {}, settled: {} };
    });
    expect(learntIn(own)).toBeUndefined();
  });
});

describe('what a job came to', () => {
  const ids = cornersOf('side-by-side');
  const turned = (round: number, mm: number): Entry[] =>
    ids.map((corner) => factEntry({ kind: 'adjustment', round, corner, slot: 'done', mm }));
  const job = (gain: number): JobRecord => {
    const document = blankDocument('side-by-side', 'Curlew');
    document.toleranceMm = 6;
    for (const id of ids) Object.assign(document.corners[id], { targetMm: 372, pitchMm: 2 });
    return add(
      record(document),
      factEntry({
        kind: 'fitted',
        round: 0,
        slot: 'springs-front',
        part: 'springs',
        axle: 'front',
        words: '',
        kit: ID,
      }),
      ...ids
        .filter((id) => axleOf(id) === 'front')
        .map((corner) => factEntry({ kind: 'collar', round: 0, corner, slot: 'now', mm: 48 })),
      settled(0),
      ...at(0, 372 - 20 * gain),
      ...turned(1, 20),
      settled(1),
      ...at(1, 372),
      ...at(1, 372, '2'),
    );
  };
  const at = (round: number, mm: number, slot = '1'): Entry[] =>
    ids.map((corner) => factEntry({ kind: 'height', round, corner, slot, mm }));
  const outcome = (made: JobRecord) => must(kitOutcomes(made, answerFor(made))[0] ?? null);

  test('where its seat began, what it needed from there, and the ratio by its own readings', () => {
    const one = outcome(job(2));
    expect(one).toMatchObject({
      kit: ID,
      axle: 'front',
      startMm: 48,
      neededMm: 20,
      firstMm: 332,
      lost: null,
    });
    // Its own readings say half a mm of damper a mm, whatever such machines mostly have.
    expect(Math.exp(one.logRatio?.value ?? NaN)).toBeCloseTo(0.5, 1);
    expect(one.logRatio?.sd).toBeLessThan(0.12);
  });

  test('a seat that was put further than the sheet has it needed that too', () => {
    const made = job(2);
    const further = {
      ...made,
      entries: made.entries.map((entry) =>
        entry.type === 'fact' && entry.fact.kind === 'fitted'
          ? { ...entry, fact: { ...entry.fact, moreMm: 7 } }
          : entry,
      ),
    };
    expect(outcome(further).neededMm).toBe(27);
  });

  test('nothing is said of a ratio that nothing was turned to learn, nor of a need while it is not in', () => {
    const begun = add(
      record(plainDocument()),
      factEntry({
        kind: 'fitted',
        round: 0,
        slot: 'springs-front',
        part: 'springs',
        axle: 'front',
        words: '',
        kit: ID,
      }),
      settled(0),
      ...heights(0, 340),
    );
    expect(outcome(begun)).toMatchObject({ logRatio: null, neededMm: null, startMm: null });
    expect(kitOutcomes(add(record(plainDocument()), ...heights(0, 365)), null)).toEqual([]);
  });

  const went = (round: number, part: 'tyres' | 'springs', kitId: string | null = null) =>
    factEntry({
      kind: 'fitted', round, slot: `${part}-front`, part, axle: 'front', words: '', kit: kitId, moreMm: null,
    }); // oxfmt-ignore

  test('what goes on later leaves a kit what it needed; other springs end it', () => {
    const shod = add(job(2), went(2, 'tyres'), settled(2), ...at(2, 372), ...at(2, 372, '2'));
    expect(outcome(shod)).toMatchObject({ kit: ID, neededMm: 20, startMm: 48, firstMm: 332 });
    const swapped = add(job(2), went(2, 'springs'), settled(2), ...at(2, 372));
    expect(kitOutcomes(swapped, answerFor(swapped))).toEqual([]);
  });

  test('a job that went out with an end far off says nothing of what that end needed', () => {
    const locked = (mm: number) =>
      add(
        record(job(2).document),
        ...job(2).entries.filter((entry) => entry.type === 'fact' && entry.fact.round === 0),
        ...turned(1, 12),
        settled(1),
        ...at(1, mm),
        factEntry({ kind: 'locked', round: 1 }),
      );
    expect(outcome(locked(356)).neededMm).toBeNull();
    expect(outcome(locked(370)).neededMm).toBe(12);
  });

  test('jobs alike make the next one’s start and ratio, with a spread', () => {
    const outcomes: KitOutcome[] = [1.9, 2, 2.1, 2].map((gain) => outcome(job(gain)));
    const memory = must(kitMemory(outcomes, job(2).document, 'front'));
    expect(memory.needed?.mean).toBeGreaterThan(18);
    expect(memory.needed?.sd).toBeGreaterThan(3 * 0.45);
    expect(memory.ratio?.ratio).toBeCloseTo(0.5, 1);
    expect(memory.ratio?.count).toBe(4);
    expect(kitMemory(outcomes, job(2).document, 'rear')).toBeNull();
  });

  test('a start that was learnt narrows what the first move gives', () => {
    const outcomes = [1.9, 2, 2.1, 2].map((gain) => outcome(job(gain)));
    const document = job(2).document;
    const memory = must(kitMemory(outcomes, document, 'front'));
    const gain = (learnt: JobRecord['document']['machine']['learnt']) => {
      const begun = add(
        record({ ...document, machine: { ...document.machine, learnt } }),
        settled(0),
        ...at(0, 340),
      );
      return must(answerFor(begun)).posterior.gains.LF?.now.sd ?? NaN;
    };
    const ratios = { LF: { ratio: memory.ratio?.ratio ?? NaN, sd: memory.ratio?.sd ?? NaN } };
    const taught = gain({ from: 'kit', others: 4, ratios: { ...ratios, RF: ratios.LF }, settled: {} });
    expect(taught).toBeLessThan(0.6 * gain(null));
    expect(readRounds(job(2)).base).toBe(0);
  });
});
