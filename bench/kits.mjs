const SHOPS = Number(process.env.KIT_SHOPS ?? 300);

/** Shops that put one kit into five machines of a model, with a tape alone: what the fifth has of the four before it. */
export function benchKits({ kitTrial }, line) {
  for (const [apart, least] of [
    [0.02, 80],
    [0.06, 68],
  ]) {
    const { inAfterOne, told } = kitTrial(SHOPS, apart);
    const share = (count) => ((100 * count) / SHOPS).toFixed(0);
    line(
      `kit memory, ${SHOPS} shops, ratios ${100 * apart} % apart: in after one, by job`,
      inAfterOne.map(share).join(' / '),
      `told ${told.map(share).join(' / ')}; the fifth at least ${least}, told true within 5`,
    );
  }
}
