import type { Say } from './figures.ts';

/** A text with its lengths in the reader's units: "{10} nearer" is 10 mm, said as the reader has it. */
export function filledIn(text: string, say: Say): string {
  return text.replace(/\{([\d.]+)\}/g, (_, written: string) => say(Number(written)));
}
