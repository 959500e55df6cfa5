import { Router } from 'express';
import type { Backups } from '#contract/backup.ts';
import { shopValue } from '#db/shop.ts';
import { readStatus } from '../backup/status.ts';
import type { Deps } from '../deps.ts';
import { only } from '../http/methods.ts';

/** /api/backup: how it stands with backups. They are made and restored at the computer itself, never from here. */
export function backupRoutes({ db, sessions }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      const ready = (await shopValue(db, 'backup-key')) !== null;
      response.json({ ready, scheduled: sessions !== null, status: await readStatus(db) } satisfies Backups);
    })
    .all(only('GET'));
  return router;
}
