import { spawn } from 'node:child_process';
import type { Database } from '#db/connect.ts';
import { shopValue } from '#db/shop.ts';
import { readStatus } from './status.ts';

const LOOK_EVERY_MS = 10 * 60_000;
const FIRST_LOOK_MS = 60_000;
const DAY_MS = 86_400_000;
/** What failed is tried again after this long. */
const AGAIN_MS = 3_600_000;

/** Whether a backup is due: a day after the last that went well, an hour after one that failed. Times are ms. */
export function isDue(
  { lastMs, triedMs }: { lastMs: number | null; triedMs: number | null },
  now: number,
): boolean {
  if (triedMs !== null && now - triedMs < AGAIN_MS) return false;
  return lastMs === null || now - lastMs >= DAY_MS;
}

/** Makes a backup every day for as long as the server runs, in a process of its own: no request waits for it. Gives what ends that. */
export function keepBackups(db: Database): () => void {
  const look = async () => {
    if (!(await shopValue(db, 'backup-key'))) return;
    const status = await readStatus(db);
    const ms = (at: string | undefined) => (at === undefined ? null : Date.parse(at));
    if (!isDue({ lastMs: ms(status?.last?.at), triedMs: ms(status?.tried?.at) }, Date.now())) return;
    // How it went is kept by itself, and shown in the settings.
    spawn(process.execPath, ['dist/server/backup.js'], { stdio: ['ignore', 'ignore', 'inherit'] }).on(
      'error',
      () => undefined,
    );
  };
  const safely = () => void look().catch(() => undefined);
  const first = setTimeout(safely, FIRST_LOOK_MS);
  const timer = setInterval(safely, LOOK_EVERY_MS);
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
