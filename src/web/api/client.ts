import type { Problem } from '#contract/problems.ts';

/** The server answered, and said no. */
export class ApiProblem extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.title);
    this.problem = problem;
  }
}

/** Calls the server with JSON. Throws ApiProblem for its refusals; anything else thrown means it was not reached. */
export async function callApi<T>(path: string, body?: unknown): Promise<T> {
  const response = await fetch(`/api${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    ...(body === undefined
      ? {}
      : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
  });
  if (response.ok) return (await response.json()) as T;
  if (response.headers.get('Content-Type')?.startsWith('application/problem+json')) {
    throw new ApiProblem((await response.json()) as Problem);
  }
  throw new Error(`expected an answer from the server, got ${response.status}`);
}
