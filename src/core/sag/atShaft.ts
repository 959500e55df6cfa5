import { cornerSpec } from '../estimate/corner.ts';
import { referenceKinds } from '../geometry/reference.ts';
import { footingOf } from '../kinds/classes/index.ts';
import { axleOf, type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import type { JobDocument } from '../document/types.ts';
import type { Answer } from '../planning/answerShape.ts';
import { extendedNow } from '../estimate/sagEvidence.ts';
import { halfBandOf, midReading } from '../document/sagReadings.ts';

/** Whether an end is read on a damper's shaft, which only the ratio makes the wheel's. A fork slides in itself. */
export function isAtShaft(document: JobDocument, id: CornerId): boolean {
  const isFork = footingOf(document.machine.class) === 'bikes' && axleOf(id) === 'front';
  return referenceKinds[document.corners[id].reference.kind].follows === 'damper' && !isFork;
}

/** mm of shaft per mm of wheel travel where an end is read on its shaft, as the ratio is described; 1 where it is not. */
export function shaftScale(document: JobDocument, id: CornerId): number {
  return isAtShaft(document, id) ? cornerSpec(document, id).ratio.value : 1;
}

/**
 * mm of shaft that were used, as a round read them, the newest where none is named: by a band, or fully extended less as it rested. Null where the end
 * is read otherwise, or was not. `who` is 'alone' or the rider's key.
 */
export function shaftAsRead(
  { state, document }: Pick<Answer, 'state' | 'document'>,
  id: CornerId,
  who: string,
  round = state.current,
): number | null {
  const sag = state.rounds[round]?.sag[id];
  const { band = [], rest = [], press = [], lift = [] } = sag?.states[who] ?? {};
  if (band.length > 0) return meanOf(band);
  const extended = extendedNow(state, id);
  const whole = rest.length > 0 || (press.length > 0 && lift.length > 0);
  const middle = sag && whole ? midReading({ press, lift, rest }, halfBandOf(sag)) : null;
  return isAtShaft(document, id) && extended.length > 0 && middle ? meanOf(extended) - middle.mm : null;
}
