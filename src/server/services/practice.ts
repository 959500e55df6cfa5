import { randomInt, randomUUID } from 'node:crypto';
import type { JobRecord } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type {
  Challenge,
  NewPractice,
  NewTry,
  Practice,
  PracticePicture,
  PracticePictureAsked,
  PracticeReading,
  PracticeShown,
  PracticeTry,
} from '#contract/practice.ts';
import type { PracticeLevel } from '#core/practiceKinds.ts';
import type { Database } from '#db/connect.ts';
import { findJob } from '#db/jobs.ts';
import {
  challengeTable,
  countReading,
  endTry,
  findChallenge,
  findPractice,
  findTry,
  insertChallenge,
  insertPractice,
  insertTry,
  listPractices,
  openPractice,
  triesOf,
  type KeptChallenge,
  type KeptPractice,
  type KeptTry,
} from '#db/practice.ts';
import { drawPractice, type Drawn } from '#practice/draw.ts';
import { landedOf } from '#practice/landed.ts';
import { missedIn, openedRounds, openedTruth } from '#practice/opened.ts';
import { ownMachine } from '#practice/ownMachine.ts';
import { isPictured, pictureOf } from '#practice/pictureOf.ts';
import { readInstrument } from '#practice/readInstrument.ts';
import { conditionNow, scoreOf } from '#practice/score.ts';
import { TRUTH_VERSION, type PracticeTruth } from '#practice/truth.ts';
import { ProblemError } from '../http/problem.ts';
import { drawing } from './drawnAs.ts';
import { createJob } from './jobs.ts';
import { asJpeg, unhurried } from './takenAs.ts';
import { readRecord } from './records.ts';

const newSeed = () => randomInt(1, 2 ** 31 - 1);

/** Draws a machine and keeps it. Sent again, it gives the same. Throws `challenge-not-found`, `not-for-practice`. */
export async function beginPractice(db: Database, sent: NewPractice, who: string): Promise<Practice> {
  const known = await findPractice(db, sent.id);
  if (!known) await keepDrawn(db, sent, who);
  return practiceOf(db, sent.id);
}

async function keepDrawn(db: Database, sent: NewPractice, who: string): Promise<void> {
  const { id } = sent;
  if ('jobId' in sent) {
    const drawn = ownMachine(await readRecord(db, sent.jobId));
    if (!drawn) throw new ProblemError('not-for-practice');
    await insertPractice(db, { id, seed: newSeed(), level: 'on-your-own', who, ...kept(drawn) });
    return;
  }
  const challenge = 'challengeId' in sent ? await findChallenge(db, { id: sent.challengeId }) : null;
  if ('challengeId' in sent && !challenge) throw new ProblemError('challenge-not-found');
  const { seed, level, machineClass } = challenge ?? {
    seed: newSeed(),
    ...(sent as Extract<NewPractice, { level: PracticeLevel }>),
  };
  const drawn = drawPractice(seed, level, machineClass);
  await insertPractice(db, { id, challengeId: challenge?.id ?? null, seed, level, who, ...kept(drawn) });
}

const kept = ({ document, truth }: Drawn) => ({ document, truth, machineClass: document.machine.class });

/** One that an older program kept otherwise cannot be gone on with. */
const isCurrent = ({ truth }: KeptPractice) => (truth as PracticeTruth).version === TRUTH_VERSION;

async function keptPractice(db: Database, id: string): Promise<KeptPractice> {
  const practice = await findPractice(db, id);
  if (!practice || !isCurrent(practice)) throw new ProblemError('practice-not-found');
  return practice;
}

/** A practice as its page may know it. Throws `practice-not-found`. */
export async function practiceOf(db: Database, id: string): Promise<Practice> {
  const practice = await keptPractice(db, id);
  return asTold(db, practice, await triesOf(db, [id]));
}

/** The practice that a job is a try of. Throws `practice-not-found`. */
export async function practiceOfJob(db: Database, jobId: string): Promise<Practice> {
  return practiceOf(db, (await keptTry(db, jobId)).practiceId);
}

/** Somebody's newest. */
export async function practicesOf(db: Database, who: string): Promise<Practice[]> {
  const found = (await listPractices(db, who)).filter(isCurrent);
  const tries = await triesOf(
    db,
    found.map(({ id }) => id),
  );
  return Promise.all(
    found.map((practice) =>
      asTold(
        db,
        practice,
        tries.filter(({ practiceId }) => practiceId === practice.id),
        false,
      ),
    ),
  );
}

