/** Where a damper's collar sits as the damper hangs in the machine: above its spring, or below it. */
export const collarPlaces = ['above', 'below'] as const;

export type CollarPlace = (typeof collarPlaces)[number];
