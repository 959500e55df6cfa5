import type { Columns, Fault, Plain, Want } from '#core/faults.ts';
import { tellMetric, type Say } from './figures.ts';

/** A fault in words. */
export interface ToldFault {
  path: string;
  got: string;
  want: string;
}

/** A length as a command writes it: mm as they are. */
const plainMm: Say = (mm) => `${mm} mm`;

/** What a fault found, and what would be right; `say` writes mm in the reader's units. */
export function faultTold({ path, got, want }: Fault, say: Say = plainMm): ToldFault {
  return {
    path,
    got: gotWords(want, say) ?? shown(got, isLength(path) ? say : String),
    want: wantWords(want, path, say),
  };
}

/** What was found, where that is not what stands in the one field. */
function gotWords(want: Want, say: Say): string | null {
  switch (want.be) {
    case 'whole-way-up':
      return `a linkage that locks or extends the damper near ${say(want.locksAtMm)} of travel`;
    case 'contacts-apart':
      return `all within ${say(want.withinMm)}`;
    case 'contacts-not-in-line':
      return 'contacts on one line across the machine';
    case 'json-line':
      return 'something that is not JSON';
    default:
      return null;
  }
}

/** Faults in words, one a line; `called` says what the reader knows a path by. */
export function faultWords(
  faults: readonly Fault[],
  say: Say = plainMm,
  called = (path: string): string => path,
): string {
  return toldWords(faults.map((fault) => ({ ...faultTold(fault, say), path: called(fault.path) })));
}

/** The same of faults that are told already. */
export function toldWords(told: readonly ToldFault[]): string {
  return told.map(({ path, got, want }) => `${path}: got ${got}, expected ${want}`).join('\n');
}

/** What would be right in the place of something. */
function wantWords(want: Want, path: string, say: Say): string {
  switch (want.be) {
    case 'number':
      return rangeWords(want, isLength(path) ? say : String);
    case 'rows':
      return `between 2 and ${want.most} rows of ${columns[want.of].join(' and ')}`;
    case 'row':
      return `a row of two numbers: ${columns[want.of].join(', ')}`;
    case 'count':
      return `between ${want.least} and ${want.most} ${want.of}`;
    case 'one-of':
      return want.values.length === 1 ? String(want.values[0]) : `one of ${want.values.join(', ')}`;
    case 'name':
      return `a name of 1 to ${want.most} characters`;
    case 'more-than-stroke':
      return `more than the ${(say.tell ?? tellMetric)('chamber', want.volumeCm3)} that the stroke takes`;
    case 'below-free-length':
      return `less than the free length of ${say(want.freeLengthMm)}`;
    case 'not-solid-yet':
      return `less than the ${say(want.solidMm)} at which the springs are solid`;
    case 'cam-position':
      return `a cam position: 0 to ${want.last}`;
    case 'slider':
      return `a slider between two springs: 0 to ${want.last}`;
    case 'corners-of':
      return cornersWords(want);
    case 'json-line':
      return `one JSON object a line: ${want.because}`;
    case 'whole-way-up':
      return 'places at full droop from which the wheel can rise through its whole travel';
    case 'contacts-apart':
      return `contacts at least ${say(100)} apart`;
    default:
      return plainWants[want.be];
  }
}

/** The corners that a machine has. */
function cornersWords({ machine, corners }: Extract<Want, { be: 'corners-of' }>): string {
  return `a ${machine} to have the corners ${corners.join(', ')}`;
}

const columns: Record<Columns, readonly [string, string]> = {
  'compression-force': ['compression in mm', 'force in N'],
  'squeeze-force': ['squeeze in mm', 'force in N'],
  'travel-compression': ['wheel travel in mm', 'damper compression in mm'],
};

/** What would be right, where it needs no figure to be told. */
export const plainWants: Record<Plain, string> = {
  'a-list': 'a list',
  'a-name': 'a name',
  'a-setup': 'a setup',
  'a-spring-rate': 'a rate',
  'rows-of-the-spring': 'rows of compression in mm and force in N',
  'its-figures': 'its figures, or null',
  'source-of-the-ratio': 'where the ratio comes from',
  'own-name': 'a name of its own',
  'name-of-a-contact': 'the name of a contact',
  'name-of-a-corner': 'the name of a corner',
  'two-contacts': 'two different contacts',
  'one-ring-a-slider': 'one ring for each slider',
  'contacts-not-in-line': 'contacts that carry a body: not on one line, or all with the same y',
  'growing-ratio': 'a ratio above zero over the whole travel',
  'no-preload-of-air': '0 with an air spring: its pressure is its preload',
  'no-bar': 'none: there are no two sides to tie',
  'opening-readings': 'the opening readings, then one entry per round',
  'whole-link': 'a whole link as it was copied',
  'solid-below-free': 'the solid length must be below the free length',
  'least-sag-below-most': 'the least sag must be below the most',
  'closed-below-open': 'the closed length must be below the open one',
  'least-collar-below-greatest': 'the least collar reading must be below the greatest',
};

/** Whether what stands at a path is a length, by the name it has. */
const isLength = (path: string) => /(?<!Per)Mm$/.test(path);

function rangeWords(
  { min, max, above }: { min?: number; max?: number; above?: boolean },
  say: (value: number) => string,
): string {
  const low = min === undefined ? '' : `${above ? 'above' : 'at least'} ${say(min)}`;
  const high = max === undefined ? '' : `at most ${say(max)}`;
  return ['a number', [low, high].filter(Boolean).join(' and ')].filter(Boolean).join(' ');
}

/** The value as a short text: long arrays and texts are cut. */
function shown(value: unknown, say: (value: number) => string): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return say(value);
  if (Array.isArray(value)) return `${value.length} rows`;
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 40 ? `${text.slice(0, 37)}...` : text;
}
