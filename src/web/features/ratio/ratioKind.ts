import type { LinkageDescription } from '#core/geometry/linkage.ts';
import type { RatioDescription } from '#core/geometry/ratioMap.ts';

export type RatioKind = 'one' | 'table' | 'levers' | 'linkage';

export const ratioKindWords: Record<RatioKind, string> = {
  one: 'constant',
  table: 'table',
  levers: 'two lengths and an angle',
  linkage: 'a linkage',
};

export const ratioKinds = Object.keys(ratioKindWords) as RatioKind[];

export const ratioKindOf = (from: Pick<RatioDescription, 'kind'> | null): RatioKind =>
  from && from.kind !== 'constant' ? from.kind : 'one';

/** An ordinary swing arm, mm. */
const ARM_MM = 560;

/** An ordinary swing arm with its rocker for one ratio, damper per wheel: what is drawn until its own places are typed. */
export function exampleLinkage(ratio: number): LinkageDescription {
  const reach = Math.round(ARM_MM * ratio);
  return {
    armPivot: [0, 0],
    axle: [-ARM_MM, 0],
    linkOnArm: [-reach, -20],
    rockerPivot: [0, -150],
    linkOnRocker: [-reach, -150],
    damperOnRocker: [-reach, -130],
    damperOnFrame: [-reach, 190],
  };
}
