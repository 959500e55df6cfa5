import type { Json, RatioDocument } from '#core/document/types.ts';
import { linkagePlaces, type LinkageDescription, type LinkagePlace } from '#core/geometry/linkage.ts';
import type { RatioDescription } from '#core/geometry/ratioMap.ts';

/** Ways of saying a ratio by figures that have names of their own. */
export type NamedKind = 'levers' | 'linkage';

/** Figures by name, mm or degrees; null where nothing is typed yet. Of a place first what is forward, then what is up. */
export type Figures = Readonly<Record<string, number | null>>;

/** Without these a way of saying a ratio says nothing. The angle of an arm may be left to what is usual. */
export const requiredParts: Record<NamedKind, readonly string[]> = {
  levers: ['damperLeverMm', 'wheelLeverMm'],
  linkage: linkagePlaces.flatMap((name) => [`${name}.0`, `${name}.1`]),
};

/** The figures of a ratio, each by its name. */
export function takenApart(ratio: RatioDescription | RatioDocument): Figures {
  switch (ratio.kind) {
    case 'levers': {
      const { damperLeverMm, wheelLeverMm, damperAngleDeg } = ratio;
      return { damperLeverMm, wheelLeverMm, damperAngleDeg };
    }
    case 'linkage':
      return {
        linkLongerMm: ratio.linkLongerMm ?? 0,
        ...Object.fromEntries(
          linkagePlaces.flatMap((name) => ratio[name].map((mm, k) => [`${name}.${k}`, mm])),
        ),
      };
    default:
      return {};
  }
}

/** A ratio from its figures, every one of `requiredParts` among them. */
export function putTogether(kind: NamedKind, figures: Readonly<Record<string, Json>>): RatioDocument {
  const number = (key: string) => Number(figures[key] ?? 0);
  if (kind === 'levers') {
    const { damperAngleDeg } = figures;
    return {
      kind,
      damperLeverMm: number('damperLeverMm'),
      wheelLeverMm: number('wheelLeverMm'),
      damperAngleDeg: typeof damperAngleDeg === 'number' ? damperAngleDeg : null,
    };
  }
  const linkLongerMm = number('linkLongerMm');
  return { kind, ...places(number), ...(linkLongerMm === 0 ? {} : { linkLongerMm }) };
}

/** The places of a linkage from their figures; of those not typed yet, where `example` has them. */
export function placesSoFar(figures: Figures, example: LinkageDescription): LinkageDescription {
  return places((key) => {
    const [name = '', axis = ''] = key.split('.');
    const place = linkagePlaces.find((one) => one === name);
    return figures[key] ?? (place ? (example[place][Number(axis)] ?? 0) : 0);
  });
}

function places(number: (key: string) => number): Record<LinkagePlace, [number, number]> {
  const place = (name: string): [number, number] => [number(`${name}.0`), number(`${name}.1`)];
  return {
    armPivot: place('armPivot'),
    axle: place('axle'),
    linkOnArm: place('linkOnArm'),
    rockerPivot: place('rockerPivot'),
    linkOnRocker: place('linkOnRocker'),
    damperOnRocker: place('damperOnRocker'),
    damperOnFrame: place('damperOnFrame'),
  };
}
