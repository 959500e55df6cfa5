import type { Decision } from '#core/planning/decide.ts';

/** What a step of the rounds is for. */
export function decisionWords(decision: Decision): string {
  switch (decision.why) {
    case 'all-in':
      return 'every true height is in tolerance, and stays there once the springs have settled';
    case 'no-better':
      return 'another round would not make that more likely';
    case 'drive-in':
      return 'the heights are in tolerance: drive it so that the new springs settle';
    case 'land':
      return `${Math.round(100 * (decision.do === 'round' ? decision.chance : decision.chanceNow))} % chance in tolerance`;
  }
}
