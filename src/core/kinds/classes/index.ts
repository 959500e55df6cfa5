import type { Fault, Want } from '../../faults.ts';
import type { Footing } from '../../geometry/reference.ts';
import { sideOf, type CornerId } from '../corners.ts';
import { car } from './car.ts';
import { dualPurpose } from './dualPurpose.ts';
import { motorcycle } from './motorcycle.ts';
import { quad } from './quad.ts';
import { scooter } from './scooter.ts';
import { sideBySide } from './sideBySide.ts';
import { snowmobile } from './snowmobile.ts';
import { truck } from './truck.ts';
import type { Machine } from './machine.ts';

/** Every class of machine, in the order they are offered. */
const classes = {
  car,
  truck,
  'side-by-side': sideBySide,
  quad,
  snowmobile,
  motorcycle,
  'dual-purpose': dualPurpose,
  scooter,
} satisfies Record<string, Machine>;

export type MachineClass = keyof typeof classes;

export const machineClasses = Object.keys(classes) as MachineClass[];

/** What is known of each class: assumed of a machine until somebody says better. */
export const classDefaults: Record<MachineClass, Machine> = classes;

/** The corners of a class in measuring order. */
export function cornersOf(machineClass: MachineClass): readonly CornerId[] {
  return classDefaults[machineClass].corners;
}

/** The corners of a job's machine in measuring order. */
export function cornersIn({ machine }: { machine: { class: MachineClass } }): readonly CornerId[] {
  return cornersOf(machine.class);
}

/** Whether it stands on wheels at its corners, on skis and a skid, or on two wheels in line. */
export function footingOf(machineClass: MachineClass): Footing {
  return classDefaults[machineClass].footing;
}

/** Whether rings between two springs are set on most machines of a class. */
export function ringsUsual(machineClass: MachineClass): boolean {
  return classDefaults[machineClass].ringsUsual;
}

/** Whether it stands on four wheels, left and right at both ends: what is told from four heights or four pads. */
export function standsOnFour(machineClass: MachineClass): boolean {
  const corners = cornersOf(machineClass);
  return corners.length === 4 && corners.every((id) => sideOf(id) !== 0);
}

/** What contradicts the class among the corners that a description names: one missing, or one that it cannot have. */
export function cornerFault(machineClass: MachineClass, named: readonly string[]): Fault | null {
  const corners: readonly string[] = cornersOf(machineClass);
  const missing = corners.find((id) => !named.includes(id));
  const want: Want = { be: 'corners-of', machine: classDefaults[machineClass].title, corners };
  if (missing) return { path: `corners.${missing}`, got: undefined, want };
  const strange = named.find((id) => !corners.includes(id));
  return strange === undefined ? null : { path: `corners.${strange}`, got: strange, want };
}
