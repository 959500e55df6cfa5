import { tolerances } from '#core/tolerances.ts';
import { type TradeOff } from '#core/scales/tradeOff.ts';

/** In the workshop's words what a rigid body makes of these wishes; `say` writes mm in the reader's units. */
export function tradeWords(
  { goal, target, points, both, heightsFirst, scalesFirst }: TradeOff,
  toleranceMm: number,
  say: (mm: number) => string,
): { can: boolean; words: string } {
  const what = goal === 'front' ? 'equal front wheels' : `cross weight ${percent(target)}`;
  const room = both === null ? undefined : points[both];
  if (room)
    return {
      can: true,
      words: `Both can be had. The plan that leaves most room gives ${percent(room.share)} with the furthest height ${say(room.heightOffMm)} off; within ${say(toleranceMm)} and ${(100 * tolerances.crossShare).toFixed(1)} % was asked.`,
    };
  const shown = goal === 'front' ? 'the right front carries' : 'cross weight is';
  return {
    can: false,
    words: `Not together on this machine. With the heights as asked, ${shown} ${percent(heightsFirst.share)}${goal === 'front' ? ' of the front' : ''}; with ${what}, the furthest height is ${say(scalesFirst.heightOffMm)} off. A rigid body on four springs has four freedoms: up, nose, roll, and weight across the corners. Four heights and a weight are five wishes.`,
  };
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
