/** What is wrong with one field of an input: where it is, what it holds and what would be right. */
export interface Fault {
  /** Place in the input, like `contacts[0].travelMm`. */
  path: string;
  got: string;
  want: string;
}

/** A closed result: the value, or every fault found. */
export type Checked<T> = { ok: true; value: T } | { ok: false; faults: Fault[] };

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
  add(path: string, got: unknown, want: string): void {
    this.faults.push({ path, got: show(got), want });
  }

  /** Checks a finite number within a range; true when it is one. */
  number(path: string, value: unknown, range: Range = {}): boolean {
    const { min = -Infinity, max = Infinity, above = false } = range;
    const right =
      typeof value === 'number' &&
      Number.isFinite(value) &&
      value <= max &&
      (above ? value > min : value >= min);
    if (!right) this.add(path, value, rangeWords(range));
    return right;
  }

  /**
   * Checks rows of [abscissa, ordinate] that both grow from row to row, starting at or above zero; names the first
   * row that does not.
   */
  growing(path: string, rows: unknown, names: readonly [string, string]): boolean {
    if (!Array.isArray(rows) || rows.length < 2 || rows.length > MOST_ROWS) {
      this.add(path, rows, `between 2 and ${MOST_ROWS} rows of ${names.join(' and ')}`);
      return false;
    }
    for (const [i, row] of rows.entries()) {
      const at = `${path}[${i}]`;
      if (!Array.isArray(row) || row.length !== 2) {
        this.add(at, row, `a row of two numbers: ${names.join(', ')}`);
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

function rangeWords({ min, max, above }: Range): string {
  const low = min === undefined ? '' : `${above ? 'above' : 'at least'} ${min}`;
  const high = max === undefined ? '' : `at most ${max}`;
  return ['a number', [low, high].filter(Boolean).join(' and ')].filter(Boolean).join(' ');
}

/** The value as a short text: long arrays and texts are cut. */
function show(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  if (Array.isArray(value)) return `${value.length} rows`;
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 40 ? `${text.slice(0, 37)}...` : text;
}

/** Faults in words, one a line. */
export function faultWords(faults: readonly Fault[]): string {
  return faults.map(({ path, got, want }) => `${path}: got ${got}, expected ${want}`).join('\n');
}
