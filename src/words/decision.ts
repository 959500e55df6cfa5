import type { Decision } from '#core/planning/decide.ts';

/** What a step of the rounds is for. */
export function decisionWords(decision: Decision): string {
  switch (decision.why) {
    case 'all-in':
      return 'every true height is in, and will be once the springs have settled';
    case 'no-better':
      return 'more rounds would not make it likelier';
    case 'drive-in':
      return 'the heights are in: drive the new springs in';
    case 'land':
      return `${Math.round(100 * (decision.do === 'round' ? decision.chance : decision.chanceNow))} in 100 to land`;
  }
}
