/** A seeded source of uniform numbers in [0, 1). */
export type Uniform = () => number;

/** Seeded uniform generator (Tommy Ettinger's mulberry32, public domain algorithm): same seed, same numbers. */
export function seededUniform(seed: number): Uniform {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** One standard normal number by the Box-Muller transform. */
export function standardNormal(uniform: Uniform): number {
  return Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
}
