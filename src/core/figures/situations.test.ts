import { cornerSpec } from '../estimate/corner.ts';
import { blankDocument } from '../document/create.ts';
import { goodEnough } from '../planning/enough.ts';
import { nextAction } from '../judgement/nextAction.ts';
import type { JobDocument, JobRecord } from '../document/types.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { machineClasses, type MachineClass } from '../kinds/classes/index.ts';
import { marginsFor } from '../margins/margins.ts';
import { answerFor } from '../planning/answer.ts';
import { add, factEntry, record, type SomeFact } from '../../../tests/fixtures/records.ts';
import { everySum, wrongWith } from '../../../tests/fixtures/everySum.ts';
import type { JobMisfit } from '../estimate/estimate.ts';
import { cornerHeight } from './cornerHeight.ts';

/** Jobs as they come, and of each the kind of every figure and what is suspected. */
interface Situation {
  title: string;
  job: JobRecord;
  /** Kinds that a corner shows: measured, predicted, estimated where it differs. */
  shows: string[];
  suspects: string | null;
  finish: boolean;
}

const TARGET = 400;

function described(machineClass: MachineClass, edit: (document: JobDocument) => void): JobDocument {
  const document = blankDocument(machineClass, 'x');
  document.toleranceMm = 6;
  for (const id of cornersIn(document)) {
    Object.assign(document.corners[id], { targetMm: TARGET, pitchMm: 2 });
    document.corners[id].reference.kind = 'ground-chassis';
  }
  edit(document);
  return document;
}

/** A round: what was turned at every corner, and what every corner then reads, each as often as listed. */
interface Told {
  turned?: Partial<Record<CornerId, number>> | number;
  reads?: readonly (number | Partial<Record<CornerId, number>>)[];
  settled?: boolean;
}

function told(document: JobDocument, rounds: readonly Told[]): JobRecord {
  const ids = cornersIn(document);
  const facts = rounds.flatMap(({ turned, reads = [], settled = true }, round): SomeFact[] => [
    ...(turned === undefined
      ? []
      : ids.flatMap((corner) => {
          const mm = typeof turned === 'number' ? turned : (turned[corner] ?? 0);
          return [{ kind: 'adjustment' as const, round, corner, slot: 'done', mm, askedMm: mm }];
        })),
    ...(settled && reads.length > 0 ? [{ kind: 'settled' as const, round, slot: 'how', how: 'rolled' }] : []),
    ...reads.flatMap((row, k) =>
      ids.flatMap((corner) => {
        const mm = typeof row === 'number' ? row : row[corner];
        return mm === undefined ? [] : [{ kind: 'height' as const, round, corner, slot: String(k + 1), mm }];
      }),
    ),
  ]); // oxfmt-ignore
  return add(record(document), ...facts.map((fact) => factEntry(fact)));
}

/** Seat moves that raise every corner by so much, by the ratio that is taken for it. */
function asExpected(document: JobDocument, riseMm: number): Partial<Record<CornerId, number>> {
  return Object.fromEntries(
    cornersIn(document).map((id) => [id, riseMm * cornerSpec(document, id).ratio.value]),
  );
}

const ways: { title: string; edit: (document: JobDocument) => void }[] = [
  { title: 'tape only', edit: () => undefined },
  { title: 'ratio as said', edit: (document) => cornersIn(document).forEach((id) => (document.corners[id].ratio = 0.6)) },
]; // oxfmt-ignore

const perClass = machineClasses.flatMap((machineClass) =>
  ways.flatMap(({ title, edit }): Situation[] => {
    const document = described(machineClass, edit);
    const on = `${machineClass}, ${title}: `;
    return [
      { title: `${on}read once`, job: told(document, [{ reads: [415] }]), shows: ['measured'], suspects: null, finish: false },
      { title: `${on}read twice, all as wanted`, job: told(document, [{ reads: [400, 401, 400] }]), shows: ['measured'], suspects: null, finish: true },
      { title: `${on}turned and not measured`, job: told(document, [{ reads: [415, 415] }, { turned: -8 }]), shows: ['predicted'], suspects: null, finish: false },
      { title: `${on}turned onto the target and not measured`, job: told(document, [{ reads: [403, 403] }, { turned: -2 }]), shows: ['predicted'], suspects: null, finish: false },
      { title: `${on}measured where it was predicted`, job: told(document, [{ reads: [412, 412] }, { turned: asExpected(document, -12), reads: [400, 400, 401] }]), shows: ['measured'], suspects: null, finish: true },
    ];
  }),
); // oxfmt-ignore

