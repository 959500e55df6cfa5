import { extendedNow } from '../estimate/sagEvidence.ts';
import { halfBandOf, midReading, sdsOf } from '../document/sagReadings.ts';
import type { CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { Answer } from '../planning/answerShape.ts';
import { isAtShaft } from './atShaft.ts';

/** What a sag was read as: fully extended, let go both ways (or as it rested), and the difference, mm as the tape has them. */
export interface SagRead {
  extended: readonly number[];
  press: readonly number[];
  lift: readonly number[];
  rest: readonly number[];
  /** Without friction: the middle between pressed and lifted, or as it rested. */
  middleMm: number;
  sdMm: number;
  /** Fully extended less the middle: the sag as it was read. */
  sagMm: number;
}

/**
 * The sag of a corner as a round has it, the newest where none is named; `who` is 'alone' or the rider's key. Null where it was not read, or where a
 * part of it would have to be guessed: one way alone needs a guess of the friction, and that is no reading of sag.
 */
export function sagAsRead(
  { state, document }: Pick<Answer, 'state' | 'document'>,
  id: CornerId,
  who: string,
  round = state.current,
): SagRead | null {
  const sag = state.rounds[round]?.sag[id];
  const extended = extendedNow(state, id);
  if (!sag || extended.length === 0 || isAtShaft(document, id)) return null;
  const { press = [], lift = [], rest = [] } = sag.states[who] ?? {};
  if (!(press.length > 0 && lift.length > 0) && rest.length === 0) return null;
  const middle = midReading({ press, lift, rest }, halfBandOf(sag), sdsOf(sag, who));
  if (!middle || press.length > 0 !== lift.length > 0) return null;
  const sagMm = meanOf(extended) - middle.mm;
  return { extended, press, lift, rest, middleMm: middle.mm, sdMm: middle.sdMm, sagMm };
}
