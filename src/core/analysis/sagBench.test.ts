import { analyse } from './analyse.ts';
import { nextWords } from '#words/nextAction.ts';
import { stagesOf } from '../judgement/stages.ts';
import { add, adjustment, factEntry, must, record } from '../../../tests/fixtures/records.ts';
import { readSagTape, sagRig, type SagRig } from '../../../tests/fixtures/sagRig.ts';
import { blankDocument } from '../document/create.ts';
import { unreadOf } from '../planning/enough.ts';
import { nextAction } from '../judgement/nextAction.ts';
import { risenSince } from '../stance/risen.ts';
import { readRounds } from '../estimate/rounds.ts';
import { answerFor } from '../planning/answer.ts';
import { planFact } from '../planning/tell.ts';
import type { JobRecord } from '../document/types.ts';

function read(job: JobRecord, rig: SagRig, round: number, who: 'alone' | 'r1'): JobRecord {
  const facts = (['press', 'lift'] as const).flatMap((how) =>
    readSagTape(rig, who === 'r1', how).map((mm, i) =>
      factEntry({ kind: 'sag', round, corner: rig.ids[i] ?? null, slot: `${who}-${how}-1`, mm }),
    ),
  );
  return add(job, ...facts);
}

const extended = (job: JobRecord, rig: SagRig) =>
  add(
    job,
    ...rig.ids.map((corner, i) =>
      factEntry({ kind: 'sag', round: 0, corner, slot: 'extended-1', mm: rig.extended[i] ?? 0 }),
    ),
  );

describe('a job that is worked by sag', () => {
  const rig = sagRig('road', 3);
  const begun = extended(record(rig.document), rig);

  test('the bench is a stage of machines that are ridden, and of no other', () => {
    expect(stagesOf(blankDocument('scooter', 'x'))).toContain('sag');
    expect(stagesOf(blankDocument('truck', 'x'))).not.toContain('sag');
  });

  test('it asks for the rider’s sag, then has a plan, then asks again once that is turned', () => {
    expect(analyse(begun).next).toEqual({
      stage: 'sag',
      code: 'read-sag',
      corners: ['FW', 'RW'],
      of: 2,
      alone: false,
    });
    const half = add(begun, factEntry({ kind: 'sag', corner: 'RW', slot: 'r1-press-1', mm: 400 }));
    expect(nextWords(analyse(half).next)).toBe('read the sag, rider on, front wheel');
    const whole = read(read(begun, rig, 0, 'alone'), rig, 0, 'r1');
    const answer = must(answerFor(whole));
    expect(analyse(whole).next).toMatchObject({ stage: 'sag', code: 'turn' });
    const told = add(whole, factEntry(planFact(answer)));
    expect(analyse(told).next.stage).toBe('turn');
    const turned = add(told, ...answer.corners.map(({ id, seatBy }) => adjustment(1, id, seatBy)));
    expect(analyse(turned).next).toEqual({
      stage: 'sag',
      code: 'read-sag',
      corners: ['FW', 'RW'],
      of: 2,
      alone: false,
    });
  });

  test('one end alone is a whole job: the other is asked for nowhere, and does not lower the chance', () => {
    const front = (one: JobRecord): JobRecord => ({
      ...one,
      entries: one.entries.filter((entry) => entry.type !== 'fact' || entry.fact.corner !== 'RW'),
    });
    const half = front(read(begun, rig, 0, 'r1'));
    const answer = must(answerFor(half));
    expect(answer.corners.map(({ id }) => id)).toEqual(['FW']);
    expect(nextAction(half, answer).code).not.toBe('read-sag');
    expect(unreadOf(answer)).toEqual([]);
    expect(must(answer.chanceAfter)).toBeGreaterThan(0.6);
    // Read once, it belongs to the job from then on.
    const both = must(answerFor(read(begun, rig, 0, 'r1')));
    expect(both.corners.map(({ id }) => id)).toEqual(['FW', 'RW']);
  });

  test('reading the bench says that turning is over: what was not turned is left alone', () => {
    const whole = read(begun, rig, 0, 'r1');
    const answer = must(answerFor(whole));
    const moving = answer.corners.filter(({ seatBy }) => seatBy !== 0);
    const [first] = moving;
    const partly = add(whole, factEntry(planFact(answer)), adjustment(1, must(first ?? null).id, 1));
    if (moving.length > 1) expect(readRounds(partly).turning).not.toBeNull();
    const again = add(
      partly,
      factEntry({ kind: 'sag', round: 1, corner: 'RW', slot: 'r1-press-1', mm: 400 }),
    );
    expect(readRounds(again).turning).toBeNull();
    expect(readRounds(again).current).toBe(1);
  });

  test('what a machine has risen since the baseline is that of its rounds, whoever sat on it when it was last read', () => {
    const whole = read(read(begun, rig, 0, 'alone'), rig, 0, 'r1');
    expect(risenSince(must(answerFor(whole)), 'RW')).toBe(0);
    const up = add(
      whole,
      adjustment(1, 'RW', 3),
      factEntry({ kind: 'settled', round: 1, slot: 'how', how: 'bounced' }),
    );
    const risen = risenSince(must(answerFor(read(up, rig, 1, 'alone'))), 'RW');
    expect(risen).toBeGreaterThan(1);
    expect(risen).toBeLessThan(8);
  });

  test('a height read at the baseline makes it a job by heights again', () => {
    const tall = add(begun, factEntry({ kind: 'height', corner: 'FW', slot: '1', mm: 250 }));
    expect(analyse(tall).next.stage).toBe('baseline');
  });
});
