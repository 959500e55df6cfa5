import type { RequestHandler } from 'express';
import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { VERSION_HEADER } from '#contract/version.ts';
import { ProblemError } from './problem.ts';

/**
 * Says which version of the job document this server speaks, and refuses to write what a newer page sends: it would lose what it does not
 * know. What an older page sends is brought up to date.
 */
export const sameVersion: RequestHandler = (request, response, next) => {
  response.setHeader(VERSION_HEADER, String(DOCUMENT_VERSION));
  const theirs = Number(request.get(VERSION_HEADER) ?? DOCUMENT_VERSION);
  if (request.method !== 'GET' && theirs > DOCUMENT_VERSION) throw new ProblemError('page-newer');
  next();
};
