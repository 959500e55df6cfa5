import { axleOf, type CornerId } from '../kinds/corners.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { Axle } from '../kinds/corners.ts';
import type { MachineClass } from '../kinds/classes/index.ts';
import { adjusterOf, stepOf } from '../kinds/adjusters/index.ts';
import { blankFields } from './description/blank.ts';
import * as part from './description/parts.ts';
import type { CornerDocument, Fitting, JobDocument, MountDocument } from './types.ts';

/** Whether a corner goes in steps and nobody has said how far one goes: it cannot be planned then. */
export function lacksStep({ fitting, stepMm }: Pick<CornerDocument, 'fitting' | 'stepMm'>): boolean {
  return stepOf(fitting) !== null && stepMm === null;
}

/** What one step goes, mm: as it is known, or the middle of its range (as factors go); null where nobody said. */
export function stepOfCorner({
  stepMm,
  stepMostMm,
}: Pick<CornerDocument, 'stepMm' | 'stepMostMm'>): number | null {
  if (stepMm === null || stepMostMm === null || stepMostMm <= stepMm) return stepMm;
  return Math.sqrt(stepMm * stepMostMm);
}

/** Whether a corner's seat can be moved by a plan. */
export function canMove(corner: Pick<CornerDocument, 'fitting' | 'stepMm' | 'adjustable'>): boolean {
  return corner.adjustable && !lacksStep(corner);
}

/** What of a corner can be moved, told from how it was described before fittings had a name. */
export function fittingFrom(
  corner: Partial<Pick<CornerDocument, 'adjustable' | 'torsion' | 'air' | 'mount' | 'stepMm'>>,
): Fitting {
  if (corner.adjustable === false) return 'fixed';
  if (corner.torsion) return 'cam';
  if (corner.air) return 'air';
  if (corner.mount) return 'mount';
  return corner.stepMm ? 'grooves' : 'seat';
}

type Fields = Pick<
  CornerDocument,
  | 'fitting'
  | 'adjustable'
  | 'torsion'
  | 'cam'
  | 'air'
  | 'mount'
  | 'stepMm'
  | 'stepMostMm'
  | 'stepCount'
  | 'stepNow'
  | 'springRatio'
>;

/** Whether preload goes in at both legs of a fork, and so is told of both. */
export function isBothLegs({ corners }: JobDocument, id: CornerId): boolean {
  const { fitting, forkLegs } = corners[id];
  return adjusterOf(fitting).inFork && forkLegs === 2;
}

/** A lower mount, or tubes in their clamps, of which only the pitch is known: until that is given there is none to turn. */
export function mountOfPitch(pitchMm: number): MountDocument {
  return { pitchMm, threadMm: null, engagedMm: null, leastMm: null, mostMm: null };
}

/**
 * What changes in a corner's description when another fitting is chosen. What only somebody at the machine can know (a
 * groove's step, a leaf's lift, a mount's pitch, a torsion rate, a chamber's volume) stays blank until it is given.
 */
export function fittingFields(fitting: Fitting): Fields {
  const { goes, brings, springRatio } = adjusterOf(fitting);
  return {
    fitting,
    adjustable: goes.by !== 'nothing',
    torsion: brings === 'torsion' ? blankPart('torsion') : null,
    cam: null,
    air: brings === 'air' ? blankPart('air') : null,
    mount: null,
    stepMm: null,
    stepMostMm: null,
    stepCount: null,
    stepNow: null,
    springRatio: typeof springRatio === 'number' ? springRatio : null,
  };
}

/** A part of which nothing is known but that it is there. */
function blankPart<K extends 'torsion' | 'air'>(name: K): NonNullable<CornerDocument[K]> {
  const blank = blankFields(part[name].fields, { machineClass: ANY_CLASS, corner: null });
  return blank as unknown as NonNullable<CornerDocument[K]>;
}

/** Parts are blank alike in every class. */
const ANY_CLASS: MachineClass = 'car';

/**
 * The end that is hard to get at: as somebody said, else the one where every spring stands apart from its damper on the arm
 * while the other end has none that does.
 */
export function hardEndOf(document: JobDocument): Axle | null {
  if (document.hardEnd !== null) return document.hardEnd;
  const isApart = (axle: Axle) => {
    const own = cornersIn(document).filter((id) => axleOf(id) === axle);
    return (
      own.length > 0 && own.every((id) => adjusterOf(document.corners[id].fitting).springRatio === 'asked')
    );
  };
  const [front, rear] = [isApart('front'), isApart('rear')];
  if (front === rear) return null;
  return front ? 'front' : 'rear';
}
