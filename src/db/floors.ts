import { sql } from 'drizzle-orm';
import type { FloorPlace } from '#contract/api.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import type { Queryable } from './connect.ts';
import { isKept } from './jobs.ts';
import { jobs } from './tables.ts';

const name = sql<string>`${jobs.document}->>'floorPlace'`;
const corners = sql<Partial<Record<CornerId, { floorMm: number | null }>>>`${jobs.document}->'corners'`;

/** Places on the floor that jobs stood on, by name; each as the newest job there has it, deleted ones left out. */
export async function listFloors(db: Queryable): Promise<FloorPlace[]> {
  const rows = await db
    .selectDistinctOn([name], { name, corners })
    .from(jobs)
    .where(sql`coalesce(${name}, '') <> '' and ${isKept}`)
    .orderBy(name, sql`${jobs.updatedAt} desc`);
  return rows.map((row) => ({
    name: row.name,
    floorMm: Object.fromEntries(
      Object.entries(row.corners).flatMap(([id, { floorMm }]) =>
        typeof floorMm === 'number' ? [[id, floorMm]] : [],
      ),
    ),
  }));
}
