import type { JobDocument, Json, SagLimits } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import { limitsOf, middleOf, schoolOf } from './schools.ts';

/** One change of a document: where, and to what. */
type Part = [path: string[], value: Json];

/** mm. What is aimed at is the middle of its window where it lies no further off. */
const SAME_MM = 0.01;

/**
 * What else changes where an end's travel is corrected: a window that is a share of it follows, and with it what is aimed at.
 * Windows that are somebody's own, in mm, stay.
 */
export function followingTravel(document: JobDocument, parts: readonly Part[]): Part[] {
  return parts.flatMap(([[corners, id, key, ...rest], value]): Part[] => {
    if (corners !== 'corners' || key !== 'travelMm' || rest.length > 0) return [];
    const corner = id as CornerId;
    const own = document.corners[corner];
    const then: JobDocument = {
      ...document,
      corners: { ...document.corners, [corner]: { ...own, travelMm: value as number | null } },
    };
    return (['rider', 'static'] as const).flatMap((of): Part[] => {
      const school = schoolOf(document, corner, of);
      const before = of === 'rider' ? own.sagWindow : own.staticWindow;
      if (school?.unit !== 'share of travel' || !before) return [];
      const after: SagLimits = limitsOf(then, corner, school);
      const window: Part = [['corners', corner, of === 'rider' ? 'sagWindow' : 'staticWindow'], { ...after }];
      const aimed = of === 'rider' && Math.abs((own.sagMm ?? NaN) - middleOf(before)) < SAME_MM;
      return aimed ? [window, [['corners', corner, 'sagMm'], middleOf(after)]] : [window];
    });
  });
}
