import type { MarginKind } from '#core/margins/index.ts';

/** What each margin is called. */
export const marginTitles: Record<MarginKind, string> = {
  'thread-up': 'Thread, up',
  'thread-down': 'Thread, down',
  engagement: 'Lower mount, thread engaged',
  cam: 'Cam, up',
  sag: 'Sag within its window',
  droop: 'Droop',
  'bump-stop': 'Bump to stop',
  'bump-metal': 'Bump to metal',
  coil: 'Coil space at full bump',
  seated: 'Spring seated at droop',
  crossover: 'Gap to crossover',
  'ring-order': 'Ring before coil bind',
  clearance: 'Clearance',
  joint: 'Shaft joint angle',
  ground: 'Over the ground',
  height: 'Height within tolerance',
};
