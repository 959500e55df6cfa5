import type { ImportRack, PutSpring } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import type { Database } from '#db/connect.ts';
import { countSprings, importSprings, listSprings, putSpring, readSpring } from '#db/rack.ts';
import { ProblemError } from '../http/problem.ts';

/**
 * Keeps a spring. Throws `spring-changed`, with the spring as it is, where somebody was faster, `spring-not-found` where
 * it is gone, or `rack-full`.
 */
export async function keepSpring(db: Database, spring: PutSpring): Promise<RackSpring> {
  if (spring.version === null && (await countSprings(db)) >= limits.rackSprings)
    throw new ProblemError('rack-full');
  const kept = await putSpring(db, spring);
  if (kept) return kept;
  const there = await readSpring(db, spring.id);
  throw there
    ? new ProblemError('spring-changed', { conflict: there })
    : new ProblemError('spring-not-found');
}

/** Takes springs in, all or none, and gives the whole rack. Throws `rack-full`. */
export async function takeIn(db: Database, springs: ImportRack['springs']): Promise<RackSpring[]> {
  return db.transaction(async (within) => {
    await importSprings(within, springs);
    if ((await countSprings(within)) > limits.rackSprings) throw new ProblemError('rack-full');
    return listSprings(within);
  });
}
