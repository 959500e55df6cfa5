/** How a ride height is measured. */
export type ReferenceKind = 'ground-chassis' | 'ground-arch' | 'hub-arch' | 'rim-arch';

export interface ReferenceFacts {
  title: string;
  /** Where to hold the tape. */
  how: string;
  /** Whether tyre size, pressure and an uneven floor move the reading. */
  seesTyres: boolean;
}

/** Every kind grows by 1 mm when the body rises 1 mm over its wheel. */
export const referenceKinds: Record<ReferenceKind, ReferenceFacts> = {
  'ground-chassis': {
    title: 'ground to chassis point',
    how: 'floor to the marked point, straight up',
    seesTyres: true,
  },
  'ground-arch': {
    title: 'ground to arch',
    how: 'floor to arch lip, over the wheel centre',
    seesTyres: true,
  },
  'hub-arch': { title: 'hub centre to arch', how: 'wheel centre to arch lip, straight up', seesTyres: false },
  'rim-arch': {
    title: 'rim edge to arch',
    how: 'lower rim edge through the centre to arch lip',
    seesTyres: false,
  },
};
