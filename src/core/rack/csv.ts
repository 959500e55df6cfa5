import { parseLength } from '../units/parseLength.ts';
import { parseMeasure, type MeasureName } from '../units/measure.ts';
import { parseNumber } from '../units/ratio.ts';
import {
  blankRackValues,
  contradiction,
  type Contradiction,
  plainTorsion,
  rateOf,
  torsionRateOf,
  torsionSides,
  type RackSpring,
  type RackValues,
} from './spring.ts';

export type RackColumn =
  | 'id' | 'name' | 'rate' | 'free' | 'solid' | 'inner' | 'wire' | 'coils' | 'max' | 'stock' | 'tender' | 'torsion' | 'leg' | 'side' | 'note' | 'rows'; // oxfmt-ignore

/** Units a column may be given in; none where it has none. */
const units: Partial<Record<RackColumn, readonly string[]>> = {
  rate: ['N/mm', 'lb/in', 'kg/mm'],
  free: ['mm', 'in'],
  solid: ['mm', 'in'],
  inner: ['mm', 'in'],
  wire: ['mm', 'in'],
  max: ['N', 'lbf'],
  leg: ['mm', 'in'],
};

interface ColumnFacts {
  title: string;
  /** Beginnings of headings that mean it, lower case, letters and digits only. */
  known: readonly string[];
}

export const rackColumns: Record<RackColumn, ColumnFacts> = {
  name: { title: 'name', known: ['name', 'spring', 'part', 'code', 'article', 'number', 'designation'] },
  rate: { title: 'rate', known: ['rate', 'springrate', 'stiffness', 'k'] },
  free: { title: 'free length', known: ['free', 'length', 'freelength', 'unloaded'] },
  solid: { title: 'solid length', known: ['solid', 'block', 'bind', 'closed'] },
  inner: { title: 'inner diameter', known: ['inner', 'id', 'inside', 'bore'] },
  wire: { title: 'wire', known: ['wire', 'bar'] },
  coils: { title: 'coils', known: ['coils', 'turns', 'totalcoils'] },
  max: { title: 'most it carries', known: ['max', 'most', 'load', 'maximumload', 'capacity'] },
  stock: { title: 'in stock', known: ['stock', 'instock', 'count', 'quantity', 'qty', 'pieces'] },
  tender: { title: 'tender', known: ['tender', 'helper'] },
  torsion: { title: 'torsion rate', known: ['torsionrate', 'perdegree'] },
  leg: { title: 'torsion leg', known: ['torsionleg', 'leg'] },
  side: { title: 'torsion side', known: ['torsionside', 'side', 'hand'] },
  note: { title: 'note', known: ['note', 'remark', 'comment', 'shelf'] },
  rows: { title: 'measured', known: ['measured', 'rows', 'table'] },
  id: { title: 'Margin id', known: ['marginid'] },
};

/** The columns of an export, in order, each with the unit its heading names. */
const EXPORTED: readonly RackColumn[] = [
  'name', 'rate', 'free', 'solid', 'inner', 'wire', 'coils', 'max', 'stock', 'tender', 'torsion', 'leg', 'side', 'note', 'rows', 'id',
]; // oxfmt-ignore

/** Which heading of a file is what, and in which unit. */
export interface ColumnChoice {
  column: RackColumn | null;
  unit: string | null;
}

