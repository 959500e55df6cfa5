import type { OrderFault } from '../../faults.ts';
import type { Hung } from '../../kinds/suspension.ts';
import type { CornerId } from '../../kinds/corners.ts';
import type { MachineClass } from '../../kinds/classes/index.ts';

/** What a number is counted in. Lengths read by tape show as fractions in inches, sizes as decimals. */
export type Unit =
  | 'mm by tape' | 'mm' | 'N/mm' | 'N mm/deg' | 'N' | 'kg' | 'bar' | 'litre' | 'cm3' | 'mm2' | 'deg' | 'deg/mm' | 'km'
  | 'N m' | 'damper per wheel' | 'share' | 'factor' | 'count'; // oxfmt-ignore

export interface Range {
  min: number;
  max: number;
}

/** For which machine and corner something is blank; no corner for what the whole machine has. */
export interface Place {
  machineClass: MachineClass;
  corner: CornerId | null;
}

/** Carried over to the next job: as it is, not at all, or as turning and the heights since have made it. */
export type Next = 'same' | 'blank' | 'as-now';

/** What holds for a field of any type. */
interface Told {
  /** Version of the document that brought it. */
  since?: number;
  /** What the next job on the same machine starts with; the same, where nothing is said. */
  next?: Next;
  /** What is fitted: left out where it contradicts itself, so that heights can still be planned. */
  fitted?: true;
}

/** What a builder is told, with what of it the type remembers. */
type Saying<N extends Next> = Told & { next?: N };
interface Carried<N extends Next> {
  next?: N;
}

declare const VALUE: unique symbol;
/** Carries the type of a field's values; there is nothing at run time. */
interface Of<T> {
  readonly [VALUE]?: T;
}

/** What is taken of a number until it is given: always, or by how the corner is hung. */
export type Assumed = number | ((hung: Hung) => number);

export interface NumberField extends Told {
  type: 'number';
  unit: Unit;
  range: Range;
  whole: boolean;
  nullable: boolean;
  blank?: number | null;
  /** What is taken of it while nobody has given it; always marked as assumed. */
  assumed?: Assumed;
}

export interface TextField extends Told {
  type: 'text';
  most: number;
  /** A text that must say something. */
  filled: boolean;
  /** As an expression, where it has a form: of a key, or a UUID. */
  form: RegExp | 'uuid' | null;
  nullable: boolean;
  blank?: string | null;
}

export interface FlagField extends Told {
  type: 'flag';
  blank?: boolean;
}

export interface ChoiceField extends Told {
  type: 'choice';
  of: readonly (string | number)[];
  nullable: boolean;
  blank?: string | number | null | ((place: Place) => string);
}

/** Rows of two numbers: [x, y]. */
export interface RowsField extends Told {
  type: 'rows';
  x: Range;
  y: Range;
  most: number;
  /** Whether x must grow from row to row. */
  growing: boolean;
  nullable: boolean;
}

/** Two numbers: a place in a plane. */
export interface PairField extends Told {
  type: 'pair';
  range: Range;
}

export interface ListField extends Told {
  type: 'list';
  item: Field;
  least: number;
  most: number;
  /** Field by which no two items may be alike. */
  unlike: string | null;
  nullable: boolean;
  blank?: readonly unknown[];
  assumed?: readonly number[];
}

/** One of two values that must be below another of the same group. */
interface Order {
  low: string;
  high: string;
  want: OrderFault;
}

export interface GroupField extends Told {
  type: 'group';
  fields: Fields;
  nullable: boolean;
  order: Order | null;
}

/** One of several groups, named by their `kind`. */
export interface VariantsField extends Told {
  type: 'variants';
  of: Record<string, Fields>;
  nullable: boolean;
}

/** The same for any of a machine's corners: for each of them, or for those of which there is something. */
export interface CornersField extends Told {
  type: 'corners';
  item: GroupField;
  each: boolean;
}

export type Field =
  | NumberField | TextField | FlagField | ChoiceField | RowsField | PairField | ListField | GroupField | VariantsField
  | CornersField; // oxfmt-ignore

export type Fields = Readonly<Record<string, Field>>;

/** Only the keys that a number, text or list may be without altogether. */
interface Absent {
  absent: true;
}

/** The type of a field's values. */
export type Value<F> = F extends Of<infer T> ? T : never;
type AbsentKeys<F> = { [K in keyof F]: F[K] extends Absent ? K : never }[keyof F];
type Values<F> = { -readonly [K in Exclude<keyof F, AbsentKeys<F>>]: Value<F[K]> } & {
  -readonly [K in AbsentKeys<F>]?: Value<F[K]> | undefined;
};
type Flat<T> = { [K in keyof T]: T[K] };

interface NumberTold {
  whole?: boolean;
  blank?: number;
}

/** A number that is always there. */
export function number<N extends Next = 'same'>(
  unit: Unit,
  range: Range,
  { whole = false, ...told }: NumberTold & Saying<N> = {},
): NumberField & Of<number> & Carried<NoInfer<N>> {
  return { type: 'number', unit, range, whole, nullable: false, ...told };
}

/** A number that somebody may give: until then it is null, and what is assumed stands in its place. */
export function given<N extends Next = 'same'>(
  unit: Unit,
  range: Range,
  { whole = false, ...told }: Saying<N> & { whole?: boolean; assumed?: Assumed } = {},
): NumberField & Of<number | null> & Carried<NoInfer<N>> {
  return { type: 'number', unit, range, whole, nullable: true, blank: null, ...told };
}

/** A key that may be missing altogether. */
export function absent<F extends NumberField>(field: F): F & Absent {
  return { ...field, absent: true };
}

