import type { Json, Op } from './types.ts';

/** Where a change met something other than it expected. */
export interface OpConflict {
  path: string[];
  /** What the writer saw, wants, and what is there now. */
  from: Json;
  yours: Json;
  theirs: Json;
}

export type OpsResult =
  | { ok: true; value: Json }
  | { ok: false; conflicts: OpConflict[]; unknownPath: string[] | null };

/**
 * Applies replacements to a JSON document, all or none. A path must exist already; each op's `from` must be what is
 * there (deeply equal), else it is a conflict and nothing changes. An op whose `to` is already there is fine.
 */
export function applyOps(document: Json, ops: readonly Op[]): OpsResult {
  const conflicts: OpConflict[] = [];
  let value = document;
  for (const op of ops) {
    const found = readPath(value, op.path);
    if (!found.exists) return { ok: false, conflicts: [], unknownPath: op.path };
    if (sameJson(found.value, op.to)) continue;
    if (sameJson(found.value, op.from)) value = writePath(value, op.path, op.to);
    else conflicts.push({ path: op.path, from: op.from, yours: op.to, theirs: found.value });
  }
  return conflicts.length > 0 ? { ok: false, conflicts, unknownPath: null } : { ok: true, value };
}

/** The ops that take these back. */
export function invertOps(ops: readonly Op[]): Op[] {
  return ops.map(({ path, from, to }) => ({ path, from: to, to: from })).reverse();
}

function isObject(value: Json | undefined): value is { [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function readPath(
  document: Json,
  path: readonly string[],
): { exists: true; value: Json } | { exists: false } {
  let here: Json = document;
  for (const key of path) {
    if (!isObject(here) || !Object.hasOwn(here, key)) return { exists: false };
    here = here[key] as Json;
  }
  return path.length === 0 ? { exists: false } : { exists: true, value: here };
}

function writePath(document: Json, path: readonly string[], value: Json): Json {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  const here = document as { [key: string]: Json };
  return { ...here, [key]: writePath(here[key] as Json, rest, value) };
}

/** Deep equality of JSON values; the order of keys does not matter. */
export function sameJson(a: Json, b: Json): boolean {
  if (a === b) return true;
  if (Array.isArray(a))
    return Array.isArray(b) && a.length === b.length && a.every((item, i) => sameJson(item, b[i] as Json));
  if (!isObject(a) || !isObject(b)) return false;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => Object.hasOwn(b, key) && sameJson(a[key] as Json, b[key] as Json))
  );
}
