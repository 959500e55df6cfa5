import { jobField } from './job.ts';
import type { Field } from './field.ts';

/** A field with the path by which it is reached; `*` stands for any corner, row or kind. */
export interface Placed {
  path: readonly string[];
  field: Field;
}

/** Every field of a job document, groups before what is in them. */
export function everyField(): Placed[] {
  return within({ path: [], field: jobField }).slice(1);
}

function within({ path, field }: Placed): Placed[] {
  return [
    { path, field },
    ...parts(field).flatMap(([key, part]) => within({ path: [...path, key], field: part })),
  ];
}

function parts(field: Field): [string, Field][] {
  switch (field.type) {
    case 'group':
      return Object.entries(field.fields);
    case 'list':
    case 'corners':
      return [['*', field.item]];
    case 'variants':
      return Object.values(field.of).flatMap((fields) => Object.entries(fields));
    default:
      return [];
  }
}

/** The field that a path of a job document leads to; null where there is none. */
export function fieldAt(path: readonly string[]): Field | null {
  let here: Field = jobField;
  for (const key of path) {
    const next: Field | undefined = parts(here).find(([name]) => name === key || name === '*')?.[1];
    if (!next) return null;
    here = next;
  }
  return here;
}
