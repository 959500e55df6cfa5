import { ApiProblem } from './client.ts';

/** What a call that failed is told as. */
export function faultOf(error: unknown): string {
  return error instanceof ApiProblem
    ? error.problem.title
    : 'The server is not reached. Is this device on the shop’s network?';
}
