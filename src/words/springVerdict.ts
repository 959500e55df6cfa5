import type { MissingForVerdict } from '#core/judgement/cornerVerdict.ts';
import type { SpringReason } from '#core/judgement/springVerdict.ts';
import type { Say } from './figures.ts';

/** Why a spring is right or not; `say` writes mm in the reader's units. */
export function springReasonWords(because: SpringReason, say: Say): string {
  switch (because.code) {
    case 'sag-too-much-at-the-end':
      return `rider sag is ${say(because.offMm)} too much with the preload nearly used up`;
    case 'sag-too-little-at-the-start':
      return `rider sag is ${say(because.offMm)} too little with hardly any preload`;
    case 'sag-out':
      return `rider sag is ${say(because.offMm)} ${because.state}: bring it in by preload${because.thenStatic ? ', then look at static sag' : ''}`;
    case 'static-too-little':
      return `rider sag is right but static sag is ${say(because.offMm)} too little: the preload stands in for rate`;
    case 'static-too-much':
      return `rider sag is right but static sag is ${say(because.offMm)} too much: the rider hardly moves it`;
    case 'both-sags-in':
      return 'rider and static sag are both in';
    case 'rider-sag-in':
      return 'rider sag is in';
  }
}

/** What has to be given or measured before a spring can be judged. */
export const missingWords: Record<MissingForVerdict, string> = {
  'rider-sag': 'read its sag with the rider on',
  'travel-used': 'measure the wheel travel used, loaded as it will be ridden',
  'static-sag-too': 'read its sag with nobody on too: only both together tell its rate',
  'sag-better': 'read its sag with the rider on, pressed and lifted: it is not known well enough',
  'torsion-or-window': 'give the rate of its torsion springs and the length of their leg, or a sag window',
  'spring-or-window': 'give the rate and free length of its spring, or a sag window',
  'collar-or-room':
    'read its collar and give the collar’s range, or measure the room for its springs at full droop',
};
