import type { Answer } from '../planning/answerShape.ts';
import { referenceKinds } from '../geometry/reference.ts';
import { axleOf } from '../kinds/corners.ts';
import { footingOf } from '../kinds/classes/index.ts';
import { meanOf } from '../numerics/mean.ts';
import type { SagEnd } from '../sag/bench.ts';
import { halfBandOf, midReading } from '../document/sagReadings.ts';
import { tolerances } from '../tolerances.ts';
import { measuredOf, type Estimated, type Measured } from './figure.ts';

/** What a sag was read as: fully extended, let go both ways (or as it rested), and the difference, mm as the tape has them. */
interface SagRead {
  extended: readonly number[];
  press: readonly number[];
  lift: readonly number[];
  rest: readonly number[];
  /** Without friction: the middle between pressed and lifted, or as it rested. */
  middleMm: number;
  sdMm: number;
}

/** Sag of one end in one state, each figure by its kind. */
export interface SagFigure {
  /** As read in the newest round; null where it was not, or a part of it had to be guessed. */
  measured: Measured | null;
  read: SagRead | null;
  /** Wheel travel used there by all readings together, loaded as it was read. */
  estimated: Estimated;
  /** Whether the two differ by more than the reading is good for. */
  differs: boolean;
}

/** The sag of an end as far as it is known. `who` is 'alone' or the rider's key. */
export function sagFigure(answer: Answer, end: SagEnd, who: string): SagFigure {
  const read = readSag(answer, end, who);
  const mm = read ? meanOf(read.extended) - read.middleMm : null;
  const measured: Measured | null = mm === null ? null : measuredOf([mm]);
  const { nowMm, nowSdMm } = who === 'alone' ? end.alone : end.ridden;
  const estimatedMm = who === 'alone' ? nowMm : end.asReadMm;
  const sd = Math.hypot(read?.sdMm ?? 0, tolerances.extendedSdMm);
  return {
    measured,
    read,
    estimated: { kind: 'estimated', value: estimatedMm, sd: nowSdMm },
    differs: mm !== null && Math.abs(mm - estimatedMm) > sd,
  };
}

/** One way alone needs a guess of the friction: that is no reading of sag. */
function readSag({ state, document }: Answer, { id }: SagEnd, who: string): SagRead | null {
  const { kind } = document.corners[id].reference;
  const sag = state.rounds[state.current]?.sag[id];
  const extended = state.rounds.findLast((round) => (round.sag[id]?.extended.length ?? 0) > 0)?.sag[id]
    ?.extended;
  // A fork slides in itself: what its leg shows is the sag. Of any other shaft only the ratio makes it the wheel's.
  const isFork = footingOf(document.machine.class) === 'bikes' && axleOf(id) === 'front';
  if (!sag || !extended || (referenceKinds[kind].follows === 'damper' && !isFork)) return null;
  const { press = [], lift = [], rest = [] } = sag.states[who] ?? {};
  if (!(press.length > 0 && lift.length > 0) && rest.length === 0) return null;
  const middle = midReading({ press, lift, rest }, halfBandOf(sag));
  return middle && press.length > 0 === lift.length > 0
    ? { extended, press, lift, rest, middleMm: middle.mm, sdMm: middle.sdMm }
    : null;
}
