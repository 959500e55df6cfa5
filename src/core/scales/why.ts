import type { Answer } from '../planning/answerShape.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { cornerNames, type CornerId } from '../kinds/corners.ts';
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

/** The story of a wheel's weight in the round that is measured now; null before anything was turned. */
export function weightStory(answer: Answer, id: CornerId): WeightStory | null {
  const { rounds, current } = answer.state;
  const [before, here] = [rounds[current - 1], rounds[current]];
  if (!before || !here) return null;
  const parts = seatEffects(answer).flatMap(({ seat, by, turnMm, asSeatMm, corners }) => {
    const at = corners.find((corner) => corner.id === id);
    if (!at) return [];
    const [seatBy, mountMm] = [here.moves[seat] ?? 0, here.mounts[seat] ?? 0];
    const pitchMm = by === 'seat' ? turnMm : cornerSpec(answer.document, seat).pitchMm.value;
    return [
      { seat, by: 'seat' as const, turns: seatBy / pitchMm, kg: (seatBy / asSeatMm) * at.padKg },
      { seat, by: 'mount' as const, turns: mountMm / turnMm, kg: (mountMm / turnMm) * at.padKg },
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

/** What became of a wheel's weight and why, in words; `say` writes kg in the reader's unit. */
export function storyWords(
  { id, readKg, parts, togetherKg }: WeightStory,
  say: (kg: number) => string,
): string[] {
  const where = cornerNames[id];
  if (parts.length === 0) return [`Nothing was turned in this round: the ${where} should weigh what it did.`];
  const change = readKg ?? togetherKg;
  const way = change < 0 ? 'lighter' : 'heavier';
  // What nobody weighed is not told as if it had been.
  const told =
    readKg === null
      ? `The ${where} was not weighed in both rounds. What was turned should make it about ${say(Math.abs(change))} ${way}.`
      : `The ${where} got ${say(Math.abs(change))} ${way}.`;
  return [
    Math.abs(change) >= 0.5
      ? told
      : readKg === null
        ? `The ${where} should weigh what it did.`
        : `The ${where} weighs what it did.`,
    reasonOf(parts.find(({ seat }) => seat === id) ?? null, change),
  ];
}

/** Why a wheel's weight went where it did, from what its own seat did to it. */
function reasonOf(own: WeightStory['parts'][number] | null, change: number): string {
  if (!own) return 'Its own seat was left alone: what the others moved came through the body.';
  const [way, carries] = own.turns < 0 ? ['down', 'shorter carries less'] : ['up', 'longer carries more'];
  const table = `four springs carry a rigid body as four legs carry a table, and a leg made ${carries}, with the one across from it`;
  return Math.abs(change) >= 0.5 && Math.sign(change) !== Math.sign(own.kg)
    ? `Its own seat went ${way}, which alone would have made it ${own.kg < 0 ? 'lighter' : 'heavier'} (${table}); the others did more to it.`
    : `Its own seat went ${way}: ${table}.`;
}

/** Before anything is turned: what lowering this corner by a turn takes off it, and where that goes. */
export function lowerWords(answer: Answer, id: CornerId, say: (kg: number) => string): string | null {
  const effect = seatEffects(answer).find(({ seat }) => seat === id);
  const own = effect?.corners.find((corner) => corner.id === id);
  const across = effect?.corners.filter((corner) => corner.id !== id && corner.padKg > 0)[0];
  if (!effect || !own) return null;
  const gainers = effect.corners.filter(({ padKg }) => padKg < 0).map((corner) => cornerNames[corner.id]);
  return `One turn away from the spring takes ${say(own.padKg)} off the ${cornerNames[id]}${across ? ` and ${say(across.padKg)} off the ${cornerNames[across.id]} across from it` : ''}; the ${gainers.join(' and the ')} take them on. A leg of a table made shorter carries less.`;
}
