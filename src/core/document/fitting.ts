import type { Footing } from '../geometry/reference.ts';
import { axleOf, cornersIn, type CornerId } from '../machine/body.ts';
import type { Axle } from '../machine/classes.ts';
import type { CornerDocument, Fitting, JobDocument, MountDocument } from './types.ts';

interface FittingFacts {
  title: string;
  /** What moving it does, in one line. */
  does: string;
  /** Where it is met. */
  on: readonly Footing[];
  /** Only at one end of a machine that stands on two wheels. */
  bikeEnd?: 'front' | 'rear';
  /** What one step of it is called; null where it turns on a thread. */
  step: { one: string; many: string } | null;
}

const groove = { one: 'groove', many: 'grooves' };

export const fittings: Record<Fitting, FittingFacts> = {
  seat: { title: 'seat collar', does: 'sets height and preload together', on: ['wheels', 'sleds', 'bikes'], bikeEnd: 'rear', step: null },
  mount: { title: 'seat and lower mount', does: 'the mount sets height alone, the seat preload too', on: ['wheels'], step: null },
  apart: { title: 'spring apart on the arm', does: 'the seat moves the spring only, at its own ratio', on: ['wheels'], step: null },
  grooves: { title: 'seat on grooves', does: 'goes in fixed steps', on: ['wheels', 'bikes'], bikeEnd: 'rear', step: groove },
  strut: { title: 'strut, seat read from its hole', does: 'a seat whose place is read from the mounting hole’s centre', on: ['wheels'], step: null },
  leaf: { title: 'leaf pack', does: 'a leaf more lifts by what was measured', on: ['wheels'], step: { one: 'leaf', many: 'leaves' } },
  cam: { title: 'torsion spring, cam', does: 'goes from position to position', on: ['sleds'], step: null },
  air: { title: 'air pressure', does: 'more air lifts and stiffens', on: ['wheels', 'sleds', 'bikes'], step: null },
  cap: { title: 'fork cap', does: 'sets preload, and with it height', on: ['bikes'], bikeEnd: 'front', step: null },
  spacer: { title: 'preload spacers', does: 'cut or added, a few millimetres at a time', on: ['bikes'], bikeEnd: 'front', step: { one: 'spacer', many: 'spacers' } },
  clamp: { title: 'fork cap, tubes in the clamps', does: 'tubes set height alone, the cap preload too', on: ['bikes'], bikeEnd: 'front', step: null },
  fixed: { title: 'fixed', does: 'nothing is moved', on: ['wheels', 'sleds', 'bikes'], step: null },
}; // prettier-ignore

/** The fittings met at a corner of a machine that stands so. */
export function fittingsAt(footing: Footing, id: CornerId): Fitting[] {
  return (Object.keys(fittings) as Fitting[]).filter((kind) => {
    const { on, bikeEnd } = fittings[kind];
    return on.includes(footing) && (footing !== 'bikes' || !bikeEnd || bikeEnd === axleOf(id));
  });
}

/** Whether the seat turns on a thread. */
export function isTurned(kind: Fitting): boolean {
  return fittings[kind].step === null && !['cam', 'air', 'fixed'].includes(kind);
}

/** Whether a corner goes in steps and nobody has said how far one goes: it cannot be planned then. */
export function lacksStep({ fitting, stepMm }: Pick<CornerDocument, 'fitting' | 'stepMm'>): boolean {
  return fittings[fitting].step !== null && stepMm === null;
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
  'fitting' | 'adjustable' | 'torsion' | 'cam' | 'air' | 'mount' | 'stepMm' | 'springRatio'
>;

/** A lower mount, or tubes in their clamps, of which only the pitch is known: until that is given there is none to turn. */
export function mountOfPitch(pitchMm: number): MountDocument {
  return { pitchMm, threadMm: null, engagedMm: null, leastMm: null, mostMm: null };
}

/** Whether a fitting has a lower mount, or tubes in their clamps, beside its seat. */
export function hasMount(kind: Fitting): boolean {
  return kind === 'mount' || kind === 'clamp';
}

/**
 * What changes in a corner's description when another fitting is chosen. What only somebody at the machine can know (a
 * groove's step, a leaf's lift, a mount's pitch, a ratio) stays empty and counts for nothing until it is given.
 */
export function fittingFields(kind: Fitting): Fields {
  const none: Fields = {
    fitting: kind,
    adjustable: kind !== 'fixed',
    torsion: null,
    cam: null,
    air: null,
    mount: null,
    stepMm: null,
    springRatio: null,
  };
  switch (kind) {
    case 'leaf':
      // A leaf sits on the axle, whatever the damper's own ratio is.
      return { ...none, springRatio: 1 };
    case 'cam':
      return {
        ...none,
        cam: 0,
        torsion: {
          rateNMmPerDeg: 1800,
          count: 2,
          leverMm: 120,
          camDegrees: [20, 30, 40, 50],
          mostDegrees: null,
        },
      };
    case 'air':
      return {
        ...none,
        air: { gaugeBar: 4, volumeCm3: 220, areaMm2: 1000, exponent: 1.1, second: null },
      };
    default:
      return none;
  }
}

/**
 * The end that is hard to get at: as somebody said, else the one where every spring stands apart from its damper on the arm
 * while the other end has none that does.
 */
export function hardEndOf(document: JobDocument): Axle | null {
  if (document.hardEnd !== null) return document.hardEnd;
  const isApart = (axle: Axle) => {
    const own = cornersIn(document).filter((id) => axleOf(id) === axle);
    return own.length > 0 && own.every((id) => document.corners[id].fitting === 'apart');
  };
  const [front, rear] = [isApart('front'), isApart('rear')];
  if (front === rear) return null;
  return front ? 'front' : 'rear';
}
