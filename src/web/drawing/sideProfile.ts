import type { MachineClass } from '#core/kinds/classes/index.ts';
import { classPictures } from './classes/index.ts';
import type { Shape } from './classes/picture.ts';

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

/** Side profile of a class on a wheelbase in mm; a car's where the class has none of its own. */
export function sideProfile(machineClass: MachineClass, base: number): SideProfile {
  const shape = classPictures[machineClass].side ?? (classPictures.car.side as Shape);
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
