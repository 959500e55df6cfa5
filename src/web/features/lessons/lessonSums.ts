import { Stack } from '#core/springs/stack.ts';

/** N/mm of two springs one on another, and of the firm one alone; N that they carry at ride height. */
const UPPER = 30;
const FIRM = 60;
export const STACK = { soft: (UPPER * FIRM) / (UPPER + FIRM), firm: FIRM } as const;
const RIDE_N = 1500;

/** Damper travel from ride height at which the ring takes over, for its gap there: what both springs give until the upper has given that. */
export const transitionMm = (gapMm: number): number => gapMm * (1 + UPPER / FIRM);

/** N at so much damper travel from ride height, with a ring whose gap there is so much. */
export function stackForce(travelMm: number, gapMm: number): number {
  const stack = new Stack(
    {
      springs: [
        { kind: 'linear', rateNPerMm: UPPER, solidMm: null },
        { kind: 'linear', rateNPerMm: FIRM, solidMm: null },
      ],
      rings: [{ after: 0, limitMm: RIDE_N / UPPER + gapMm, on: 'seat' }],
    },
    [],
  );
  stack.build(0);
  stack.evaluate(RIDE_N / STACK.soft + travelMm);
  return stack.forceN;
}

/** Share of a normal distribution below so many standard deviations over its middle (Abramowitz and Stegun 26.2.17). */
export function normalShare(deviations: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(deviations));
  const density = Math.exp(-(deviations ** 2) / 2) / Math.sqrt(2 * Math.PI);
  const beyond =
    density *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return deviations >= 0 ? 1 - beyond : beyond;
}
