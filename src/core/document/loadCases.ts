import * as range from './description/ranges.ts';
import type { JobDocument, LoadDocument } from './types.ts';

/** What a load case has aboard, by load. */
export function aboardIn({ loads }: Pick<JobDocument, 'loads'>, loadCase: number): boolean[] {
  return loads.map(({ aboard }) => aboard[loadCase] ?? false);
}

/** Cases and loads, as they are to be, with the place of the case that is meant. */
export interface CaseFound {
  loadCase: number;
  cases: string[];
  loads: LoadDocument[];
}

/**
 * The load case with just this aboard, made where there is none; null where it would be one too many. Names of cases follow
 * from what is aboard.
 */
export function caseWith(
  { cases, loads }: Pick<JobDocument, 'cases' | 'loads'>,
  aboard: readonly boolean[],
): CaseFound | null {
  const known = cases.findIndex((_, k) =>
    aboardIn({ loads }, k).every((on, i) => on === (aboard[i] ?? false)),
  );
  if (known >= 0) return { loadCase: known, cases, loads };
  if (cases.length >= range.mostCases) return null;
  return {
    loadCase: cases.length,
    cases: [...cases, nameOf(loads, aboard)],
    loads: loads.map((load, i) => ({
      ...load,
      aboard: [...cases.map((_, k) => load.aboard[k] ?? false), aboard[i] ?? false],
    })),
  };
}

/** One more load, on or off while measuring now and as the targets are meant; in every other case it is not aboard. */
export function withLoad(
  { cases, loads }: Pick<JobDocument, 'cases' | 'loads'>,
  load: Omit<LoadDocument, 'aboard'>,
  forTargets: boolean,
): LoadDocument[] {
  return [...loads, { ...load, aboard: cases.map((_, k) => k === 1 && forTargets) }];
}

function nameOf(loads: readonly LoadDocument[], aboard: readonly boolean[]): string {
  const on = loads.filter((_, i) => aboard[i]).map(({ name }) => name);
  return (on.length === 0 ? 'nothing aboard' : `with ${on.join(', ')}`).slice(0, range.mostName);
}
