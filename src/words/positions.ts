import { fractionParts, partsToText } from '#core/units/formatLength.ts';

/** A cam's position as it is marked: "3", or "2 1/2" where it has halves. */
export function positionText(position: number): string {
  return partsToText(fractionParts(position, 2));
}
