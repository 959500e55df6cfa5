/** How a wheel, ski or arm is hung: it decides what share of the wheel's travel the damper makes. */
export const suspensionTypes = [
  'strut',
  'double-wishbone',
  'solid-axle',
  'axle-inboard',
  'trailing-arm',
  'apart-on-arm',
  'a-arms',
  'fork',
  'linkage',
  'swing-arm',
  'ski-arms',
  'skid-arms',
] as const;
export type SuspensionType = (typeof suspensionTypes)[number];

/** Least and most damper travel per wheel travel that is usually met. */
export type RatioRange = readonly [number, number];

/** The suspensions met on an axle, in the order they are offered, with their usual ratios. */
export type SuspensionRanges = Partial<Record<SuspensionType, RatioRange>>;
