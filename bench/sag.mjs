const JOBS = Number(process.env.SAG_JOBS ?? 2000);

/** Sag jobs with a tape and a rider: a cam whose effect nobody knows, a collar through a linkage, a fork, skis by air. */
export function benchSag({ sagTrial }, line) {
  for (const [words, how] of [
    ['as it rests', 'rest'],
    ['pressed and lifted', 'both'],
  ]) {
    const { jobs, inAfter, wrongStops, springWrong, ways } = sagTrial(JOBS, how);
    const share = (count, of = jobs) => ((100 * count) / of).toFixed(1);
    line(
      `sag jobs, ${jobs}, ${words}: in after 0 / 1 / 2`,
      inAfter.map((count) => share(count)).join(' / '),
      `wrong stops ${share(wrongStops)} (at most 1), a spring called wrong ${share(springWrong)} (at most 1)`,
    );
    for (const [way, { jobs: of, second, wrong }] of Object.entries(ways))
      line(
        `  ${way}`,
        `${share(second, of)} after two`,
        `wrong stops ${share(wrong, of)}; at least 98 after two`,
      );
  }
}
