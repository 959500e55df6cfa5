import type { MachineClass } from '#core/machine/classes.ts';

/** One step of a body's edge: x to the rear from the middle of the wheelbase, y up from the line through both arch lips, mm; an arch ends there with its radius. */
type Edge = ['M' | 'L', number, number] | ['A', number, number, number];

/** How a class looks from the side, nose to the left. */
interface SideProfile {
  /** Reach beyond the axles, mm. */
  nose: number;
  tail: number;
  /** Roof over the line of the arches, mm. */
  topMm: number;
  /** Outline with arches of these radii. */
  body: (arch: { front: number; rear: number }) => Edge[];
  /** Lines of glass or cage. */
  glass: string[];
}

interface Shape {
  nose: number;
  tail: number;
  /** Sill, bonnet and roof over the arch lips, as shares of the wheelbase. */
  sill: number;
  bonnet: number;
  roof: number;
  /** Foot of the windscreen, front and rear end of the roof, foot of the rear glass: shares of the wheelbase from the front axle. */
  screen: readonly [number, number, number, number];
  /** Edge of the bed or boot over the arch lips. */
  deck: number;
}

const shapes: Partial<Record<MachineClass, Shape>> = {
  car: { nose: 0.3, tail: 0.3, sill: -0.17, bonnet: 0.06, roof: 0.25, screen: [0.2, 0.42, 0.78, 1.1], deck: 0.1 },
  truck: { nose: 0.24, tail: 0.34, sill: -0.12, bonnet: 0.1, roof: 0.27, screen: [0.16, 0.32, 0.6, 0.66], deck: 0.09 },
  'side-by-side': { nose: 0.19, tail: 0.17, sill: -0.1, bonnet: 0.1, roof: 0.38, screen: [0.22, 0.36, 0.8, 0.98], deck: 0.08 },
}; // prettier-ignore

/** Side profile of a four-wheeled class on a wheelbase in mm; a car's where the class has none of its own. */
export function sideProfile(machineClass: MachineClass, base: number): SideProfile {
  const shape = shapes[machineClass] ?? (shapes.car as Shape);
  const half = base / 2;
  const [nose, tail] = [shape.nose * base, shape.tail * base];
  const at = (share: number) => -half + share * base;
  const [sill, bonnet, roof, deck] = [shape.sill, shape.bonnet, shape.roof, shape.deck].map(
    (s) => s * base,
  ) as [number, number, number, number];
  const [foot, roofFront, roofRear, rearFoot] = shape.screen;
  return {
    nose,
    tail,
    topMm: roof,
    body: (arch) => [
      ['M', -half - nose, sill * 0.7],
      ['L', -half - nose, bonnet * 0.5],
      ['L', -half - nose * 0.7, bonnet * 0.85],
      ['L', at(foot), bonnet],
      ['L', at(roofFront), roof],
      ['L', at(roofRear), roof],
      ['L', at(rearFoot), deck],
      ['L', half + tail, deck * 0.9],
      ['L', half + tail, sill * 0.6],
      ['L', half + arch.rear, -arch.rear],
      ['A', half - arch.rear, -arch.rear, arch.rear],
      ['L', half - arch.rear, Math.min(sill, -arch.rear)],
      ['L', -half + arch.front, Math.min(sill, -arch.front)],
      ['L', -half + arch.front, -arch.front],
      ['A', -half - arch.front, -arch.front, arch.front],
    ],
    glass: [
      `M${at(foot) + 60} ${-bonnet - 15}L${at(roofFront) + 20} ${-roof + 50}H${at(roofRear) - 20}L${at(rearFoot) - 90} ${-deck - 15}Z`,
    ],
  };
}
