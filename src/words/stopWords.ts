import type { MarginKind } from '#core/margins/index.ts';

/** What stops an end that goes as high or as low as it goes. */
export const stopWords: Record<MarginKind, string> = {
  'thread-up': 'its thread ends there',
  'thread-down': 'its thread ends there',
  engagement: 'its mount ends there',
  cam: 'its cam ends there',
  sag: 'its sag window ends there',
  droop: 'its droop ends there',
  'bump-stop': 'the bump stop is then reached',
  'bump-metal': 'metal is then reached',
  'damper-open': 'its damper is then open',
  'damper-closed': 'its damper is then closed',
  coil: 'its coils are then closed at full bump',
  seated: 'its spring would come loose',
  crossover: 'its ring is then reached',
  'ring-order': 'its coils would close before the ring',
  clearance: 'a clearance ends there',
  joint: 'its shaft joint ends there',
  ground: 'the ground clearance ends there',
  height: 'its target is there',
};
