import { type CollarMistake } from '#core/judgement/collarMistake.ts';

/** The same in words; `say` writes mm in the reader's units. */
export function mistakeWords(
  { movedMm, preloadMm, droopMm, travelMm, mountMm, by }: CollarMistake,
  say: (mm: number) => string,
): { what: string; cure: string } {
  const what = {
    moved: `The spring collar was moved ${say(Math.abs(movedMm))} ${movedMm > 0 ? 'up' : 'down'} for height. That came out of the ${movedMm > 0 ? 'droop' : 'bump travel'}: ${say(droopMm)} of ${say(travelMm)} droop is left, with ${say(preloadMm)} of preload.`,
    loose: `With the wheel hanging the spring is ${say(Math.abs(preloadMm))} loose: the collar was run down to lower it.`,
    'little-droop': `Only ${say(droopMm)} of ${say(travelMm)} droop is left under ${say(preloadMm)} of preload: the collar was run up to lift it.`,
  }[by];
  const back =
    by === 'moved'
      ? `Put the collar back ${say(Math.abs(movedMm))} and screw the lower mount ${mountMm > 0 ? 'out' : 'in'} by the same along the damper`
      : 'Set the collar to the spring’s own preload: hand tight and a little more. Then set the height at the lower mount';
  return {
    what,
    cure: `${back}. Height then comes from the body’s length. Travel and preload stay as they were.`,
  };
}
