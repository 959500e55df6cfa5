import type { Problem } from '#contract/problems.ts';
import { forgetShop, shutOut } from './door.ts';
import { heedVersion, versionHeader } from './reach.ts';

/** The server answered, and said no. */
export class ApiProblem extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.title);
    this.problem = problem;
  }
}

/** Whether everything waits, rather than this one thing being refused. */
export const holdsAll = ({ status, code }: Problem): boolean =>
  status >= 500 || status === 401 || code === 'too-many' || code === 'page-newer';

/** A server that has not answered by then counts as not reached, ms: what waits behind a call must not wait for ever. */
const ANSWER_MS = 15_000;
const MUCH_MS = 60_000;

/** Calls the server with JSON. Throws ApiProblem for its refusals; anything else thrown means it was not reached. */
export async function callApi<T>(path: string, body?: unknown): Promise<T> {
  return (await sent(path, body)).json() as Promise<T>;
}

/** The same with much to send, which may take a while to arrive and to be looked through. */
export async function sendMuch<T>(path: string, body: unknown): Promise<T> {
  return (await sent(path, body, MUCH_MS)).json() as Promise<T>;
}

/** Tells the server something that it has nothing to answer to. Throws as `callApi` does. */
export async function tellApi(path: string, body: unknown): Promise<void> {
  await sent(path, body);
}

/** Characters. Browsers see to the end of what is small though its page is left; all of it together has a limit. */
const SMALL = 4_000;

async function sent(path: string, body: unknown, patienceMs = ANSWER_MS): Promise<Response> {
  const text = JSON.stringify(body);
  const what =
    body === undefined
      ? {}
      : {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', ...versionHeader },
          body: text,
          keepalive: text.length < SMALL,
        };
  return answered(await fetch(`/api${path}`, { ...what, signal: AbortSignal.timeout(patienceMs) }));
}

/** Sends a picture as it is. Throws as `callApi` does. */
export async function sendPicture<T>(path: string, picture: Blob): Promise<T> {
  const headers = { 'Content-Type': picture.type || 'image/jpeg', ...versionHeader };
  const response = await fetch(`/api${path}`, {
    method: 'POST',
    headers,
    body: picture,
    signal: AbortSignal.timeout(MUCH_MS),
  });
  return (await answered(response)).json() as Promise<T>;
}

/** Reads a picture as it is. Throws as `callApi` does. */
export async function readBlob(path: string): Promise<Blob> {
  return (await answered(await fetch(`/api${path}`, { signal: AbortSignal.timeout(MUCH_MS) }))).blob();
}

/** Removes what is at an address. Throws as `callApi` does. */
export async function removeAt(path: string): Promise<void> {
  await answered(await fetch(`/api${path}`, { method: 'DELETE', signal: AbortSignal.timeout(ANSWER_MS) }));
}

async function answered(response: Response): Promise<Response> {
  heedVersion(response.headers);
  if (response.ok) return response;
  if (response.headers.get('Content-Type')?.startsWith('application/problem+json')) {
    const problem = (await response.json()) as Problem;
    if (problem.code === 'sign-in') shutOut();
    if (problem.code === 'device-removed') await forgetShop();
    throw new ApiProblem(problem);
  }
  throw new Error(`expected an answer from the server, got ${response.status}`);
}