/** Whether a key may be missing altogether. */
export function mayBeAbsent(field: Field): boolean {
  return 'absent' in field;
}

/** A text. */
export function text<N extends Next = 'same'>(
  most: number,
  {
    filled = false,
    form = null,
    ...told
  }: Saying<N> & { filled?: boolean; form?: TextField['form']; blank?: string } = {},
): TextField & Of<string> & Carried<NoInfer<N>> {
  return { type: 'text', most, filled, form, nullable: false, ...told };
}

/** A text of a form that may be null. */
export function keyText<N extends Next = 'same'>(
  form: RegExp | 'uuid',
  told: Saying<N> = {},
): TextField & Of<string | null> & Carried<NoInfer<N>> {
  return { type: 'text', most: 100, filled: true, form, nullable: true, blank: null, ...told };
}

export function flag(
  told: Saying<'same'> & { blank?: boolean } = {},
): FlagField & Of<boolean> & Carried<'same'> {
  return { type: 'flag', ...told };
}

/** One of a list. */
export function choice<const T extends string | number>(
  of: readonly T[],
  told: Saying<'same'> & { blank?: T | ((place: Place) => T & string) } = {},
): ChoiceField & Of<T> & Carried<'same'> {
  return { type: 'choice', of, nullable: false, ...told };
}

/** One of a list, or null where nobody has said. */
export function choiceOrNone<const T extends string, N extends Exclude<Next, 'as-now'> = 'same'>(
  of: readonly T[],
  told: Saying<N> = {},
): ChoiceField & Of<T | null> & Carried<NoInfer<N>> {
  return { type: 'choice', of, nullable: true, blank: null, ...told };
}

interface RowsTold {
  x: Range;
  y: Range;
  most: number;
  growing?: boolean;
}

/** Rows of [x, y], always there. */
export function rows({
  growing = false,
  ...told
}: RowsTold): RowsField & Of<[number, number][]> & Carried<'same'> {
  return { type: 'rows', growing, nullable: false, ...told };
}

/** Rows of [x, y], or null. */
export function rowsOrNone<N extends Next = 'same'>({
  growing = false,
  ...told
}: RowsTold & Saying<N>): RowsField & Of<[number, number][] | null> & Carried<NoInfer<N>> {
  return { type: 'rows', growing, nullable: true, ...told };
}

export function pair(range: Range): PairField & Of<[number, number]> & Carried<'same'> {
  return { type: 'pair', range };
}

interface ListTold {
  least?: number;
  most: number;
  unlike?: string;
  blank?: readonly unknown[];
}

/** A list of one kind of item. */
export function list<F extends Field, N extends Next = 'same'>(
  item: F,
  { least = 0, unlike, ...told }: ListTold & Saying<N>,
): ListField & Of<Value<F>[]> & { item: F } & Carried<NoInfer<N>> {
  return { type: 'list', item, least, unlike: unlike ?? null, nullable: false, blank: [], ...told };
}

/** A list of numbers that somebody may give. */
export function listOrNone<F extends Field>(
  item: F,
  { least = 0, unlike, ...told }: ListTold & { assumed: readonly number[] },
): ListField & Of<Value<F>[] | null> & { item: F } & Carried<'same'> {
  return { type: 'list', item, least, unlike: unlike ?? null, nullable: true, ...told };
}

interface GroupTold {
  order?: Order;
}

/** Several fields under one name. */
export function group<const F extends Fields>(
  fields: F,
  { order, ...told }: GroupTold & Saying<'same'> = {},
): Carried<'same'> &
  Omit<GroupField, 'fields' | 'nullable'> &
  Of<Flat<Values<F>>> & { fields: F; nullable: false } {
  return { type: 'group', fields, nullable: false, order: order ?? null, ...told };
}

/** The same, or null where there is no such thing. */
export function groupOrNone<const F extends Fields, N extends Next = 'same'>(
  fields: F,
  { order, ...told }: GroupTold & Saying<N> = {},
): Carried<NoInfer<N>> &
  Omit<GroupField, 'fields' | 'nullable'> &
  Of<Flat<Values<F>> | null> & { fields: F; nullable: true } {
  return { type: 'group', fields, nullable: true, order: order ?? null, ...told };
}

type Variants<V> = { [K in keyof V]: Flat<{ kind: K } & Values<V[K]>> }[keyof V];

/** One of several groups by its `kind`, or null. */
export function variantsOrNone<const V extends Record<string, Fields>>(
  of: V,
  told: Saying<'same'> = {},
): Carried<'same'> & Omit<VariantsField, 'of'> & Of<Variants<V> | null> & { of: V } {
  return { type: 'variants', of, nullable: true, ...told };
}

/** One group for each of the machine's corners. */
export function eachCorner<F extends GroupField>(
  item: F,
  told: Saying<'same'> = {},
): CornersField & Of<Record<CornerId, Value<F>>> & { item: F } & Carried<'same'> {
  return { type: 'corners', item, each: true, ...told };
}

/** A group for those corners of which there is something. */
export function someCorners<F extends GroupField>(
  item: F,
  told: Saying<'same'> = {},
): CornersField & Of<Partial<Record<CornerId, Value<F>>>> & { item: F } & Carried<'same'> {
  return { type: 'corners', item, each: false, ...told };
}

/** The fields of a group that the next job finds as turning and the heights since have made them. */
export type ChangedKeys<F> = {
  [K in keyof F]: F[K] extends { next?: infer N } ? ('as-now' extends N ? K : never) : never;
}[keyof F];
