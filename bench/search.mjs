/** Springs of a shop's rack, the same every time. */
function rackOf(count) {
  let state = 42;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  return Array.from({ length: count }, (_, i) => {
    const freeLengthMm = 150 + 250 * random();
    const blank = { rows: null, wireMm: null, coils: null, innerMm: 60, tender: false, stock: 2, note: '' };
    const solidLengthMm = freeLengthMm * (0.2 + 0.15 * random());
    const rateNPerMm = 12 + 90 * random();
    const maxN = 3000 + 6000 * random();
    return {
      ...blank,
      id: `s${i}`,
      version: 1,
      name: `s${i}`,
      rateNPerMm,
      freeLengthMm,
      solidLengthMm,
      maxN,
    };
  });
}

/** Combinations a second of the search over dual stacks in four load cases, beside the full model on the same ones. */
export function benchSearch({ searchRack, Searcher, candidateOf, workOut, searchProblem: problem }, line) {
  const rack = rackOf(1200);
  const run = () => {
    const search = searchRack(problem, rack);
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
    }
  };
  run();
  const began = performance.now();
  const { tried, landed } = run();
  const perSecond = (1000 * tried) / (performance.now() - began);
  line(
    'spring search, four cases, combinations a second',
    Math.round(perSecond).toLocaleString('en'),
    'over 200,000',
  );
  line('  of which do it', `${landed} of ${tried}`, '');
  // Only combinations that pass every check: none is turned away early.
  const candidates = rack.slice(0, 300).map((one) => candidateOf(one, problem));
  const searcher = new Searcher(problem);
  const good = candidates.flatMap((upper) =>
    candidates.flatMap((lower) => (searcher.pair(upper, lower) ? [[upper, lower]] : [])),
  );
  const timeOf = (what) => {
    const from = performance.now();
    for (const pair of good) what(...pair);
    return (performance.now() - from) / good.length;
  };
  const fast = timeOf((upper, lower) => searcher.pair(upper, lower));
  const full = timeOf((upper, lower) => workOut(problem, upper, lower));
  line(
    '  one that passes every check',
    `${(1000 * fast).toFixed(2)} us`,
    `under 5 us; ${good.length} of them`,
  );
  line(
    '  the full model on the same',
    `${(1000 * full).toFixed(0)} us`,
    `${(full / fast).toFixed(0)} times as long`,
  );
}
