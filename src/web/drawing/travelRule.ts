import type { LengthSystem } from '#core/units/parseLength.ts';
import { MM_PER_INCH } from '#core/units/formatLength.ts';

export interface Tick {
  mm: number;
  label: string | null;
}

/** Ticks of a ruler from 0 to `travelMm` in the reader's system: every 10 mm or half inch, labelled every 50 mm or 2 in. */
export function rulerTicks(travelMm: number, system: LengthSystem): Tick[] {
  const step = system === 'mm' ? 10 : MM_PER_INCH / 2;
  const perLabel = system === 'mm' ? 5 : 4;
  const count = Math.floor(travelMm / step + 1e-9);
  return Array.from({ length: count + 1 }, (_, i) => ({
    mm: i * step,
    label: i % perLabel === 0 ? String(Math.round((i * step) / (system === 'mm' ? 1 : MM_PER_INCH))) : null,
  }));
}

/** What a travel rule shows, all in mm of wheel travel from full droop. */
export interface TravelRuleData {
  travelMm: number;
  stopMm: number;
  nowMm: number | null;
  targetMm: number | null;
  /** After the plan, with its band (two standard deviations). */
  afterMm: number | null;
  bandMm: number;
  toleranceMm: number;
  /** Sag window, mm of travel used. */
  window: { fromMm: number; toMm: number } | null;
  /** Where the rule's zero comes from. */
  zeroAssumed: boolean;
}

/** The rule in words, for those who do not see it. */
export function ruleWords(name: string, data: TravelRuleData, say: (mm: number) => string): string {
  const parts = [
    `${name}: wheel travel 0 to ${say(data.travelMm)}, bump stop from ${say(data.travelMm - data.stopMm)}`,
    data.nowMm === null ? null : `now at ${say(data.nowMm)}${data.zeroAssumed ? ' (assumed)' : ''}`,
    data.window === null ? null : `sag window ${say(data.window.fromMm)} to ${say(data.window.toMm)}`,
    data.targetMm === null ? null : `target at ${say(data.targetMm)}`,
    data.afterMm === null ? null : `after the plan ${say(data.afterMm)}, give or take ${say(data.bandMm)}`,
  ];
  return parts.filter(Boolean).join('; ');
}
