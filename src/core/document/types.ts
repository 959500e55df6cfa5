import type { Fitting } from '../kinds/adjusters/index.ts';
import type { cornerField } from './description/corner.ts';
import type { Value } from './description/field.ts';
import type { bar, jobField, learnt, load, lowPoint, rider } from './description/job.ts';
import type {
  boot,
  clearance,
  mount,
  ring,
  sagWindow,
  torsion,
  air,
  ratioFrom,
} from './description/parts.ts';
import type { Fact } from './factKinds.ts';

export type { Fact, FactKind } from './factKinds.ts';
export type { ToldCorner, ToldPlan } from './told.ts';
export type { Fitting };

/** Anything JSON can hold. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** The description part of a job: versioned, changed only through entries. Its fields are described in `description/`. */
export type JobDocument = Value<typeof jobField>;
export type CornerDocument = Value<typeof cornerField>;
export type SagLimits = NonNullable<Value<typeof sagWindow>>;
export type RingDocument = Value<typeof ring>;
export type RatioDocument = NonNullable<Value<typeof ratioFrom>>;
export type TorsionDocument = NonNullable<Value<typeof torsion>>;
export type AirDocument = NonNullable<Value<typeof air>>;
export type MountDocument = NonNullable<Value<typeof mount>>;
export type ClearanceDocument = Value<typeof clearance>;
export type LowPointDocument = Value<typeof lowPoint>;
export type BootDocument = Value<typeof boot>;
export type LoadDocument = Value<typeof load>;
export type RiderDocument = Value<typeof rider>;
export type BarDocument = NonNullable<Value<typeof bar>>;
export type LearntDocument = NonNullable<Value<typeof learnt>>;

/** One replacement in the document, stating what was there: the inverse is the same with `from` and `to` swapped. */
export interface Op {
  path: string[];
  from: Json;
  to: Json;
}

interface EntryBase {
  /** UUID made by whoever writes it, so that sending twice does no harm. */
  id: string;
  /** ISO time at the writer. */
  at: string;
  /** What it was, in words, for history and undo. */
  label: string;
  /** Who wrote it, by name; left out where the device was with nobody in particular. */
  by?: string;
  undoOf: string | null;
  redoOf: string | null;
}

export type Entry = EntryBase &
  (
    | { type: 'change'; ops: Op[] }
    | { type: 'fact'; fact: Fact; replaces: string | null }
    | { type: 'withdraw'; of: string }
  );

/** A job as kept: the document as of `version`, and every entry in order. */
export interface JobRecord {
  id: string;
  version: number;
  document: JobDocument;
  entries: Entry[];
}
