import { AIR_STEP_BAR } from '../springs/air.ts';
import type { Entry, JobDocument } from './types.ts';
import { emptyFields, factUnits, type FactKind } from './factKinds.ts';

type Plain = Record<string, unknown>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Where a kind kept what was said of it under its own name. */
const saidUnder: Partial<Record<FactKind, string>> = {
  settled: 'how',
  prep: 'how',
  check: 'how',
  note: 'words',
  recheck: 'day',
  cycled: 'nearest',
};

/**
 * A fact as any earlier version wrote it, every kind with one set of fields, kg and bar under the name of mm among them, as
 * a fact with its own. Anything else is given back as it is, to be refused where it is checked.
 */
export function upgradedFact(fact: unknown): unknown {
  if (!isPlain(fact) || typeof fact.kind !== 'string' || !(fact.kind in factUnits)) return fact;
  if (!('valueMm' in fact) && !('askedMm' in fact && 'how' in fact && 'told' in fact)) return fact;
  const kind = fact.kind as FactKind;
  const { valueMm, askedMm, how, told, ...place } = fact;
  return {
    ...place,
    ...emptyFields[kind],
    // What does not belong to a kind stays, to be refused by its name.
    ...(isGiven(valueMm) ? { [factUnits[kind] ?? 'valueMm']: valueMm } : {}),
    ...(isGiven(askedMm) ? { askedMm } : {}),
    ...(isGiven(how) ? { [saidUnder[kind] ?? 'remark']: how } : {}),
    ...(isGiven(told) ? { told } : {}),
  };
}

/** A fact as a store has it, which keeps no empty fields. */
export function wholeFact(kept: Plain & { kind: FactKind }): unknown {
  return { ...emptyFields[kept.kind], ...kept };
}

const isGiven = (value: unknown) => value !== null && value !== undefined;

/**
 * An entry that a page of before sends late. What it did to a corner's air it sends as a seat's move, in tenths of a bar under
 * the name of mm: a corner with air in it has no seat that is turned.
 */
export function lateEntry({ corners }: Pick<JobDocument, 'corners'>, entry: Entry): Entry {
  if (entry.type !== 'fact' || entry.fact.kind !== 'adjustment') return entry;
  const { mm, askedMm, ...place } = entry.fact;
  if (place.corner === null || !corners[place.corner]?.air) return entry;
  const askedBar = askedMm === null ? null : askedMm * AIR_STEP_BAR;
  return { ...entry, fact: { ...place, kind: 'inflated', bar: mm * AIR_STEP_BAR, askedBar } };
}

/** An entry of any earlier version with its fact upgraded; anything else as it is. */
export function upgradedEntry(entry: unknown): unknown {
  if (!isPlain(entry) || entry.type !== 'fact') return entry;
  const fact = upgradedFact(entry.fact);
  return {
    ...entry,
    fact: isPlain(fact) && fact.kind === 'plan' ? { ...fact, told: toldInBar(fact.told) } : fact,
  };
}

/** The same for a list of them, and what was turned by air as the pressure that it was. */
export function upgradedEntries(entries: unknown): unknown {
  return Array.isArray(entries) ? inBar(entries) : entries;
}

/**
 * Air was once counted as a seat, in tenths of a bar under the name of mm. Where a plan told a corner a pressure to stop at, what
 * was told and what was done at that corner in that round is put in bar.
 */
function inBar(entries: readonly unknown[]): unknown[] {
  const aired = new Set(entries.flatMap((entry) => airedBy(factIn(entry))));
  return entries.map(upgradedEntry).map((entry) => {
    const fact = factIn(entry);
    if (!isPlain(entry) || !fact) return entry;
    const isAir = fact.kind === 'adjustment' && aired.has(`${String(fact.round)} ${String(fact.corner)}`);
    if (!isAir) return entry;
    const { mm, askedMm, ...rest } = fact;
    return { ...entry, fact: { ...rest, kind: 'inflated', bar: barOf(mm), askedBar: barOf(askedMm) } };
  });
}

const factIn = (entry: unknown): Plain | null =>
  isPlain(entry) && entry.type === 'fact' && isPlain(entry.fact) ? entry.fact : null;

/** Round and corner of everything that a plan of before told by its pressure. */
function airedBy(fact: Plain | null): string[] {
  const corners = fact?.kind === 'plan' && isPlain(fact.told) ? fact.told.corners : null;
  if (!isPlain(corners)) return [];
  return Object.entries(corners).flatMap(([id, told]) =>
    isToldAsSeat(told) ? [`${String(fact?.round)} ${id}`] : [],
  );
}

const isToldAsSeat = (told: unknown): told is Plain =>
  isPlain(told) && 'airToBar' in told && !('airByBar' in told);

function toldInBar(told: unknown): unknown {
  if (!isPlain(told) || !isPlain(told.corners)) return told;
  const corners = Object.entries(told.corners).map(([id, one]) => [
    id,
    isToldAsSeat(one) ? { ...one, seatMm: 0, turns: 0, airByBar: barOf(one.seatMm) } : one,
  ]);
  return { ...told, corners: Object.fromEntries(corners) };
}

const barOf = (tenths: unknown) => (typeof tenths === 'number' ? tenths * AIR_STEP_BAR : tenths);
