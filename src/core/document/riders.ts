import type { JobDocument, RiderDocument } from './types.ts';
import { assumedOf } from './description/assumed.ts';
import { rider as riderField } from './description/job.ts';
import { classDefaults, type MachineClass } from '../kinds/classes/index.ts';

/** share of the whole. Where a rider's weight sits: the share on the rear may be off by this. */
const RIDER_SHARE_SD = 0.05;
/** relative. Luggage, gear and fuel as somebody names them. */
const LUGGAGE_SD = 0.1;

/** A weight that comes and goes with a rider, placed in mm ahead of the middle of the wheelbase. */
export interface RiderMass {
  name: string;
  kg: number;
  xMm: number;
  /** One standard deviation, as a share. */
  sd: number;
  /** Aboard while sag is read with this rider on, and as he rides. */
  read: boolean;
  ride: boolean;
}

/** Pillion and luggage sit at or behind the rear axle. */
const PASSENGER_REAR = 0.92;
const LUGGAGE_REAR = 1.06;
const TANK_REAR = 0.45;
/** kg of fuel a litre. */
const FUEL_KG = 0.745;

/** A rider nobody has weighed, in gear: part of every class's assumed weight. */
export const ASSUMED_RIDER_KG = assumedOf(riderField.fields.kg);
/** relative. What riders nobody has weighed differ by. */
const UNWEIGHED_SD = 0.2;

/** Machines with riders: what a sag bench is for. */
export function isRidden(machineClass: MachineClass): boolean {
  return classDefaults[machineClass].rider !== null;
}

/** Share of a rider's weight on the rear. */
function rearShareOf({ machine }: JobDocument, { rearShare }: Pick<RiderDocument, 'rearShare'>): number {
  return rearShare ?? classDefaults[machine.class].rider?.rearShare ?? 0.5;
}

/**
 * What a rider adds to the machine, as masses. The rider stands as two of them, one over each end, so that readings can
 * find how the weight is shared; its total is known better than that.
 */
export function massesOf(document: JobDocument, rider: RiderDocument): RiderMass[] {
  const { sagRead } = document;
  const base = document.machine.wheelbaseMm ?? classDefaults[document.machine.class].wheelbaseMm;
  const at = (rear: number) => (0.5 - rear) * base;
  const rear = rearShareOf(document, rider);
  const body = Math.max((rider.kg ?? ASSUMED_RIDER_KG) - rider.gearKg, 1);
  const sd = (share: number) => Math.hypot(RIDER_SHARE_SD / share, rider.kg === null ? UNWEIGHED_SD : 0);
  const part = (name: string, kg: number, share: number, read: boolean): RiderMass[] =>
    kg > 0 ? [{ name: `${name}, ${rider.name}`, kg, xMm: at(share), sd: LUGGAGE_SD, read, ride: true }] : [];
  return [
    { name: `${rider.name}, front`, kg: body * (1 - rear), xMm: at(0), sd: sd(1 - rear), read: true, ride: true }, // oxfmt-ignore
    { name: `${rider.name}, rear`, kg: body * rear, xMm: at(1), sd: sd(rear), read: true, ride: true }, // oxfmt-ignore
    ...part('gear', rider.gearKg, rear, sagRead.gear),
    ...part('passenger', rider.passengerKg, PASSENGER_REAR, true),
    ...part('luggage', rider.luggageKg, LUGGAGE_REAR, sagRead.luggage),
  ];
}

/** Fuel that was missing from the tank while sag was read: aboard only as ridden. */
export function missingFuel(document: JobDocument): RiderMass[] {
  const { machine, sagRead, riders } = document;
  const kg = (machine.tankL ?? 0) * FUEL_KG * (1 - sagRead.fuel);
  if (kg <= 0 || riders.length === 0) return [];
  const base = machine.wheelbaseMm ?? classDefaults[machine.class].wheelbaseMm;
  const xMm = (0.5 - TANK_REAR) * base;
  return [{ name: 'fuel to full', kg, xMm, sd: LUGGAGE_SD, read: false, ride: true }];
}

/** kg of the machine without its riders, and the share of it on the front: given, or the class's less a rider. */
export function machineAlone(document: JobDocument): { kg: number; frontShare: number } {
  const { massKg, frontShare, class: machineClass } = document.machine;
  const assumed = classDefaults[machineClass];
  if (document.riders.length === 0)
    return { kg: massKg ?? assumed.massKg, frontShare: frontShare ?? assumed.frontShare };
  const kg = massKg ?? assumed.massKg - ASSUMED_RIDER_KG;
  const riderFront = 1 - rearShareOf(document, { rearShare: null });
  const whole = kg + ASSUMED_RIDER_KG;
  return { kg, frontShare: frontShare ?? (whole * assumed.frontShare - ASSUMED_RIDER_KG * riderFront) / kg };
}

/** The next free key of a rider's book. */
export function nextRiderKey(riders: readonly RiderDocument[]): string {
  return `r${1 + Math.max(0, ...riders.map(({ key }) => Number(key.slice(1))))}`;
}

/**
 * Riders with one more. The first that comes takes the rider's own weight out of a machine that was given with a rider on, so that
 * what stands on the wheels stays the same.
 */
export function withRider(
  document: JobDocument,
  rider: RiderDocument,
): Pick<JobDocument, 'riders'> & { massKg: number | null; frontShare: number | null } {
  const { massKg, frontShare } = document.machine;
  const riders = [...document.riders, rider];
  if (document.riders.length > 0 || massKg === null) return { riders, massKg, frontShare };
  const on = massesOf(document, rider).filter(({ read }) => read);
  const kg = on.reduce((sum, one) => sum + one.kg, 0);
  const alone = Math.max(massKg - kg, 20);
  const base = document.machine.wheelbaseMm ?? classDefaults[document.machine.class].wheelbaseMm;
  const onFront = on.reduce((sum, one) => sum + one.kg * (0.5 + one.xMm / base), 0);
  const share = (massKg * (frontShare ?? classDefaults[document.machine.class].frontShare) - onFront) / alone;
  return {
    riders,
    massKg: Math.round(alone * 10) / 10,
    frontShare: Math.min(Math.max(Math.round(share * 1000) / 1000, 0.05), 0.95),
  };
}
