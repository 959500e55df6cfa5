import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { logged } from './logged.ts';
import { problemOf, type Problem, type ProblemCode } from '#contract/problems.ts';

/** An expected failure of a request: thrown by services and routes, answered as problem details. */
export class ProblemError extends Error {
  readonly problem: Problem;
  /** s. When to try again; null where that does not help, or nobody knows. */
  readonly retryAfterS: number | null;

  constructor(
    code: ProblemCode,
    { retryAfterS, ...more }: Pick<Problem, 'errors' | 'conflict'> & { retryAfterS?: number } = {},
  ) {
    super(code);
    this.problem = problemOf(code, more);
    this.retryAfterS = retryAfterS ?? null;
  }
}

/** s. A database that went away is mostly back by then. */
const RETRY_S = 2;

/** Writes a problem (RFC 9457), with when to try again where that helps. */
export function sendProblem(response: Response, problem: Problem, retryAfterS: number | null = null): void {
  const wait = retryAfterS ?? (problem.status === 503 ? RETRY_S : null);
  if (wait !== null) response.setHeader('Retry-After', wait);
  // A device that was removed forgets all it kept, and that at its first contact, whatever its page does.
  if (problem.code === 'device-removed')
    response.setHeader('Clear-Site-Data', '"cache", "cookies", "storage"');
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

/** The one place where errors become answers. Nothing of the request or of the stack leaves the server. */
export function errorFunnel(log: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = asProblem(error);
    if (problem.status >= 500) log.error({ err: logged(error) }, problem.code);
    sendProblem(response, problem, error instanceof ProblemError ? error.retryAfterS : null);
  };
}

const bodyParserCodes: Record<string, ProblemCode> = {
  'entity.parse.failed': 'bad-json',
  'entity.too.large': 'too-large',
  'encoding.unsupported': 'not-json',
  'charset.unsupported': 'not-json',
};

function asProblem(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  const { type, status, code } = (error ?? {}) as { type?: string; status?: number; code?: string };
  const known = type === undefined ? undefined : bodyParserCodes[type];
  if (known) return problemOf(known);
  if (status !== undefined && status >= 400 && status < 500) return problemOf('bad-request');
  return problemOf(isConnectionFailure(error, code) ? 'unavailable' : 'internal');
}

/**
 * PostgreSQL gone or shutting down, out of connections or disk (class 53), waited for in vain (55P03) or taking too long
 * (57014); Drizzle wraps the driver's error as a cause.
 */
function isConnectionFailure(error: unknown, code: string | undefined): boolean {
  const cause =
    error instanceof Error ? (error.cause as { code?: string; message?: string } | undefined) : undefined;
  const told = code ?? cause?.code ?? '';
  const said = `${error instanceof Error ? error.message : ''} ${cause?.message ?? ''}`;
  return (
    /^(ECONN|EPIPE|ENOENT|57P|57014|55P03|53|08|25P03)/.test(told) ||
    /terminated|timeout|not queryable/i.test(said)
  );
}
