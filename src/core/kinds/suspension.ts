import { classDefaults, type MachineClass } from './classes/index.ts';
import type { Axle } from './corners.ts';
import { forkAgainstHeight } from './ratioRanges.ts';
import type { RatioRange, SuspensionType } from './suspensionTypes.ts';

/** How often a suspension is met beside the others of its axle, which count 1 each. */
export const commonness: Partial<Record<SuspensionType, number>> = {
  'apart-on-arm': 0.4,
  'axle-inboard': 0.4,
};

/** The suspensions that an axle of a class may have, in the order they are offered. */
export function suspensionsOf(machineClass: MachineClass, axle: Axle): SuspensionType[] {
  return Object.keys(classDefaults[machineClass].suspensions[axle]) as SuspensionType[];
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
  const met = classDefaults[machineClass].suspensions[axle];
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
  return classDefaults[machineClass].suspensions[axle][suspension] !== undefined;
}
