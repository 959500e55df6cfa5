import type { Answer } from '../planning/answerShape.ts';
import { sagAsRead, type SagRead } from '../sag/asRead.ts';
import { shaftAsRead } from '../sag/atShaft.ts';
import type { SagEnd } from '../sag/bench.ts';
import { tolerances } from '../tolerances.ts';
import { measuredOf, type Estimated, type Measured } from './figure.ts';

/** Sag of one end in one state, each figure by its kind. */
export interface SagFigure {
  /** As read in the newest round; null where it was not, or a part of it had to be guessed. */
  measured: Measured | null;
  read: SagRead | null;
  /** mm of damper shaft used, where it was read there; only the ratio makes it the wheel's. */
  shaft: Measured | null;
  /** Wheel travel used there by all readings together, loaded as it was read. */
  estimated: Estimated;
  /** Whether the two differ by more than the reading is good for. */
  differs: boolean;
}

/** The sag of an end as far as it is known. `who` is 'alone' or the rider's key. */
export function sagFigure(answer: Answer, end: SagEnd, who: string): SagFigure {
  const read = sagAsRead(answer, end.id, who);
  const mm = read?.sagMm ?? null;
  const shaftMm = mm === null ? shaftAsRead(answer, end.id, who) : null;
  const measured: Measured | null = mm === null ? null : measuredOf([mm]);
  const { nowMm, nowSdMm } = who === 'alone' ? end.alone : end.ridden;
  const estimatedMm = who === 'alone' ? nowMm : end.asReadMm;
  const sd = Math.hypot(read?.sdMm ?? 0, tolerances.extendedSdMm);
  return {
    measured,
    read,
    shaft: shaftMm === null ? null : measuredOf([shaftMm]),
    estimated: { kind: 'estimated', value: estimatedMm, sd: nowSdMm },
    differs: mm !== null && Math.abs(mm - estimatedMm) > sd,
  };
}
