import type { Kits, PutKit } from '#contract/api.ts';
import { limits } from '#contract/limits.ts';
import type { Kit } from '#core/kits/kit.ts';
import type { Database } from '#db/connect.ts';
import { countKits, listKits, listOutcomes, putKit, readKit } from '#db/kits.ts';
import { ProblemError } from '../http/problem.ts';
import { catchUp } from './lines.ts';

/** Every kit, with what jobs came to with it up to now. */
export async function kitsNow(db: Database): Promise<Kits> {
  await catchUp(db);
  return { kits: await listKits(db), outcomes: await listOutcomes(db) };
}

/**
 * Keeps a kit. Throws `kit-changed`, with the kit as it is, where somebody was faster, `kit-not-found` where it is gone, or
 * `kits-full`.
 */
export async function keepKit(db: Database, kit: PutKit): Promise<Kit> {
  if (kit.version === null && (await countKits(db)) >= limits.kits) throw new ProblemError('kits-full');
  const kept = await putKit(db, kit);
  if (kept) return kept;
  const there = await readKit(db, kit.id);
  throw there ? new ProblemError('kit-changed', { conflict: there }) : new ProblemError('kit-not-found');
}
