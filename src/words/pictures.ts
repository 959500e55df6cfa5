import type { Refusal } from '#core/vision/readPicture.ts';
import type { Cause } from '#core/vision/lengthIn.ts';
import type { Measure } from '#core/vision/measures.ts';
import type { Say } from './figures.ts';

/** Why a picture was not read, and what to do better. */
export function refusalWords(refusal: Refusal, say: Say): { what: string; better: string } {
  switch (refusal.kind) {
    case 'no-rim':
      return {
        what: 'No rim was found.',
        better: 'Point at three places on the rim’s outer edge, or take it again with the whole wheel in it.',
      };
    case 'rim-unsure':
      return {
        what: 'It is not sure which ring is the rim’s outer edge.',
        better: 'Point at three places on it.',
      };
    case 'no-point':
      return { what: 'No edge was found over the wheel.', better: 'Point at the place on the body.' };
    case 'no-mark':
      return { what: 'The first mark is not pointed at yet.', better: 'Point at it.' };
    case 'no-sheet':
      return {
        what: 'The printed sheet was not found.',
        better: 'Fix it flat beside the marks, as far out as they are, and have all of it in the picture.',
      };
    case 'no-other':
      return { what: 'The other end is not pointed at yet.', better: 'Point at it.' };
    case 'rim-hidden':
      return {
        what: `Only ${Math.round(100 * refusal.share)} % of the rim’s edge shows; ${Math.round(100 * refusal.leastShare)} % are wanted.`,
        better: 'Clear what stands before the wheel, or wipe the rim’s lip.',
      };
    case 'off-circle':
      return {
        what: 'The edge that was found is no circle.',
        better: 'Point at three places on the rim’s outer edge, or take the picture again.',
      };
    case 'blurred':
      return {
        what: 'It is blurred.',
        better: 'Hold the camera still, rest it on something, and take it again.',
      };
    case 'glare':
      return {
        what: 'It is too bright to read.',
        better: 'Take it with less light on the wheel, or touch the wheel on the screen first.',
      };
    case 'dark':
      return { what: 'It is too dark to read.', better: 'Put a light on the wheel and take it again.' };
    case 'aslant':
      return {
        what: `The wheel is seen ${Math.round(refusal.deg)} degrees from the side; ${refusal.mostDeg} are the most.`,
        better: 'Stand square to the wheel, with its wheels straight ahead.',
      };
    case 'rolled':
      return {
        what: `The camera was tilted by ${Math.round(refusal.deg)} degrees.`,
        better: 'Hold it upright.',
      };
    case 'lens-high':
      return {
        what: `The lens was ${say(refusal.mm)} above the point.`,
        better: `Hold it lower, within ${say(refusal.mostMm)} of the point’s height.`,
      };
    case 'lens-low':
      return {
        what: `The lens was ${say(refusal.mm)} below the point.`,
        better: `Hold it higher, within ${say(refusal.mostMm)} of the point’s height.`,
      };
    case 'too-near':
      return {
        what: `The lens was only ${say(refusal.mm)} away.`,
        better: `Step back to about ${say(1200)}.`,
      };
    case 'too-far':
      return { what: 'The wheel is too small in it.', better: `Step nearer, to about ${say(1200)}.` };
    case 'unsure':
      return {
        what: `It could be out by more than ${say(refusal.mostMm)}.`,
        better: 'Measure what is the scale and the camera better, or read it with the tape.',
      };
  }
}

/** What makes a picture's reading uncertain. */
export const causeWords: Record<Cause, string> = {
  diameter: 'size of the rim',
  point: 'place on the body, blur',
  rim: 'edge of the rim',
  lipOut: 'how far the point stands out',
  level: 'how the camera was held',
  lens: 'the camera’s lens',
  sheet: 'how the sheet was seen',
  print: 'size of the print',
};

/** The same where the printed sheet is the scale, between two marks. */
export const sheetCauseWords: Record<Cause, string> = {
  ...causeWords,
  point: 'where the marks were pointed at',
  lipOut: 'marks before or behind the sheet',
};

/** What to point at, by what is measured. */
export const otherEndWords: Record<Measure, string | null> = {
  hub: null,
  rim: null,
  tyre: 'top of the tyre',
  floor: 'floor where the tyre stands on it',
  marks: 'second mark',
};
