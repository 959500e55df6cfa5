import { Writable } from 'node:stream';
import { Router } from 'express';
import { logged } from '../http/logged.ts';
import { only } from '../http/methods.ts';
import { exportJobs } from '../services/export.ts';
import type { Deps } from '../deps.ts';

/** /api/export: every job as a file, in one zip. */
export function exportRoutes({ db, log }: Deps): Router {
  const router = Router();
  router
    .route('/')
    .get(async (_request, response) => {
      response.type('application/zip');
      response.setHeader('Cache-Control', 'no-store');
      response.setHeader(
        'Content-Disposition',
        `attachment; filename="margin-jobs-${new Date().toISOString().slice(0, 10)}.zip"`,
      );
      try {
        await exportJobs(db, Writable.toWeb(response) as WritableStream<Uint8Array>);
      } catch (error) {
        if (!response.headersSent && !response.destroyed) throw error;
        // Whoever asked may have gone; otherwise half a zip must not look like a whole one.
        if (!response.destroyed) log.error({ err: logged(error) }, 'the jobs could not all be written out');
        response.destroy();
      }
    })
    .all(only('GET'));
  return router;
}