/** What of a practice may leave the server: its truth only once it is opened, round by round where it is asked for `whole`. */
async function asTold(
  db: Database,
  practice: KeptPractice,
  tries: readonly KeptTry[],
  whole = true,
): Promise<Practice> {
  const { id, challengeId, level, machineClass, document, createdAt, opened } = practice;
  const truth = practice.truth as PracticeTruth;
  return {
    id,
    challengeId,
    level,
    machineClass,
    copyOf: document.name === '' ? null : document.name,
    startedAt: createdAt.toISOString(),
    targets: Object.fromEntries(
      truth.corners.flatMap((corner) => {
        const mm = document.corners[corner].targetMm;
        return mm === null ? [] : [[corner, mm]];
      }),
    ),
    toleranceMm: document.toleranceMm ?? 0,
    marks: Object.fromEntries(
      truth.corners.flatMap((corner, i) => (truth.markMm[i] ? [[corner, truth.markMm[i]]] : [])),
    ),
    tries: await Promise.all(tries.map((one) => tryTold(db, practice, one, whole))),
    truth: opened ? openedTruth(truth) : null,
  };
}

/** A try as it may be told. Its record is read only where something has to be worked out of it. */
async function tryTold(
  db: Database,
  practice: KeptPractice,
  one: KeptTry,
  whole: boolean,
): Promise<PracticeTry> {
  const { jobId, way, readings, result } = one;
  const { seed } = practice;
  const truth = practice.truth as PracticeTruth;
  const opened = whole && practice.opened;
  const record = result && !opened ? null : await tryRecord(db, jobId);
  const { rounds, minutes } = result ?? scoreOf(truth, seed, record ?? { entries: [] }, readings);
  return {
    jobId,
    way,
    rounds,
    minutes,
    readings,
    ended: result !== null,
    landed: result?.landed ?? null,
    opened: opened && record ? openedRounds(truth, seed, record) : null,
    missed: opened && record ? missedIn(truth, seed, record) : null,
  };
}

async function tryRecord(db: Database, jobId: string): Promise<JobRecord> {
  const job = await findJob(db, jobId);
  if (!job) throw new ProblemError('job-not-found');
  return job.record;
}

async function keptTry(db: Database, jobId: string): Promise<KeptTry> {
  const found = await findTry(db, jobId);
  if (!found) throw new ProblemError('practice-not-found');
  return found;
}

/** Sets the machine up as it came in, once more. Throws `practice-not-found`, `practice-opened`. */
export async function beginTry(db: Database, id: string, { jobId, way, name }: NewTry): Promise<Practice> {
  const practice = await keptPractice(db, id);
  if (practice.opened) throw new ProblemError('practice-opened');
  await db.transaction(async (tx) => {
    // As part of this transaction, so that no practice ever shows among the jobs.
    await createJob(inside(tx), { id: jobId, document: { ...practice.document, name }, entries: [] });
    await insertTry(tx, { jobId, practiceId: id, way });
  });
  return practiceOf(db, id);
}

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** What begins a transaction of its own, within one that has begun. */
const inside = (tx: Transaction): Pick<Database, 'transaction'> => ({
  transaction: (work) => work(tx),
});

/** Holds an instrument to the machine as it stands by its record. Throws `practice-not-found`, `practice-ended`. */
export async function readPractice(
  db: Database,
  jobId: string,
  reading: PracticeReading,
): Promise<PracticeShown> {
  const found = await keptTry(db, jobId);
  if (found.result) throw new ProblemError('practice-ended');
  const practice = await keptPractice(db, found.practiceId);
  const truth = practice.truth as PracticeTruth;
  if (!truth.corners.includes(reading.corner)) throw new ProblemError('invalid', wrongCorner(truth));
  const record = await tryRecord(db, jobId);
  const count = await countReading(db, jobId);
  return {
    value: readInstrument(truth, practice.seed, record, reading, count),
    minutes: scoreOf(truth, practice.seed, record, count + 1).minutes,
  };
}

/**
 * Takes a picture of a corner's wheel as the machine stands by its record; it counts as a reading. Throws `practice-not-found`,
 * `practice-ended`, and `invalid` where no picture shows that height.
 */
