/** What is wrong with one field of an input: where it is, what it holds and what would be right. */
export interface Fault {
  /** Place in the input, like `contacts[0].travelMm`. */
  path: string;
  /** What was found there; undefined where there is nothing. */
  got: unknown;
  want: Want;
}

/** A closed result: the value, or every fault found. */
export type Checked<T> = { ok: true; value: T } | { ok: false; faults: Fault[] };

/** What would be right, as a code with its figures: the words are made where it is shown. */
export type Want =
  | ({ be: 'number' } & Range)
  | { be: 'rows'; of: Columns; most: number }
  | { be: 'row'; of: Columns }
  | { be: 'count'; of: Counted; least: number; most: number }
  | { be: 'one-of'; values: readonly string[] }
  | { be: 'name'; most: number }
  /** A gas spring holds more than its stroke displaces. */
  | { be: 'more-than-stroke'; volumeCm3: number }
  | { be: 'below-free-length'; freeLengthMm: number }
  | { be: 'not-solid-yet'; solidMm: number }
  | { be: 'cam-position'; last: number }
  | { be: 'slider'; last: number }
  /** Every corner of its class, and none besides. */
  | { be: 'corners-of'; machine: string; corners: readonly string[] }
  | { be: 'json-line'; because: string }
  /** A linkage that moves on through the whole travel: this one locks near here. */
  | { be: 'whole-way-up'; locksAtMm: number }
  | { be: 'contacts-apart'; withinMm: number }
  | { be: Plain };

/** What needs no figure to be told. */
export type Plain =
  | 'a-list'
  | 'a-name'
  | 'a-setup'
  | 'a-spring-rate'
  | 'rows-of-the-spring'
  | 'its-figures'
  | 'source-of-the-ratio'
  | 'own-name'
  | 'name-of-a-contact'
  | 'name-of-a-corner'
  | 'two-contacts'
  | 'one-ring-a-slider'
  | 'contacts-not-in-line'
  | 'growing-ratio'
  | 'no-preload-of-air'
  | 'no-bar'
  | 'opening-readings'
  | 'whole-link'
  | OrderFault;

/** Which of two values of a group must be below which. */
export type OrderFault =
  | 'solid-below-free'
  | 'least-sag-below-most'
  | 'least-collar-below-greatest'
  | 'closed-below-open';

/** What a measured table has side by side. */
export type Columns = 'compression-force' | 'squeeze-force' | 'travel-compression';

/** What there may be too few or too many of. */
type Counted = 'springs' | 'cam positions' | 'masses' | 'contacts' | 'load cases' | 'setups';

/** Most rows a measured table may have: more is not a measurement but a mistake. */
const MOST_ROWS = 500;

interface Range {
  min?: number;
  max?: number;
  /** Whether `min` itself is refused. */
  above?: boolean;
}

/** Collects faults while an input is read. Nothing is thrown, so that all of them are told at once. */
export class FaultList {
  readonly faults: Fault[] = [];

  /** Notes a fault. */
  add(path: string, got: unknown, want: Want): void {
    this.faults.push({ path, got, want });
  }

  /** Checks a finite number within a range; true when it is one. */
  number(path: string, value: unknown, range: Range = {}): boolean {
    const { min = -Infinity, max = Infinity, above = false } = range;
    const right =
      typeof value === 'number' &&
      Number.isFinite(value) &&
      value <= max &&
      (above ? value > min : value >= min);
    if (!right) this.add(path, value, { be: 'number', ...range });
    return right;
  }

  /**
   * Checks rows of [abscissa, ordinate] that both grow from row to row, starting at or above zero; names the first
   * row that does not.
   */
  growing(path: string, rows: unknown, of: Columns): boolean {
    if (!Array.isArray(rows) || rows.length < 2 || rows.length > MOST_ROWS) {
      this.add(path, rows, { be: 'rows', of, most: MOST_ROWS });
      return false;
    }
    for (const [i, row] of rows.entries()) {
      const at = `${path}[${i}]`;
      if (!Array.isArray(row) || row.length !== 2) {
        this.add(at, row, { be: 'row', of });
        return false;
      }
      const before = rows[i - 1] as [number, number] | undefined;
      for (const k of [0, 1] as const) {
        const want: Range = before ? { min: before[k], above: true } : { min: 0 };
        if (!this.number(`${at}[${k}]`, row[k], want)) return false;
      }
    }
    return true;
  }
}
