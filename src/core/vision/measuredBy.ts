import type { ReferenceKind } from '../geometry/reference.ts';
import type { Measure } from './measures.ts';

/** What of a reference a picture of the wheel shows; null where its ends do not stand beside a wheel. */
export const measuredBy: Record<ReferenceKind, Measure | null> = {
  'hub-arch': 'hub',
  'axle-mark': 'hub',
  'rim-arch': 'rim',
  'tyre-arch': 'tyre',
  'ground-arch': 'floor',
  'ground-chassis': null,
  'bumper-ground': null,
  'clamp-axle': 'marks',
  shaft: 'marks',
  gauge: null,
};
