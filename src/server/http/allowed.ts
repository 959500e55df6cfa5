import type { Request, RequestHandler } from 'express';
import { ProblemError } from './problem.ts';

/** Names under which a server on this machine is reached. */
export const localHosts: readonly string[] = ['127.0.0.1', 'localhost', '[::1]'];

/** Names from a comma-separated list, beside those of this machine. */
export function hostsFrom(list: string | undefined): string[] {
  const named = (list ?? '').split(',').map((name) => name.trim().toLowerCase());
  return [...localHosts, ...named.filter(Boolean)];
}

function nameOf(host: string): string {
  return host.toLowerCase().replace(/:\d+$/, '');
}

/** Whether a request's Host is one of the server's names. */
export const isOwnHost = (host: string, hosts: readonly string[]): boolean => hosts.includes(nameOf(host));

/**
 * Refuses requests under a name that is not the server's own: by DNS rebinding a page of another site can reach a server on
 * loopback under the site's name, and would then count as the same origin.
 */
export function ownHost(hosts: readonly string[]): RequestHandler {
  return (request, _response, next) => {
    if (!isOwnHost(request.headers.host ?? '', hosts)) throw new ProblemError('host-not-allowed');
    next();
  };
}

/** Refuses requests that a page of another origin makes, before anything is read or counted. */
export const ownOrigin: RequestHandler = (request, _response, next) => {
  if (isForeign(request)) throw new ProblemError('origin-not-allowed');
  next();
};

function isForeign({ headers }: Request): boolean {
  const { origin } = headers;
  if (headers['sec-fetch-site'] === 'cross-site') return true;
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== headers.host?.toLowerCase();
}