/** Units offered for a column; none where it takes none. */
export function unitsOf(column: RackColumn | null): readonly string[] {
  return (column && units[column]) ?? [];
}

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** What the headings of a file most likely are; every column is used once, the first unit stands where none is named. */
export function matchColumns(headings: readonly string[]): ColumnChoice[] {
  const taken = new Set<RackColumn>();
  const pass = (heading: string, fits: (known: string, said: string) => boolean): RackColumn | null => {
    const said = plain(heading.replace(/[([].*$/, ''));
    const found = (Object.keys(rackColumns) as RackColumn[]).find(
      (column) =>
        !taken.has(column) &&
        (plain(rackColumns[column].title) === said ||
          rackColumns[column].known.some((known) => fits(known, said))),
    );
    if (found) taken.add(found);
    return found ?? null;
  };
  const exact = headings.map((heading) => pass(heading, (known, said) => known === said));
  const matched = headings.map((heading, i) => {
    const column = exact[i] ?? pass(heading, (known, said) => known.length > 2 && said.startsWith(known));
    const named = unitsOf(column).find(
      (unit) => plain(heading).endsWith(plain(unit)) && /[([,\s_-]/.test(heading),
    );
    return { column, named };
  });
  // Lengths of one file are in one unit, as a rule.
  const length = matched.find(({ named }) => named === 'in' || named === 'mm')?.named;
  return matched.map(({ column, named }) => {
    const offered = unitsOf(column);
    const likely = length && offered.includes(length) ? length : offered[0];
    return { column, unit: named ?? likely ?? null };
  });
}

/** What is wrong with a cell, or with a spring as a whole. */
export type CellFault =
  | { code: 'no-number'; text: string; unit: string | null }
  | { code: 'too-long' | 'too-many'; most: number }
  | {
      code:
        | 'not-above-zero'
        | 'no-id'
        | 'no-count'
        | 'no-yes-or-no'
        | 'no-side'
        | 'no-pairs'
        | 'name-missing'
        | 'rate-missing';
    }
  | Contradiction;

/** A row that cannot be read: where, and what would be right. Rows are counted as in the file, headings being 1. */
interface RowFault {
  row: number;
  heading: string;
  fault: CellFault;
}

export interface ImportedRack {
  springs: (RackValues & { id: string | null })[];
  faults: RowFault[];
}

type Put = (
  spring: RackValues & { id: string | null },
  text: string,
  unit: string | null,
) => CellFault | null;

const number =
  (
    name: 'rateNPerMm' | 'freeLengthMm' | 'solidLengthMm' | 'innerMm' | 'wireMm' | 'maxN' | 'coils',
    measure: MeasureName | 'length' | null,
  ): Put =>
  (spring, text, unit) => {
    const value = readNumber(text, measure, unit);
    if (value === null) return { code: 'no-number', text: text.slice(0, 20), unit };
    if (!(value > 0)) return { code: 'not-above-zero' };
    spring[name] = value;
    return null;
  };

/** A bare number means the unit chosen for the column; one with its own unit keeps it. */
function readNumber(
  text: string,
  measure: MeasureName | 'length' | null,
  unit: string | null,
): number | null {
  const bare = /^[\d\s.,/+-]+$/.test(text);
  const said = bare && unit ? `${text} ${unit}` : text;
  if (measure === 'length') {
    const parsed = parseLength(said, 'mm');
    return parsed.ok ? parsed.mm : null;
  }
  const parsed = measure === null ? parseNumber(text) : parseMeasure(measure, said, 'mm');
  return parsed.ok ? parsed.value : null;
}

const NAME_MOST = 80;

const setters: Record<RackColumn, Put> = {
  id: (spring, text) => {
    if (!/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)) return { code: 'no-id' };
    spring.id = text.toLowerCase();
    return null;
  },
  name: (spring, text) => {
    if (text.length > NAME_MOST) return { code: 'too-long', most: NAME_MOST };
    spring.name = text;
    return null;
  },
  rate: number('rateNPerMm', 'rate'),
  free: number('freeLengthMm', 'length'),
  solid: number('solidLengthMm', 'length'),
  inner: number('innerMm', 'length'),
  wire: number('wireMm', 'length'),
  coils: number('coils', null),
  max: number('maxN', 'force'),
  stock: (spring, text) => {
    if (!/^\d{1,5}$/.test(text)) return { code: 'no-count' };
    spring.stock = Number(text);
    return null;
  },
  tender: (spring, text) => {
    const said = plain(text);
    if (!['yes', 'y', 'true', '1', 'x', 'no', 'n', 'false', '0'].includes(said))
      return { code: 'no-yes-or-no' };
    spring.tender = ['yes', 'y', 'true', '1', 'x'].includes(said);
    return null;
  },
  torsion: (spring, text) => {
    const value = readNumber(text, null, null);
    if (value === null) return { code: 'no-number', text: text.slice(0, 20), unit: null };
    if (!(value > 0)) return { code: 'not-above-zero' };
    spring.torsion = { ...(spring.torsion ?? plainTorsion), rateNMmPerDeg: value };
    return null;
  },
  leg: (spring, text, unit) => {
    const value = readNumber(text, 'length', unit);
    if (value === null) return { code: 'no-number', text: text.slice(0, 20), unit };
    if (!(value > 0)) return { code: 'not-above-zero' };
    spring.torsion = { ...(spring.torsion ?? plainTorsion), legMm: value };
    return null;
  },
  side: (spring, text) => {
    const side = torsionSides.find((one) => one === plain(text));
    if (!side) return { code: 'no-side' };
    spring.torsion = { ...(spring.torsion ?? plainTorsion), side };
    return null;
  },
  note: (spring, text) => {
    spring.note = text.slice(0, 400);
    return null;
  },
  rows: (spring, text) => {
    const pairs = text.split(/\s+/).map((pair) => pair.split(':').map(Number));
    const rows = pairs.filter(
      (pair): pair is [number, number] => pair.length === 2 && pair.every(Number.isFinite),
    );
    const grows = rows.every(
      ([x, f], i) => i === 0 || (x > (rows[i - 1]?.[0] ?? 0) && f > (rows[i - 1]?.[1] ?? 0)),
    );
    if (rows.length < 2 || rows.length !== pairs.length || !grows) return { code: 'no-pairs' };
    spring.rows = rows;
    return null;
  },
};

/** Most springs that are taken in at once. */
export const RACK_MOST = 5000;

/** Reads the rows of a file by the chosen columns: every spring that can be read, and every fault by row and heading. */
export function readRack(
  headings: readonly string[],
  rows: readonly (readonly string[])[],
  choices: readonly ColumnChoice[],
): ImportedRack {
  const faults: RowFault[] = [];
  const springs = rows.flatMap((cells, r) => {
    const row = r + 2;
    const spring: RackValues & { id: string | null } = { ...blankRackValues, id: null };
    const before = faults.length;
    choices.forEach(({ column, unit }, c) => {
      const text = unescaped((cells[c] ?? '').trim());
      if (!column || text === '') return;
      const fault = setters[column](spring, text, unit);
      if (fault) faults.push({ row, heading: headings[c] ?? '', fault });
    });
    const whole = (fault: CellFault | null) => fault && faults.push({ row, heading: '', fault });
    if (faults.length === before) {
      if (spring.name === '') whole({ code: 'name-missing' });
      if ((rateOf(spring) ?? torsionRateOf(spring)) === null && spring.rows === null)
        whole({ code: 'rate-missing' });
      whole(contradiction(spring));
    }
    return faults.length === before ? [spring] : [];
  });
  if (rows.length > RACK_MOST)
    faults.push({ row: RACK_MOST + 2, heading: '', fault: { code: 'too-many', most: RACK_MOST } });
  return { springs, faults };
}

/** A cell that was kept from running as a formula by a leading quote, as it was. */
function unescaped(text: string): string {
  return /^'[=+\-@]/.test(text) ? text.slice(1) : text;
}

/** Springs as headings and rows of text that `readRack` reads back unchanged. */
export function writeRack(springs: readonly RackSpring[]): { headings: string[]; rows: string[][] } {
  const cell = (spring: RackSpring, column: RackColumn): string => {
    const written: Record<RackColumn, number | string | null> = {
      id: spring.id,
      name: spring.name,
      rate: spring.rateNPerMm,
      free: spring.freeLengthMm,
      solid: spring.solidLengthMm,
      inner: spring.innerMm,
      wire: spring.wireMm,
      coils: spring.coils,
      max: spring.maxN,
      stock: spring.stock,
      torsion: spring.torsion?.rateNMmPerDeg ?? null,
      leg: spring.torsion?.legMm ?? null,
      side: spring.torsion?.side ?? null,
      tender: spring.tender ? 'yes' : 'no',
      note: spring.note,
      rows: spring.rows?.map((pair) => pair.join(':')).join(' ') ?? null,
    };
    return String(written[column] ?? '');
  };
  return {
    headings: EXPORTED.map((column) => {
      const [unit] = unitsOf(column);
      return rackColumns[column].title + (unit ? ` (${unit})` : '');
    }),
    rows: springs.map((spring) => EXPORTED.map((column) => cell(spring, column))),
  };
}
