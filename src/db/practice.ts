import { and, asc, desc, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import type { Challenge } from '#contract/practice.ts';
import type { Queryable } from './connect.ts';
import { challenges, lessonsDone, practices, practiceTries, type KeptResult } from './practiceTables.ts';
import { jobs } from './tables.ts';

export type KeptPractice = typeof practices.$inferSelect;
export type KeptTry = typeof practiceTries.$inferSelect;
export type KeptChallenge = typeof challenges.$inferSelect;
export type { KeptResult };

/** How many of the newest are listed. */
const MOST = 30;

/** Keeps a drawn machine; false where the id is taken. */
export async function insertPractice(
  db: Queryable,
  practice: typeof practices.$inferInsert,
): Promise<boolean> {
  return (
    (await db.insert(practices).values(practice).onConflictDoNothing().returning({ id: practices.id }))
      .length > 0
  );
}

/** One practice, or null. */
export async function findPractice(db: Queryable, id: string): Promise<KeptPractice | null> {
  return (await db.select().from(practices).where(eq(practices.id, id)))[0] ?? null;
}

/** The newest of somebody, newest first. */
export async function listPractices(db: Queryable, who: string): Promise<KeptPractice[]> {
  return db
    .select()
    .from(practices)
    .where(eq(practices.who, who))
    .orderBy(desc(practices.createdAt), asc(practices.id))
    .limit(MOST);
}

/** Opens a machine's truth. */
export async function openPractice(db: Queryable, id: string): Promise<void> {
  await db.update(practices).set({ opened: true }).where(eq(practices.id, id));
}

/** Takes a job as a try of a practice: from then on it is none of the shop's jobs. */
export async function insertTry(db: Queryable, added: typeof practiceTries.$inferInsert): Promise<void> {
  await db.update(jobs).set({ away: 'practice' }).where(eq(jobs.id, added.jobId));
  await db.insert(practiceTries).values(added).onConflictDoNothing();
}

/** The tries of some practices, the first first. */
export async function triesOf(db: Queryable, practiceIds: readonly string[]): Promise<KeptTry[]> {
  if (practiceIds.length === 0) return [];
  return db
    .select()
    .from(practiceTries)
    .where(inArray(practiceTries.practiceId, [...practiceIds]))
    .orderBy(asc(practiceTries.createdAt), asc(practiceTries.jobId));
}

/** The try that a job is, or null. */
export async function findTry(db: Queryable, jobId: string): Promise<KeptTry | null> {
  return (await db.select().from(practiceTries).where(eq(practiceTries.jobId, jobId)))[0] ?? null;
}

/** Counts a reading; how many there were before it. */
export async function countReading(db: Queryable, jobId: string): Promise<number> {
  const [row] = await db
    .update(practiceTries)
    .set({ readings: sql`${practiceTries.readings} + 1` })
    .where(eq(practiceTries.jobId, jobId))
    .returning({ readings: practiceTries.readings });
  return (row?.readings ?? 1) - 1;
}

/** Ends a try; one that has ended stays as it is. */
export async function endTry(db: Queryable, jobId: string, result: KeptResult): Promise<void> {
  await db
    .update(practiceTries)
    .set({ result })
    .where(and(eq(practiceTries.jobId, jobId), sql`${practiceTries.result} is null`));
}

/** Keeps a challenge; that of a day which has one already stays. */
export async function insertChallenge(
  db: Queryable,
  challenge: typeof challenges.$inferInsert,
): Promise<void> {
  await db.insert(challenges).values(challenge).onConflictDoNothing();
}

/** A challenge by its id or its day, or null. */
export async function findChallenge(
  db: Queryable,
  by: { id: string } | { day: string },
): Promise<KeptChallenge | null> {
  const where = 'id' in by ? eq(challenges.id, by.id) : eq(challenges.day, by.day);
  return (await db.select().from(challenges).where(where))[0] ?? null;
}

/** Everybody's first ended try of a challenge that landed, by rounds, then by minutes. */
export async function challengeTable(db: Queryable, challengeId: string): Promise<Challenge['table']> {
  const rows = await db
    .selectDistinctOn([practices.who, practiceTries.way], {
      who: practices.who,
      way: practiceTries.way,
      result: practiceTries.result,
    })
    .from(practiceTries)
    .innerJoin(practices, eq(practices.id, practiceTries.practiceId))
    .where(and(eq(practices.challengeId, challengeId), isNotNull(practiceTries.result)))
    .orderBy(practices.who, practiceTries.way, asc(practiceTries.createdAt));
  return rows
    .flatMap(({ who, way, result }) =>
      result?.landed.now ? [{ who, way, rounds: result.rounds, minutes: result.minutes }] : [],
    )
    .sort((a, b) => a.rounds - b.rounds || a.minutes - b.minutes);
}

/** Lessons that somebody has done. */
export async function lessonsOf(db: Queryable, who: string): Promise<string[]> {
  const rows = await db
    .select({ lesson: lessonsDone.lesson })
    .from(lessonsDone)
    .where(eq(lessonsDone.who, who));
  return rows.map(({ lesson }) => lesson);
}

/** Counts a lesson as done by somebody. */
export async function addLesson(db: Queryable, who: string, lesson: string): Promise<void> {
  await db.insert(lessonsDone).values({ who, lesson }).onConflictDoNothing();
}
