import type { ConflictBody, NewJob } from '#contract/api.ts';
import type { Problem } from '#contract/problems.ts';
import type { Entry } from '#core/document/types.ts';

/** Something typed that the server does not have yet. */
export interface Unsent {
  id: string;
  jobId: string;
  /** Place in the order of typing. */
  order: number;
  what: { kind: 'job'; job: NewJob } | { kind: 'entry'; entry: Entry };
  /** Why the server would not take it, once it said so. It stays until the reader decides. */
  refused: { problem: Problem; conflict: ConflictBody | null } | null;
}
