/** One machine's figure with one standard deviation of how well it was learnt there. */
export interface Learnt {
  value: number;
  sd: number;
}

/** What is thought of a figure before any machine taught it: normal. */
export interface Beforehand {
  mean: number;
  sd: number;
}

export interface Pooled {
  /** The next machine's figure, and how far from it that may be: one standard deviation. */
  mean: number;
  sd: number;
  /** How far machines differ from each other, one standard deviation. */
  spread: number;
  /** How many taught it. */
  count: number;
}

/** Until so many machines taught it, no spread below the floor is believed. */
const FEW = 8;
/** Spreads that are weighed, as multiples of the floor; below it only once machines are many. */
const TIMES = { least: 0.5, most: 6, steps: 24 };

/**
 * What earlier machines of a kind say of the next one. Machine j's true figure is normal about mu with spread tau, its learnt
 * figure about that with its own s: x_j ~ N(mu, tau^2 + s_j^2). For each of many tau, mu is normal with precision
 * 1/s0^2 + sum 1/(tau^2 + s_j^2), and tau is weighed by the likelihood of all x_j with mu taken out, and by 1/sqrt(tau). That is
 * between preferring no size of spread to another (1/tau), which after four machines that differ much is too sure, and no
 * spread to another (a constant), which is too unsure of machines that differ little. The next machine is the mixture; its
 * mean and variance are given.
 * Source: the normal hierarchical model, as in Gelman et al., Bayesian Data Analysis, section 5.4.
 */
export function pooled(learnt: readonly Learnt[], beforehand: Beforehand, floor: number): Pooled {
  const count = learnt.length;
  const least = count < FEW ? 1 : TIMES.least;
  const all = Array.from({ length: TIMES.steps }, (_, k) => {
    const tau = floor * least * (TIMES.most / least) ** (k / (TIMES.steps - 1));
    return { tau, ...givenSpread(learnt, beforehand, tau) };
  });
  const top = Math.max(...all.map(({ log }) => log));
  const weights = all.map(({ log, tau }) => Math.exp(log - top) * Math.sqrt(tau));
  const whole = weights.reduce((sum, one) => sum + one, 0);
  const mixed = (of: (one: (typeof all)[number]) => number) =>
    all.reduce((sum, one, k) => sum + (weights[k] ?? 0) * of(one), 0) / whole;
  const mean = mixed((one) => one.mean);
  const spread = Math.sqrt(mixed(({ tau }) => tau ** 2));
  const variance = mixed((one) => one.sdMean ** 2 + one.tau ** 2 + (one.mean - mean) ** 2);
  return { mean, sd: Math.sqrt(variance), spread, count };
}

/** Mean of the machines and its deviation at one spread, and the logarithm of how likely that spread makes what was learnt. */
function givenSpread(learnt: readonly Learnt[], { mean: m0, sd: s0 }: Beforehand, tau: number) {
  let precision = 1 / s0 ** 2;
  let weighted = m0 / s0 ** 2;
  let log = 0;
  for (const { value, sd } of learnt) {
    // One machine at a time: what it says is held against what those before it say.
    const variance = tau ** 2 + sd ** 2;
    const off = value - weighted / precision;
    const expected = variance + 1 / precision;
    log -= 0.5 * (Math.log(expected) + off ** 2 / expected);
    precision += 1 / variance;
    weighted += value / variance;
  }
  return { mean: weighted / precision, sdMean: 1 / Math.sqrt(precision), log };
}
