import { positionText } from './positions.ts';
import type { Which } from '#core/document/which.ts';

/** Which of several it is, as it is called. */
export function whichWords(which: Which): string {
  switch (which.by) {
    case 'name':
      return which.name;
    case 'number':
      return `${which.of} ${which.number}`;
    case 'positions':
      return `${positionText(which.left)} of ${which.all} positions left`;
  }
}
