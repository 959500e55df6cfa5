import type { RatioDescription } from '#core/geometry/ratioMap.ts';

export type RatioKind = 'one' | 'table' | 'levers' | 'linkage';

export const ratioKindWords: Record<RatioKind, string> = {
  one: 'one number',
  table: 'measured pairs',
  levers: 'two levers and an angle',
  linkage: 'a linkage',
};

export const ratioKinds = Object.keys(ratioKindWords) as RatioKind[];

export const ratioKindOf = (from: Pick<RatioDescription, 'kind'> | null): RatioKind =>
  from && from.kind !== 'constant' ? from.kind : 'one';

/** An ordinary swing arm, mm. */
const ARM_MM = 560;

/** What to type over: the one ratio (damper per wheel, over a travel in mm) said in the new way; null for one number. */
export function startOf(kind: RatioKind, ratio: number, travelMm: number): RatioDescription | null {
  switch (kind) {
    case 'table':
      return {
        kind,
        rows: [
          [0, 0],
          [travelMm, Math.round(10 * travelMm * ratio) / 10],
        ],
      };
    case 'levers':
      return { kind, damperLeverMm: Math.round(400 * ratio), wheelLeverMm: 400, damperAngleDeg: 90 };
    case 'linkage': {
      const reach = Math.round(ARM_MM * ratio);
      return {
        kind,
        armPivot: [0, 0],
        axle: [-ARM_MM, 0],
        linkOnArm: [-reach, -20],
        rockerPivot: [0, -150],
        linkOnRocker: [-reach, -150],
        damperOnRocker: [-reach, -130],
        damperOnFrame: [-reach, 190],
      };
    }
    default:
      return null;
  }
}
