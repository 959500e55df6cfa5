import { springWhich, type Which } from '../document/which.ts';
import { GRAVITY } from '../machine/solver.ts';
import type { CornerModel } from '../machine/corner.ts';
import { caseTravel, type Bench } from './setup.ts';
import { bisect } from '../numerics/bisect.ts';

/** One wheel against its travel. Arrays run alike, from full droop to the end of travel. */
export interface LabCurve {
  travelMm: number[];
  /** At the wheel. */
  forceN: number[];
  rateNPerMm: number[];
  /** Natural frequency of the load at ride height, Hz. */
  frequencyHz: number[];
}

/** Where something happens in the travel. */
export type LabMark = Marked & { travelMm: number; forceN: number };

type Marked =
  | { kind: 'case'; name: string }
  | { kind: 'ring'; number: number }
  | { kind: 'tender' | 'bind'; which: Which }
  | { kind: 'stop' }
  /** The end of travel, by its springs or by metal. */
  | { kind: 'end'; solid: boolean };

const POINTS = 160;
/** mm on either side of a kink: rate jumps there. */
const BESIDE = 1e-6;

/** Natural frequency in Hz of a mass in kg on a wheel rate in N/mm: f = sqrt(1000 K / m) / 2 pi. */
export function frequencyHz(rateNPerMm: number, kg: number): number {
  return Math.sqrt(Math.max(1000 * rateNPerMm, 0) / kg) / (2 * Math.PI);
}

/** Force, wheel rate and frequency over the whole travel, with a point on either side of every kink. */
export function labCurve(bench: Bench): LabCurve {
  const { model, setup } = bench;
  const end = model.zMax;
  const kinks = labMarks(bench)
    .filter(({ kind }) => kind !== 'case')
    .flatMap(({ travelMm }) => [travelMm - BESIDE, travelMm + BESIDE]);
  const even = Array.from({ length: POINTS + 1 }, (_, i) => (end * i) / POINTS);
  const travelMm = [...even, ...kinks].filter((z) => z >= 0 && z <= end).sort((a, b) => a - b);
  const kg = setup.cases[0]?.kg ?? NaN;
  const curve: LabCurve = { travelMm, forceN: [], rateNPerMm: [], frequencyHz: [] };
  for (const z of travelMm) {
    model.evaluate(z);
    curve.forceN.push(model.forceN);
    curve.rateNPerMm.push(model.rateNPerMm);
    curve.frequencyHz.push(frequencyHz(model.rateNPerMm, kg));
  }
  return curve;
}

/** Where each load case rests and where ring, tender, coil bind, stop and the end of travel come, in order of travel. */
export function labMarks(bench: Bench): LabMark[] {
  const { model, setup } = bench;
  const at = (marked: Marked, travelMm: number): LabMark => {
    model.evaluate(travelMm);
    return { ...marked, travelMm, forceN: model.forceN };
  };
  const cases = setup.cases.map(({ name }, k) => at({ kind: 'case', name }, caseTravel(bench, k)));
  const events = (model.stack?.events ?? []).flatMap(({ kind, index, compressionMm }) => {
    const z = travelAtCompression(model, compressionMm);
    if (z === null) return [];
    if (kind === 'ring') return [at({ kind: 'ring', number: index + 1 }, z)];
    const spring = setup.springs[index];
    const which = springWhich(spring?.name, index);
    return [at({ kind: spring?.tender ? 'tender' : 'bind', which }, z)];
  });
  const stop = setup.stop ? [at({ kind: 'stop' }, setup.travelMm - setup.stop.leftMm)] : [];
  const marks = [...cases, ...events, ...stop.filter(({ travelMm }) => travelMm <= model.zMax)];
  const bound = model.zMax < setup.travelMm - 1e-6;
  return [...marks, at({ kind: 'end', solid: bound }, model.zMax)].sort((a, b) => a.travelMm - b.travelMm);
}

/** Wheel travel in mm at which the stack is so compressed; null where that lies outside the travel. */
export function travelAtCompression(model: CornerModel, compressionMm: number): number | null {
  const wanted = compressionMm - model.preloadMm;
  if (wanted < 0 || wanted > model.springAt(model.zMax) + 1e-9) return null;
  return bisect(0, model.zMax, (z) => model.springAt(z) < wanted);
}

/** What the springs can take in before metal, without what the damper adds. */
export interface Bottoming {
  /** J at the wheel from ride height to the end of travel. */
  fromRideJ: number;
  /** Height in mm of a fall, wheel hanging, that just uses up the travel; null where even standing on it does. */
  dropMm: number | null;
}

/**
 * Resistance to bottoming. From rest at z0: E = U(zMax) - U(z0). A mass that falls by h before the wheel, hanging, meets
 * the ground gives m g (h + zMax) by the end of travel, all of it taken in: h = (U(zMax) - U(0)) / (m g) - zMax.
 */
export function bottoming(bench: Bench): Bottoming {
  const { model, setup } = bench;
  const end = model.zMax;
  const weightN = (setup.cases[0]?.kg ?? NaN) * GRAVITY;
  const drop = (model.energy(end) - model.energy(0)) / weightN - end;
  return {
    fromRideJ: (model.energy(end) - model.energy(caseTravel(bench))) / 1000,
    dropMm: drop > 0 ? drop : null,
  };
}
