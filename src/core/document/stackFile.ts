import { FaultList, type Checked } from '../faults.ts';
import { checkStack, Stack, type RingDescription, type StackEvent } from '../springs/stack.ts';
import { blankSpring, springFrom, type SpringDocument } from './spring.ts';

/** Springs one on another, as a file of their own. Springs and rings are counted from the seat outwards. */
export interface StackFile {
  schema: 'margin-stack';
  schemaVersion: 1;
  springs: SpringDocument[];
  rings: RingDescription[];
  /** Compression at full droop, mm. */
  preloadMm: number;
  /** Damper travel to list, mm. */
  strokeMm: number;
}

/** One line of a stack's table. */
interface StackRow {
  damperMm: number;
  forceN: number;
  rateNPerMm: number;
  energyJ: number;
  springsMm: number[];
}

export interface StackTable {
  rows: StackRow[];
  /** In the order they come; at damper travel, from full droop. */
  events: (StackEvent & { damperMm: number; spring: SpringDocument | null })[];
  /** Damper travel at which all springs are solid; null when not within the stroke. */
  solidAtMm: number | null;
}

/** Reads a stack file: every fault of it, or the file with what was left out filled in. */
export function readStackFile(input: unknown): Checked<StackFile> {
  const faults = new FaultList();
  const file = (typeof input === 'object' && input !== null ? input : {}) as Partial<StackFile>;
  if (file.schema !== 'margin-stack')
    faults.add('schema', file.schema, { be: 'one-of', values: ['margin-stack'] });
  if (file.schemaVersion !== 1)
    faults.add('schemaVersion', file.schemaVersion, { be: 'one-of', values: ['1'] });
  if (!Array.isArray(file.springs)) faults.add('springs', file.springs, { be: 'a-list' });
  if (file.rings !== undefined && !Array.isArray(file.rings))
    faults.add('rings', file.rings, { be: 'a-list' });
  if (faults.faults.length > 0) return { ok: false, faults: faults.faults };
  const whole: StackFile = {
    schema: 'margin-stack',
    schemaVersion: 1,
    springs: (file.springs ?? []).map((spring) => ({ ...blankSpring, ...spring })),
    rings: file.rings ?? [],
    preloadMm: file.preloadMm ?? 0,
    strokeMm: file.strokeMm ?? 0,
  };
  faults.number('preloadMm', whole.preloadMm, { min: -500, max: 1000 });
  faults.number('strokeMm', whole.strokeMm, { min: 0, above: true, max: 2000 });
  const springs = whole.springs.map((spring, i) => springFrom(`springs[${i}]`, spring, faults));
  if (springs.every((spring) => spring !== null))
    for (const fault of checkStack('', { springs, rings: whole.rings }))
      faults.faults.push({ ...fault, path: fault.path.replace(/^\./, '') });
  return faults.faults.length === 0 ? { ok: true, value: whole } : { ok: false, faults: faults.faults };
}

/** Force, rate and events of a read stack file against damper travel, every `stepMm`. */
export function stackTable(file: StackFile, stepMm: number): StackTable {
  const springs = file.springs.flatMap(
    (spring, i) => springFrom(`springs[${i}]`, spring, new FaultList()) ?? [],
  );
  const stack = new Stack({ springs, rings: file.rings });
  stack.build(file.preloadMm);
  const end = Math.min(file.strokeMm, stack.solidMm - file.preloadMm);
  const count = Math.floor(end / stepMm + 1e-9);
  const places = [
    ...Array.from({ length: count + 1 }, (_, i) => i * stepMm),
    ...(end - count * stepMm > 1e-9 ? [end] : []),
  ];
  return {
    rows: places.map((damperMm) => rowAt(stack, damperMm, file.preloadMm)),
    events: stack.events
      .map((event) => ({
        ...event,
        damperMm: event.compressionMm - file.preloadMm,
        spring: event.kind === 'ring' ? null : (file.springs[event.index] ?? null),
      }))
      .filter(({ damperMm }) => damperMm <= file.strokeMm),
    solidAtMm: stack.solidMm - file.preloadMm <= file.strokeMm ? stack.solidMm - file.preloadMm : null,
  };
}

function rowAt(stack: Stack, damperMm: number, preloadMm: number): StackRow {
  const x = damperMm + preloadMm;
  stack.evaluate(x);
  return {
    damperMm,
    forceN: stack.forceN,
    rateNPerMm: stack.rateNPerMm,
    energyJ: stack.energy(x) / 1000,
    springsMm: Array.from({ length: stack.size }, (_, i) => stack.springCompression(i, x)),
  };
}