const car = (edit: (document: JobDocument) => void = () => undefined) => described('car', edit);
const known = car((document) => cornersIn(document).forEach((id) => (document.corners[id].ratio = 0.5)));
const four = (LF: number, RF: number, LR: number, RR: number) => ({ LF, RF, LR, RR });

const troubled: Situation[] = [
  {
    title: 'one collar turned the other way',
    job: told(known, [{ reads: [420, 420] }, { turned: -10, reads: [four(430, 410, 410, 390), four(430, 410, 410, 390)] }]),
    shows: ['measured', 'estimated'], suspects: 'turned-other-way LF', finish: false,
  },
  {
    title: 'one corner read 20 mm high',
    job: told(known, [{ reads: [420, 420] }, { turned: -10, reads: [four(420, 400, 400, 400)] }]),
    shows: ['measured', 'estimated'], suspects: 'odd-reading LF', finish: false,
  },
  {
    title: 'the ratio given is wrong, and every reading says so',
    job: told(known, [{ reads: [420, 420, 420] }, { turned: four(-10, -10, 0, 0), reads: [four(410, 410, 420, 420), four(410, 410, 420, 420), four(410, 410, 420, 420)] }]),
    shows: ['measured'], suspects: 'ratio front', finish: false,
  },
  {
    title: 'only one corner of four is off, read twice',
    job: told(known, [{ reads: [four(400, 401, 400, 386), four(400, 401, 400, 386)] }]),
    shows: ['measured'], suspects: 'one-corner RR', finish: false,
  },
  {
    title: 'the other three are off with it: that is a plan, and no question',
    job: told(known, [{ reads: [four(414, 415, 414, 386), four(414, 415, 414, 386)] }]),
    shows: ['measured'], suspects: null, finish: false,
  },
]; // oxfmt-ignore

const all = [...perClass, ...troubled];

function whereOf(misfit: JobMisfit): string {
  if ('corners' in misfit) return misfit.corners.join(' ');
  if ('corner' in misfit) return misfit.corner;
  return 'axle' in misfit ? misfit.axle : '';
}

test('there are at least sixty of them', () => expect(all.length).toBeGreaterThanOrEqual(60));

describe.each(all)('$title', ({ job, shows, suspects, finish }) => {
  const answer = answerFor(job);
  if (!answer) throw new Error('expected an answer');
  const [first = 'LF'] = cornersIn(job.document);
  const height = cornerHeight(answer, first);

  test('shows what was measured as measured, and what was not as predicted', () => {
    expect(height.measured !== null).toBe(shows.includes('measured'));
    if (height.measured === null) expect(height.predicted !== null).toBe(shows.includes('predicted'));
    expect(height.estimated === null).toBe(height.measured === null);
    expect(height.target).toEqual({ kind: 'entered', value: TARGET });
    if (height.measured) {
      const read = answer.state.rounds.at(-1)?.heights[first] ?? [];
      expect(height.measured.value).toBeCloseTo(read.reduce((sum, mm) => sum + mm, 0) / read.length, 9);
    }
  });

  test('says what does not agree, and nothing where all agrees', () => {
    const [suspicion] = answer.doubt.suspicions;
    const { misfit } = suspicion ?? {};
    const where = misfit && whereOf(misfit);
    expect(misfit ? `${misfit.code} ${where}` : null).toBe(suspects);
  });

  test('is finished only by readings', () => {
    expect(goodEnough(answer)).toBe(finish);
    expect(nextAction(job, answer).stage === 'close-out').toBe(finish);
  });

  test('margins that rest on a guess say so', () => {
    for (const margin of marginsFor(answer))
      if (['droop', 'bump-stop', 'bump-metal'].includes(margin.kind)) expect(margin.assumed).toBe(true);
  });
});

test('a reading that is likeliest wrong is taken again before anything is turned; read twice alike, it is turned on', () => {
  const once = [{ reads: [420, 420] }, { turned: -10, reads: [four(420, 400, 400, 400)] }];
  const odd = told(known, once);
  expect(nextAction(odd, answerFor(odd))).toEqual({ stage: 'measure', code: 'check-reading', corner: 'LF' });
  const twice = told(known, [
    { reads: [420, 420] },
    { turned: -10, reads: [four(420, 400, 400, 400), { LF: 420 }] },
  ]);
  expect(nextAction(twice, answerFor(twice)).code).not.toBe('check-reading');
});

// Every sum of every demo job, stage and kind is checked beside the sums; here those of every twelfth situation.
test.each(all.filter((_, k) => k % 12 === 0))(
  '$title: every calculation that can be opened adds up',
  ({ job }) => {
    expect(everySum(job).flatMap(wrongWith)).toEqual([]);
  },
);
