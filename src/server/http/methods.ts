import type { RequestHandler } from 'express';
import { ProblemError } from './problem.ts';

/** Refuses every other method, naming those that are taken. */
export const only =
  (...methods: string[]): RequestHandler =>
  (_request, response) => {
    response.setHeader('Allow', methods.join(', '));
    throw new ProblemError('method-not-allowed');
  };
