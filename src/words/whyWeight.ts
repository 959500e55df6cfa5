import type { Answer } from '#core/planning/answerShape.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { seatEffects } from '#core/scales/effects.ts';
import { type WeightStory } from '#core/scales/why.ts';

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
  const [way, carries] =
    own.turns < 0
      ? ['away from its spring', 'shorter carries less']
      : ['towards its spring', 'longer carries more'];
  const table = `It is like a table on four legs. A leg made ${carries}, and so does the one across from it.`;
  return Math.abs(change) >= 0.5 && Math.sign(change) !== Math.sign(own.kg)
    ? `Its own seat went ${way}, which alone would have made it ${own.kg < 0 ? 'lighter' : 'heavier'}. The others did more to it. ${table}`
    : `Its own seat went ${way}. ${table}`;
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
