import { bisect } from '../numerics/bisect.ts';

/** What a machine stands on, as far as measuring goes: four wheels, two skis and a skid, or two wheels. */
export type Footing = 'wheels' | 'sleds' | 'bikes';

/** How a ride height is measured. */
export type ReferenceKind =
  | 'ground-chassis'
  | 'ground-arch'
  | 'hub-arch'
  | 'rim-arch'
  | 'tyre-arch'
  | 'axle-mark'
  | 'bumper-ground'
  | 'shaft'
  | 'clamp-axle'
  | 'gauge';

export interface ReferenceFacts {
  title: string;
  /** Where to hold the tape. */
  how: string;
  /** What it loses as the suspension is used: the body's own height, wheel travel, or damper travel. */
  follows: 'body' | 'travel' | 'damper';
  /** Machines it is met on. */
  on: readonly Footing[];
  /** Whether it shows the sag itself, zeroed fully extended: it stands on the sag bench alone, and grows as the body sinks. */
  showsSag: boolean;
}

/** Kinds that follow the body or the travel grow by 1 mm when the body rises 1 mm over its wheel, the shaft by the ratio. */
export const referenceKinds: Record<ReferenceKind, ReferenceFacts> = {
  'ground-chassis': {
    title: 'ground to chassis point',
    how: 'floor to the marked point, straight up',
    follows: 'body',
    on: ['wheels', 'sleds', 'bikes'],
    showsSag: false,
  },
  'ground-arch': {
    title: 'ground to arch',
    how: 'floor to arch lip, over the wheel centre',
    follows: 'body',
    on: ['wheels'],
    showsSag: false,
  },
  'hub-arch': {
    title: 'hub centre to arch',
    how: 'wheel centre to arch lip, straight up',
    follows: 'travel',
    on: ['wheels'],
    showsSag: false,
  },
  'rim-arch': {
    title: 'rim edge to arch',
    how: 'lower rim edge through the centre to arch lip',
    follows: 'travel',
    on: ['wheels'],
    showsSag: false,
  },
  'tyre-arch': {
    title: 'tyre to arch gap',
    how: 'top of the tyre to arch lip, straight up',
    follows: 'travel',
    on: ['wheels'],
    showsSag: false,
  },
  'axle-mark': {
    title: 'axle to mark',
    how: 'axle centre to a mark above it on the tail',
    follows: 'travel',
    on: ['bikes'],
    showsSag: false,
  },
  'bumper-ground': {
    title: 'bumper mark to ground',
    how: 'mark on the bumper straight down to the floor',
    follows: 'body',
    on: ['sleds'],
    showsSag: false,
  },
  shaft: {
    title: 'exposed shaft',
    how: 'band on the damper shaft or fork tube to its seal',
    follows: 'damper',
    on: ['bikes', 'sleds'],
    showsSag: false,
  },
  'clamp-axle': {
    title: 'fork clamp to axle',
    how: 'lower clamp to the axle’s centre, along the leg',
    follows: 'damper',
    on: ['bikes'],
    showsSag: false,
  },
  gauge: {
    title: 'gauge zeroed at full extension',
    how: 'gauge between axle and body, set to zero with the wheel hanging: it shows the sag itself',
    follows: 'travel',
    on: ['bikes', 'sleds'],
    showsSag: true,
  },
};

/** The kinds met on what stands so: those that heights are read by, and on the sag bench those that show sag too. */
export function kindsOn(footing: Footing, { bench = false } = {}): ReferenceKind[] {
  return (Object.keys(referenceKinds) as ReferenceKind[]).filter((kind) => {
    const { on, showsSag } = referenceKinds[kind];
    return on.includes(footing) && (bench || !showsSag);
  });
}

/** Whether tyre size, pressure and an uneven floor move the reading. */
function seesTyres(kind: ReferenceKind): boolean {
  return referenceKinds[kind].follows === 'body';
}

/** What is known of one reference: its reading at full droop with the wheel just touching, and what lies between. */
export interface ReferenceAtDroop {
  kind: ReferenceKind;
  /** Reading at full droop, on the ground with no weight on the tyre, mm. */
  droopMm: number;
  /** Tyre squeeze where it is read, mm; nothing for kinds that do not see the tyre. */
  squeezeMm: number;
  /** Damper compression at a wheel travel, mm: for the shaft. */
  damperAt: (travelMm: number) => number;
}

/** Reading in mm at a wheel travel. */
export function heightAt({ kind, droopMm, squeezeMm, damperAt }: ReferenceAtDroop, travelMm: number): number {
  const { follows } = referenceKinds[kind];
  if (follows === 'damper') return droopMm - damperAt(travelMm);
  return droopMm - travelMm - (follows === 'body' ? squeezeMm : 0);
}

/** Wheel travel in mm for a reading; for the shaft by halving within `mostMm` of travel (its map must grow). */
export function travelFor(reference: ReferenceAtDroop, heightMm: number, mostMm: number): number {
  if (referenceKinds[reference.kind].follows !== 'damper') return heightAt(reference, 0) - heightMm;
  return bisect(0, mostMm, (z) => heightAt(reference, z) > heightMm);
}

/**
 * What another tyre adds to a reading, and so to its specification, mm: half of the difference in measured diameter for
 * kinds that see the ground, nothing for the others.
 */
export function tyreAdds(kind: ReferenceKind, fromDiameterMm: number, toDiameterMm: number): number {
  return seesTyres(kind) ? (toDiameterMm - fromDiameterMm) / 2 : 0;
}

/** The casing carries about this share of a tyre's rate; the rest is air and goes with gauge pressure. */
const CASING_SHARE = 0.15;

/** Tyre rate in N/mm at another gauge pressure: air's share goes with pressure, the casing's stays. */
export function tyreRateAt(rateNPerMm: number, fromBar: number, toBar: number): number {
  return rateNPerMm * (CASING_SHARE + ((1 - CASING_SHARE) * toBar) / fromBar);
}

/** What another pressure adds to a reading under a wheel load (N), mm. */
export function pressureAdds(
  kind: ReferenceKind,
  tyre: { rateNPerMm: number; loadN: number; fromBar: number; toBar: number },
): number {
  if (!seesTyres(kind)) return 0;
  const { rateNPerMm, loadN, fromBar, toBar } = tyre;
  return loadN / rateNPerMm - loadN / tyreRateAt(rateNPerMm, fromBar, toBar);
}
