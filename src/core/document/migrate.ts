import { cornersOf } from '../machine/body.ts';
import { upgradedEntries } from './upgradeFact.ts';
import { machineClasses } from '../machine/classes.ts';
import { blankDocument } from './create.ts';
import { fittingFrom } from './fitting.ts';
import type { JobDocument } from './types.ts';

type Plain = Record<string, unknown>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const EARLIER: readonly unknown[] = [1, 2, 3, 4, 5, 6];

/**
 * A job document of any earlier version as one of this version; anything else is given back as it is, to be refused
 * where it is checked. Fields that are not known are kept.
 *
 * Version 2 added springs, loads and what they stand on; version 3 sag, cross weight, cams, air, gaps of rings and what
 * earlier jobs have taught; version 4 fittings by name, the floor, shaft joints, the skid and what springs have lost; version 5
 * riders and static sag windows; version 6 scales, stance, links of bars and clearances by tables; version 7 how each
 * corner is hung. All of it was not known before, so blanks are right.
 */
export function migrateDocument(document: unknown): JobDocument {
  if (!isPlain(document) || document.schema !== 'margin-job') return document as unknown as JobDocument;
  return (EARLIER.includes(document.schemaVersion) ? filled(document) : document) as unknown as JobDocument;
}

function filled(document: Plain): Plain {
  const machine = isPlain(document.machine) ? document.machine : {};
  const known = machineClasses.find((one) => one === machine.class);
  if (!known || !isPlain(document.corners)) return document;
  const blank = blankDocument(known, '');
  const corners = document.corners;
  return {
    ...blank,
    ...document,
    schemaVersion: 7,
    machine: {
      ...blank.machine,
      ...machine,
      ...(isPlain(machine.learnt) ? { learnt: { settled: {}, ...machine.learnt } } : {}),
    },
    steering: { ...blank.steering, ...(isPlain(document.steering) ? document.steering : {}) },
    ...(isPlain(document.bars) ? { bars: filledBars(document.bars) } : {}),
    corners: {
      ...corners,
      ...Object.fromEntries(
        cornersOf(known).map((id) => [
          id,
          isPlain(corners[id]) ? filledCorner(blank.corners[id], corners[id]) : corners[id],
        ]),
      ),
    },
  };
}

function filledBars(bars: Plain): Plain {
  return Object.fromEntries(
    Object.entries(bars).map(([axle, bar]) => [
      axle,
      isPlain(bar) ? { linkMm: null, linkPerWheel: null, ...bar } : bar,
    ]),
  );
}

function filledCorner(blank: JobDocument['corners']['LF'], corner: Plain): Plain {
  const { reference, rings, mount, clearances } = corner;
  const fitting = fittingFrom(corner);
  return {
    ...blank,
    fitting: fitting === 'seat' ? blank.fitting : fitting,
    ...corner,
    ...(isPlain(reference) ? { reference: { ...blank.reference, ...reference } } : {}),
    ...(Array.isArray(rings)
      ? { rings: rings.map((ring: unknown) => (isPlain(ring) ? { gapMm: null, ...ring } : ring)) }
      : {}),
    ...(Array.isArray(clearances)
      ? {
          clearances: clearances.map((one: unknown) =>
            isPlain(one) ? { atMm: null, rows: null, ...one } : one,
          ),
        }
      : {}),
    ...(isPlain(mount) ? { mount: { threadMm: null, ...mount } } : {}),
  };
}

/** A job file (or a job sent by an older page) with its document migrated, and its facts with fields of their own. */
export function migrateJob(job: unknown): unknown {
  return isPlain(job) && 'document' in job
    ? {
        ...job,
        document: migrateDocument(job.document),
        ...('entries' in job ? { entries: upgradedEntries(job.entries) } : {}),
      }
    : job;
}
