/** How many machines a level, the same ones for both players. */
const MACHINES = Number(process.env.PRACTICE_MACHINES ?? 500);

/**
 * On the machines of the practice bay: the hand rule and the product's own plan on the same ones, what lies between
 * them, and whether who knows the truth lands every one of them within two moves.
 */
export function benchPractice(
  { practiceLevels, drawPractice, playPractice, handRule, knowsTheTruth, ownPlan },
  line,
) {
  line(
    `practice bay, ${MACHINES} machines a level`,
    'in after 1 / 2 / 3',
    'rounds until in, of the plan less the hand rule’s; coming back is one',
  );
  for (const level of practiceLevels) {
    const [hand, plan, known] = [[], [], []];
    for (let seed = 1; seed <= MACHINES; seed++) {
      const drawn = drawPractice(seed, level, null);
      hand.push(playPractice(drawn, seed, handRule(drawn.document.machine.class)));
      plan.push(playPractice(drawn, seed, ownPlan()));
      known.push(playPractice(drawn, seed, knowsTheTruth(drawn.truth)));
    }
    const fewer = plan.map((one, i) => one.inAfter - hand[i].inAfter);
    const worse = fewer.filter((by) => by > 0).length;
    line(`  ${level}, hand rule`, sharesIn(hand), told(hand));
    const landed = known.filter(({ inAfter, right }) => inAfter <= 2 && right).length;
    line(`  ${level}, who knows the truth`, `${landed} within two moves`, `all ${MACHINES}`);
    line(`  ${level}, own plan`, sharesIn(plan), `${told(plan)}; ${interval(fewer)}, more on ${worse}`);
  }
}

const sharesIn = (played) =>
  [1, 2, 3]
    .map((most) =>
      ((100 * played.filter(({ inAfter }) => inAfter <= most).length) / played.length).toFixed(1),
    )
    .join(' / ');

const told = (played) => {
  const wrong = played.filter(({ doneAfter, right }) => doneAfter !== null && !right).length;
  const mean = (of) => (played.reduce((sum, one) => sum + of(one), 0) / played.length).toFixed(2);
  return `mean ${mean(({ inAfter }) => inAfter)} until in, ${mean(({ doneAfter }) => doneAfter ?? 7)} until done, done wrongly ${wrong}`;
};

/** Mean with its 95 % interval. */
function interval(values) {
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
  const variance = values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1);
  return `${mean.toFixed(3)} ± ${(1.96 * Math.sqrt(variance / values.length)).toFixed(3)}`;
}
