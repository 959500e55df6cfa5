import type { Answer } from '../planning/answerShape.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { type CornerId } from '../kinds/corners.ts';
import { meanOf } from '../numerics/mean.ts';
import { seatEffects } from './effects.ts';

/** What the moves of one round made of the weight on one wheel. */
export interface WeightStory {
  id: CornerId;
  round: number;
  /** kg that its pad showed more than the round before; null where it was not read in both. */
  readKg: number | null;
  /** By seat moved, the largest first: turns up, and kg that they put on this wheel. */
  parts: { seat: CornerId; by: 'seat' | 'mount'; turns: number; kg: number }[];
  /** kg of all of them. */
  togetherKg: number;
}

/** The story of a wheel's weight in the round that is measured now; null before anything was turned, or where something new was fitted. */
export function weightStory(answer: Answer, id: CornerId): WeightStory | null {
  const { rounds, current, base } = answer.state;
  const [before, here] = [rounds[current - 1], rounds[current]];
  if (!before || !here || current === base) return null;
  const parts = seatEffects(answer).flatMap(({ seat, by, turnBy, asSeatBy, corners }) => {
    const at = corners.find((corner) => corner.id === id);
    if (!at) return [];
    const [seatBy, mountMm] = [here.moves[seat] ?? 0, here.mounts[seat] ?? 0];
    const perTurn = by === 'seat' ? turnBy : cornerSpec(answer.document, seat).pitchMm.value;
    return [
      { seat, by: 'seat' as const, turns: seatBy / perTurn, kg: (seatBy / asSeatBy) * at.padKg },
      { seat, by: 'mount' as const, turns: mountMm / turnBy, kg: (mountMm / turnBy) * at.padKg },
    ].filter(({ turns }) => turns !== 0);
  });
  const [was, is] = [before.pads[id], here.pads[id]];
  return {
    id,
    round: current,
    readKg: was && is ? meanOf(is) - meanOf(was) : null,
    parts: parts.sort((a, b) => Math.abs(b.kg) - Math.abs(a.kg)),
    togetherKg: parts.reduce((sum, { kg }) => sum + kg, 0),
  };
}
