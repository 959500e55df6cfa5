import { referenceKinds } from '../geometry/reference.ts';
import { axleOf, cornerNames, twinOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { classDefaults } from '../kinds/classes/index.ts';
import { usualRatio, type Hung } from '../kinds/suspension.ts';
import { tolerances } from '../tolerances.ts';
import { stepOfCorner } from '../document/fitting.ts';
import type { JobDocument } from '../document/types.ts';

/** Where a figure comes from; every sum shows it. */
export type Source = 'measured' | 'sheet' | 'assumed' | 'learnt' | 'computed' | 'told';

export interface Sourced {
  value: number;
  source: Source;
}

/** A corner's description with nothing left open: what was not given is the class's value, marked as assumed. */
export interface CornerSpec {
  id: CornerId;
  offsetMm: number;
  targetMm: number | null;
  ratio: Sourced;
  pitchMm: Sourced;
  travelMm: Sourced;
  stopMm: Sourced;
  /** Smallest seat movement that is told. */
  stepMm: Sourced;
  /** +1 when the collar reading grows as the seat moves towards the spring, else -1. */
  readingSign: 1 | -1;
  collarMinMm: number | null;
  collarMaxMm: number | null;
  /** Thread left towards the spring, and away from it, as the seat stood at the baseline. */
  threadUpMm: number | null;
  threadDownMm: number | null;
}

/** How a corner is hung and measured, which decides what its ratio may be. */
export function hungAt({ machine, corners }: JobDocument, id: CornerId): Hung {
  const { suspension, reference } = corners[id];
  const { follows, showsSag } = referenceKinds[reference.kind];
  return {
    machineClass: machine.class,
    axle: axleOf(id),
    suspension,
    alongLeg: follows === 'damper' || showsSag,
  };
}

/** The ratio assumed of a corner until somebody gives one: the middle of what its suspension, or its class, may have. */
export function assumedRatio(document: JobDocument, id: CornerId): number {
  return usualRatio(hungAt(document, id));
}

/** Fills one corner's description. */
export function cornerSpec(document: JobDocument, id: CornerId): CornerSpec {
  const corner = document.corners[id];
  const assumed = classDefaults[document.machine.class];
  const axle = axleOf(id);
  return {
    id,
    offsetMm: corner.reference.offsetMm,
    targetMm: corner.targetMm,
    ratio: given(corner.ratio, assumedRatio(document, id)),
    pitchMm: given(corner.pitchMm, assumed.pitchMm),
    travelMm: given(corner.travelMm, assumed.travelMm[axle]),
    stopMm: given(corner.stopMm, assumed.stopMm),
    stepMm: given(stepOfCorner(corner), (corner.pitchMm ?? assumed.pitchMm) * tolerances.turnStep),
    readingSign: corner.collar.grows === 'with-seat' ? 1 : -1,
    collarMinMm: corner.collar.minMm,
    collarMaxMm: corner.collar.maxMm,
    threadUpMm: corner.threadUpMm,
    threadDownMm: corner.threadDownMm,
  };
}

/** A given value, or the assumed one marked as such. */
function given(value: number | null, assumed: number): Sourced {
  return value === null ? { value: assumed, source: 'assumed' } : { value, source: 'sheet' };
}

/** Corners that share one ratio: both of an axle told once, by the left one. */
export interface GainGroup {
  id: CornerId;
  title: string;
}

/** Where a job's ratios are told: an axle with two sides once, anything else by itself. */
export function gainGroups(document: JobDocument): GainGroup[] {
  return cornersIn(document).flatMap((id): GainGroup[] => {
    const twin = twinOf(id);
    if (!twin) return [{ id, title: cornerNames[id] }];
    return id.startsWith('L') ? [{ id, title: axleOf(id) }] : [];
  });
}

/** The corners that a group tells once. */
export function sidesOf({ id }: GainGroup): [CornerId, ...CornerId[]] {
  const twin = twinOf(id);
  return twin ? [id, twin] : [id];
}

/** The tolerance of a job: its own or the class's. */
export function toleranceOf(document: JobDocument): Sourced {
  return given(document.toleranceMm, classDefaults[document.machine.class].toleranceMm);
}
