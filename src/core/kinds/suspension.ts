import type { Axle, MachineClass } from '../machine/classes.ts';

/** How a wheel, ski or arm is hung: it decides what share of the wheel's travel the damper makes. */
export const suspensionTypes = [
  'strut',
  'double-wishbone',
  'solid-axle',
  'axle-inboard',
  'trailing-arm',
  'apart-on-arm',
  'a-arms',
  'fork',
  'linkage',
  'swing-arm',
  'ski-arms',
  'skid-arms',
] as const;
export type SuspensionType = (typeof suspensionTypes)[number];

/** Least and most damper travel per wheel travel that is usually met. */
export type RatioRange = readonly [number, number];

type Met = Partial<Record<SuspensionType, RatioRange>>;

const strut: RatioRange = [0.9, 1];
const doubleWishbone: RatioRange = [0.5, 0.75];
const solidAxle: RatioRange = [0.85, 1];
// Springs set well inside the wheels.
const axleInboard: RatioRange = [0.6, 0.85];
const trailingArm: RatioRange = [0.5, 0.9];
const apartOnArm: RatioRange = [0.5, 0.8];
const longTrailingArm: RatioRange = [0.5, 0.95];
const aArms: RatioRange = [0.45, 0.65];
// Along the leg, and against heights straight up, of which a sloping leg makes more.
const fork: RatioRange = [0.98, 1.02];
const forkAgainstHeight: RatioRange = [1.08, 1.14];
const linkage: RatioRange = [0.35, 0.55];
const swingArm: RatioRange = [0.65, 0.95];

const bike: Record<Axle, Met> = {
  front: { fork },
  rear: { linkage, 'swing-arm': swingArm },
};

/** The suspensions met on each class, by axle, with damper travel per wheel travel. Source: what is usual in the trade. */
export const suspensionsMet: Record<MachineClass, Record<Axle, Met>> = {
  car: {
    front: { strut, 'double-wishbone': doubleWishbone, 'apart-on-arm': apartOnArm },
    rear: {
      strut,
      'double-wishbone': doubleWishbone,
      'solid-axle': solidAxle,
      'trailing-arm': trailingArm,
      'apart-on-arm': apartOnArm,
    },
  },
  truck: {
    front: { strut, 'double-wishbone': doubleWishbone, 'solid-axle': solidAxle },
    rear: { 'solid-axle': solidAxle, 'axle-inboard': axleInboard },
  },
  'side-by-side': {
    front: { 'a-arms': aArms },
    rear: { 'a-arms': aArms, 'trailing-arm': longTrailingArm },
  },
  snowmobile: {
    front: { 'ski-arms': [0.55, 0.8] },
    rear: { 'skid-arms': [0.45, 0.65] },
  },
  motorcycle: bike,
  'dual-purpose': bike,
  scooter: { front: { fork }, rear: { 'swing-arm': swingArm } },
};

/** How often a suspension is met beside the others of its axle, which count 1 each. */
export const commonness: Partial<Record<SuspensionType, number>> = {
  'apart-on-arm': 0.4,
  'axle-inboard': 0.4,
};

/** The suspensions that an axle of a class may have, in the order they are offered. */
export function suspensionsOf(machineClass: MachineClass, axle: Axle): SuspensionType[] {
  return Object.keys(suspensionsMet[machineClass][axle]) as SuspensionType[];
}

/** How a corner is hung and measured. */
export interface Hung {
  machineClass: MachineClass;
  axle: Axle;
  suspension: SuspensionType | null;
  /** Whether its reference is read along the leg or shaft. */
  alongLeg: boolean;
}

/** The range of a suspension; of all that the axle may have where none is picked, or it is not one of them. */
export function ratioRange({ machineClass, axle, suspension, alongLeg }: Hung): RatioRange {
  const met = suspensionsMet[machineClass][axle];
  const only = suspensionsOf(machineClass, axle);
  const known = suspension ?? (only.length === 1 ? only[0] : undefined);
  const own = known === undefined ? undefined : met[known];
  if (own) return known === 'fork' && !alongLeg ? forkAgainstHeight : own;
  const all = Object.values(met);
  return [Math.min(...all.map(([low]) => low)), Math.max(...all.map(([, high]) => high))];
}

/** Middle of a range on the logarithm, to the hundredth. */
export function middleOf([low, high]: RatioRange): number {
  return Math.round(100 * Math.sqrt(low * high)) / 100;
}

/** The ratio assumed of a corner until somebody gives one: the middle of what its suspension, or its class, may have. */
export function usualRatio(hung: Hung): number {
  return middleOf(ratioRange(hung));
}

/** Whether a suspension is met on an axle of a class. */
export function isMetOn(machineClass: MachineClass, axle: Axle, suspension: SuspensionType): boolean {
  return suspensionsMet[machineClass][axle][suspension] !== undefined;
}
