/** How it is said where a crossover ring stands: from its slider, its seat, the edge that the collar is read from, or its second edge. */
export const ringWays = ['gap', 'seat', 'edge', 'second'] as const;
export type RingWay = (typeof ringWays)[number];

/** The kind of fact that each way of reading makes. */
export const ringFact = {
  gap: 'ring-gap',
  seat: 'ring-seat',
  edge: 'ring-place',
  second: 'ring-second',
} as const satisfies Record<RingWay, string>;