export async function picturePractice(
  db: Database,
  jobId: string,
  { corner }: PracticePictureAsked,
): Promise<PracticePicture> {
  const found = await keptTry(db, jobId);
  if (found.result) throw new ProblemError('practice-ended');
  const { truth: kept, seed } = await keptPractice(db, found.practiceId);
  const truth = kept as PracticeTruth;
  const record = await tryRecord(db, jobId);
  const pictured = truth.corners.filter((id) => isPictured(record.document, id));
  if (!pictured.includes(corner)) throw new ProblemError('invalid', wrongPicture(pictured));
  return drawing(async () => {
    const count = await countReading(db, jobId);
    const { steps, rimMm, level, focalPx } = pictureOf(truth, seed, record, corner, count);
    const jpeg = await asJpeg(await unhurried(steps), focalPx);
    return {
      jpeg: jpeg.toString('base64'),
      level,
      rimMm,
      minutes: scoreOf(truth, seed, record, count + 1).minutes,
    };
  });
}

const wrongPicture = (pictured: readonly CornerId[]) => ({
  errors: [
    {
      pointer: '/corner',
      detail: `must be one whose height is read from hub to arch: ${pictured.join(', ') || 'this machine has none'}`,
    },
  ],
});

const wrongCorner = ({ corners }: PracticeTruth) => ({
  errors: [{ pointer: '/corner', detail: `must be one of ${corners.join(', ')}` }],
});

/** Ends a try: how it ended is kept, whatever the job says afterwards. Throws `practice-not-found`. */
export async function endPractice(db: Database, jobId: string): Promise<Practice> {
  const found = await keptTry(db, jobId);
  await settle(db, await keptPractice(db, found.practiceId), found);
  return practiceOf(db, found.practiceId);
}

async function settle(
  db: Database,
  practice: KeptPractice,
  { jobId, readings, result }: KeptTry,
): Promise<void> {
  if (result) return;
  const truth = practice.truth as PracticeTruth;
  const record = await tryRecord(db, jobId);
  const { seatsBy, km } = conditionNow(truth, practice.seed, record);
  await endTry(db, jobId, {
    ...scoreOf(truth, practice.seed, record, readings),
    landed: landedOf(truth, practice.document, seatsBy, km),
  });
}

/** Opens the truth; tries that still go on end there. Throws `practice-not-found`. */
export async function openTruth(db: Database, id: string): Promise<Practice> {
  const practice = await keptPractice(db, id);
  for (const one of await triesOf(db, [id])) await settle(db, practice, one);
  await openPractice(db, id);
  return practiceOf(db, id);
}

const asChallenge = async (db: Database, challenge: KeptChallenge): Promise<Challenge> => ({
  id: challenge.id,
  day: challenge.day,
  level: challenge.level,
  machineClass: challenge.machineClass,
  table: await challengeTable(db, challenge.id),
});

/** A challenge by its id. Throws `challenge-not-found`. */
export async function challengeOf(db: Database, id: string): Promise<Challenge> {
  const found = await findChallenge(db, { id });
  if (!found) throw new ProblemError('challenge-not-found');
  return asChallenge(db, found);
}

/** The challenge of a day, drawn when it is first asked for: harder as the week goes on. `day` is an ISO day. */
export async function challengeOfDay(db: Database, day: string): Promise<Challenge> {
  const seed = newSeed();
  const level = levelOf(day);
  const { document } = drawPractice(seed, level, null);
  if (!(await findChallenge(db, { day })))
    await insertChallenge(db, { id: randomUUID(), day, seed, level, machineClass: document.machine.class });
  const found = await findChallenge(db, { day });
  if (!found) throw new ProblemError('challenge-not-found');
  return asChallenge(db, found);
}

const week: readonly PracticeLevel[] = [
  'second-week', 'first-day', 'second-week', 'second-week', 'on-your-own', 'hard', 'nasty',
]; // oxfmt-ignore

const levelOf = (day: string): PracticeLevel =>
  week[new Date(`${day}T12:00:00Z`).getUTCDay()] ?? 'second-week';

/** Gives a practice on: a challenge of its own with the same machine. Throws `practice-not-found`, `not-to-give-on`. */
export async function giveOn(db: Database, id: string): Promise<Challenge> {
  const { challengeId, seed, level, machineClass, document } = await keptPractice(db, id);
  // Only what was drawn can be drawn again.
  if (document.name !== '') throw new ProblemError('not-to-give-on');
  if (challengeId) return challengeOf(db, challengeId);
  const challenge = { id: randomUUID(), day: null, seed, level, machineClass };
  await insertChallenge(db, challenge);
  return challengeOf(db, challenge.id);
}
