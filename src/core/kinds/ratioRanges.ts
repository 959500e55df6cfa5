import type { RatioRange } from './suspensionTypes.ts';

// Damper travel per wheel travel that is usual in the trade.
export const strut: RatioRange = [0.9, 1];
export const doubleWishbone: RatioRange = [0.5, 0.75];
export const solidAxle: RatioRange = [0.85, 1];
// Springs set well inside the wheels.
export const axleInboard: RatioRange = [0.6, 0.85];
export const trailingArm: RatioRange = [0.5, 0.9];
export const apartOnArm: RatioRange = [0.5, 0.8];
export const longTrailingArm: RatioRange = [0.5, 0.95];
export const aArms: RatioRange = [0.45, 0.65];
// Along the leg, and against heights straight up, of which a sloping leg makes more.
export const fork: RatioRange = [0.98, 1.02];
export const forkAgainstHeight: RatioRange = [1.08, 1.14];
export const linkage: RatioRange = [0.35, 0.55];
export const swingArm: RatioRange = [0.65, 0.95];
