import type { Schema, ValidationError } from 'joi';
import type { JobDocument } from '#core/document/types.ts';
import type { ProblemDetail } from '#contract/problems.ts';
import { documentSchema } from '#contract/schemas/document.ts';
import { ProblemError } from './problem.ts';

/** Checks a value against a schema and gives it back typed. Throws `invalid` with pointers, never with values. */
export function validated<T>(schema: Schema, value: unknown, prefix = ''): T {
  const result = schema.validate(value, {
    abortEarly: false,
    convert: false,
    errors: { label: false, escapeHtml: false },
  });
  if (result.error) throw new ProblemError('invalid', { errors: details(result.error, prefix) });
  if (value === undefined)
    throw new ProblemError('invalid', { errors: [{ pointer: prefix, detail: 'a body is needed' }] });
  return result.value as T;
}

/** Checks the document a change led to. */
export function checkDocument(document: JobDocument): void {
  validated(documentSchema, document, '/document');
}

function details(error: ValidationError, prefix: string): ProblemDetail[] {
  return error.details.slice(0, 20).map(({ path, type, context }) => ({
    pointer: `${prefix}${path.map((part) => `/${String(part).slice(0, 40)}`).join('')}`,
    detail: wordsFor(type, (context ?? {}) as Context),
  }));
}

interface Context {
  limit?: number;
  valids?: unknown[];
  /** What would be right, in words of ours. */
  want?: string;
}

/** Words by kind of failure, so that nothing the sender wrote is echoed. */
function wordsFor(type: string, { limit, valids, want }: Context): string {
  if (type === 'any.required') return 'is needed';
  if (type === 'object.unknown') return 'is not known here';
  if (type === 'any.only')
    return `must be one of: ${(valids ?? []).filter((valid) => valid !== null).join(', ') || 'null'}`;
  if (type === 'number.min') return `must be at least ${limit}`;
  if (type === 'number.max') return `must be at most ${limit}`;
  if (type === 'string.max' || type === 'array.max')
    return `must have at most ${limit} ${type.startsWith('string') ? 'characters' : 'items'}`;
  if (type === 'spring.order') return 'the solid length must be below the free length';
  if (type === 'rows.order') return 'compression and force must grow from row to row';
  if (type === 'array.unique') return 'stands in the list twice';
  if (type === 'described' && want) return want;
  if (type === 'corners' && want) return `expected ${want}`;
  return WORDS[type.split('.')[0] ?? ''] ?? 'is not right';
}

const WORDS: Record<string, string> = {
  number: 'must be a number',
  string: 'must be a text of the right form',
  boolean: 'must be true or false',
  object: 'must be an object',
  array: 'must be a list',
};
