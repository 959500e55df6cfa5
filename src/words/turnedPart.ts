import type { TurnedPart } from '#core/document/turnedPart.ts';

/** A part that is turned by itself: "only the rear". */
export function turnedPartWords(part: TurnedPart): string {
  return part === 'front' || part === 'rear' ? `only the ${part}` : `only the ${part} side`;
}
