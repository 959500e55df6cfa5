import type { MarginKind } from '#core/margins/index.ts';

/** What each margin is called. */
export const marginTitles: Record<MarginKind, string> = {
  'thread-up': 'Thread left towards the spring',
  'thread-down': 'Thread left away from the spring',
  engagement: 'Lower mount, thread engaged',
  cam: 'Cam positions left',
  sag: 'Sag within its window',
  droop: 'Droop left',
  'bump-stop': 'Travel left to the bump stop',
  'bump-metal': 'Travel left to metal',
  'damper-open': 'Damper left to open',
  'damper-closed': 'Damper left to close',
  coil: 'Coil space at full bump',
  seated: 'Preload at full droop',
  crossover: 'Gap to crossover',
  'ring-order': 'Ring before coil bind',
  clearance: 'Clearance',
  joint: 'Shaft joint angle',
  ground: 'Ground clearance',
  height: 'Height within tolerance',
};
