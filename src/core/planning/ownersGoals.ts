import { referenceKinds, tyreAdds } from '../geometry/reference.ts';
import { contactPoint } from '../machine/body.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { axleOf, type Axle, type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { PerCorner } from '../estimate/rounds.ts';
import type { JobDocument } from '../document/types.ts';

/** What an owner asks for, in his own terms. */
export type Goal =
  /** Up (positive) or down from where it stands, mm, by axle. */
  | { kind: 'from-today'; frontMm: number; rearMm: number }
  /** Down from the standard heights by so much, mm, by axle. */
  | { kind: 'from-standard'; frontMm: number; frontDownMm: number; rearMm: number; rearDownMm: number }
  /** Heights as a sheet specifies them, mm, by axle; its tolerance is the job's. */
  | { kind: 'specified'; frontMm: number; rearMm: number }
  /** All four gaps alike, at this height. */
  | { kind: 'equal'; heightMm: number }
  /** Front as given, the rear higher by the rake, mm. */
  | { kind: 'rake'; frontMm: number; rakeMm: number }
  /** Left and right brought to their middle, axle by axle: level, as high as now. */
  | { kind: 'level' }
  /** One end brought to the height of the other as it now stands, and so much higher, mm. */
  | { kind: 'match'; axle: Axle; moreMm: number }
  /** One end left as it now stands: what it reads is what is wanted. */
  | { kind: 'stays'; axle: Axle }
  /** One end as high, or as low, as its adjusters go. `leftMm` of seat is left there; null for as much as is known. */
  | { kind: 'highest' | 'lowest'; axle: Axle; leftMm: number | null }
  /** Other tyres: each target that sees the ground moves by half the difference of the measured diameters. */
  | { kind: 'tyres'; fromMm: number; toMm: number };

/**
 * Targets that a goal comes to, by corner; a corner that cannot be told (nothing read, nothing wanted yet) is left out.
 * `nowMm` are the heights as the specification states them, `reach` how far each corner's adjuster still goes.
 */
export function targetsFor(
  goal: Goal,
  document: JobDocument,
  nowMm: PerCorner<number>,
  reach: PerCorner<Reach> = {},
): PerCorner<number> {
  const ids = cornersIn(document);
  const each = (of: (id: CornerId) => number | null): PerCorner<number> =>
    Object.fromEntries(
      ids.flatMap((id) => {
        const mm = of(id);
        return mm === null ? [] : [[id, Math.round(mm * 10) / 10]];
      }),
    );
  switch (goal.kind) {
    case 'from-today':
      return each((id) => {
        const now = nowMm[id];
        return now === undefined ? null : now + (axleOf(id) === 'front' ? goal.frontMm : goal.rearMm);
      });
    case 'from-standard':
      return each((id) =>
        axleOf(id) === 'front' ? goal.frontMm - goal.frontDownMm : goal.rearMm - goal.rearDownMm,
      );
    case 'specified':
      return each((id) => (axleOf(id) === 'front' ? goal.frontMm : goal.rearMm));
    case 'equal':
      return each(() => goal.heightMm);
    case 'rake':
      return each((id) => goal.frontMm + (axleOf(id) === 'front' ? 0 : goal.rakeMm));
    case 'level':
      return each((id) => {
        const here = ids.filter((one) => axleOf(one) === axleOf(id));
        const read = here.flatMap((one) => nowMm[one] ?? []);
        return read.length < here.length || read.length === 0
          ? null
          : read.reduce((sum, mm) => sum + mm, 0) / read.length;
      });
    case 'match':
      return each((id) => {
        const other = ids.filter((one) => axleOf(one) !== goal.axle).flatMap((one) => nowMm[one] ?? []);
        return axleOf(id) !== goal.axle || other.length === 0 ? null : meanOf(other) + goal.moreMm;
      });
    case 'stays':
      return each((id) => (axleOf(id) === goal.axle ? (nowMm[id] ?? null) : null));
    case 'highest':
    case 'lowest':
      return each((id) => (axleOf(id) === goal.axle ? furthest(goal, nowMm[id], reach[id]) : null));
    case 'tyres':
      return each((id) => {
        const { targetMm, reference } = document.corners[id];
        return targetMm === null ? null : targetMm + tyreAdds(reference.kind, goal.fromMm, goal.toMm);
      });
  }
}

/** How far a corner's adjuster still goes, mm of seat, and what one of them gives at the wheel. */
interface Reach {
  upMm: number;
  downMm: number;
  gain: number;
}

function furthest(
  { kind, leftMm }: { kind: 'highest' | 'lowest'; leftMm: number | null },
  nowMm: number | undefined,
  reach: Reach | undefined,
): number | null {
  if (nowMm === undefined || !reach) return null;
  const seatMm = leftMm ?? (kind === 'highest' ? reach.upMm : reach.downMm);
  if (!Number.isFinite(seatMm)) return null;
  return nowMm + (kind === 'highest' ? seatMm : -seatMm) * reach.gain;
}

/** Rake in degrees that a difference of height front to rear makes of the body, positive nose down. */
export function rakeDegrees(document: JobDocument, rearLessFrontMm: number): number {
  const xs = cornersIn(document).map((id) => contactPoint(document.machine, id).x);
  return (Math.atan2(rearLessFrontMm, Math.max(...xs) - Math.min(...xs)) * 180) / Math.PI;
}

/** Whether other tyres would move any target of this job. */
export function seesTyres({ corners }: JobDocument): boolean {
  return Object.values(corners).some(({ reference }) => referenceKinds[reference.kind].follows === 'body');
}
