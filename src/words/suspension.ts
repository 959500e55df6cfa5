import type { RatioFault } from '#core/estimate/measuredRatio.ts';
import type { SuspensionType } from '#core/kinds/suspensionTypes.ts';

export const suspensionTitles: Record<SuspensionType, string> = {
  strut: 'strut',
  'double-wishbone': 'double wishbone',
  'solid-axle': 'solid axle',
  'axle-inboard': 'solid axle, springs inboard',
  'trailing-arm': 'trailing arm',
  'apart-on-arm': 'spring apart, on the arm',
  'a-arms': 'A-arms',
  fork: 'fork',
  linkage: 'swing arm with linkage',
  'swing-arm': 'swing arm, no linkage',
  'ski-arms': 'ski on A-arms',
  'skid-arms': 'skid arms',
};

/** Why four lengths give no ratio, and what would; lengths to be filled in. */
export const ratioFaultWords: Record<RatioFault, string> = {
  'too-little-travel':
    'Hanging must be at least {20} more than standing. Lift it until the wheel hangs free.',
  'damper-longer-than-wheel':
    'The damper cannot move so much more than the wheel. Check that both were read at the same time.',
  'damper-the-wrong-way':
    'The damper must be longer hanging than standing. Read eye to eye, or the exposed shaft.',
};
