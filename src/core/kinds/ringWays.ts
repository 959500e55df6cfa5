/** How it is said where a crossover ring stands: from its slider, from its seat, or from the edge that the collar is read from. */
export const ringWays = ['gap', 'seat', 'edge'] as const;
export type RingWay = (typeof ringWays)[number];

/** The kind of fact that each way of reading makes. */
export const ringFact = { gap: 'ring-gap', seat: 'ring-seat', edge: 'ring-place' } as const satisfies Record<
  RingWay,
  string
>;
