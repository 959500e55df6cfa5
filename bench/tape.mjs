import { readdirSync, readFileSync } from 'node:fs';

/** How many machines, the same ones for everybody; half as many where each takes longer and less is claimed. */
const MACHINES = Number(process.env.TAPE_MACHINES ?? 2000);

/** With a tape alone, on simulated machines: a careful hand, a small fair calculation and the page, side by side. */
export function benchTape({ carefulHand, fairCalculation, thePage, trial, tenths }, line) {
  const page = (told) => (machine) => thePage(machine, told);
  const rows = [
    ['careful hand', carefulHand, 12, ''],
    ['small fair calculation', fairCalculation, 12, ''],
    ['page, tape only', page('tape'), 12, 'in every column the better of both above, or within 1'],
    ['page, suspension given', page('suspension'), 12, 'at least 70 after one'],
    ['page, ratio measured to 3 %', page('ratio'), 12, 'at least 92 / 99, wrong at most 1.5'],
    ['careful hand, twice as far off', carefulHand, 25, ''],
    ['small fair calculation, twice as far off', fairCalculation, 25, ''],
    ['page, twice as far off', page('tape'), 25, 'in every column the better of both above, or within 1'],
  ];
  line(
    `with a tape, ${MACHINES} machines`,
    'in after 1 / 2 / 3',
    'wrong stops, finished within 4, true height to (tape)',
  );
  for (const [name, make, openMm, limit] of rows) {
    const tally = trial(make, MACHINES, openMm);
    const share = (count) => ((100 * count) / MACHINES).toFixed(1);
    const rms = (squares) => Math.sqrt(squares / tally.count).toFixed(2);
    line(
      `  ${name}`,
      tally.inAfter.map(share).join(' / '),
      `${share(tally.wrongStops)}, ${share(tally.stoppedWithin4)}, ${rms(tally.squares)} (${rms(tally.tapeSquares)}) mm   ${limit}`,
    );
    if (name.startsWith('page')) tellChances(tally, tenths, line);
  }
}

/** Chance told beside what landed: within 8 points in each tenth, 3 over all. */
function tellChances({ told }, tenths, line) {
  for (const first of [true, false]) {
    const plans = told.filter((one) => one.first === first);
    if (plans.length === 0) continue;
    const mean = (of) => (100 * plans.reduce((sum, one) => sum + of(one), 0)) / plans.length;
    const groups = tenths(plans).map(
      (group) => `${Math.round(100 * group.told)}/${Math.round(100 * group.landed)}`,
    );
    line(
      `    chance told / landed, ${first ? 'first' : 'later'} plans`,
      `${mean(({ chance }) => chance).toFixed(0)} / ${mean(({ landed }) => Number(landed)).toFixed(0)} %`,
      `in groups: ${groups.join(' ')}`,
    );
  }
}

/** What is suspected of healthy machines, and of ones where collars went the wrong way or one reading is 20 mm off. */
export function benchFaults({ playFault }, line) {
  const count = MACHINES / 4;
  for (const fault of ['none', 'turned-other-way', 'axle-other-way', 'all-other-way', 'odd-reading']) {
    const { said, named, plays } = playFault(fault, count);
    line(
      fault === 'none' ? '  healthy machines of which something is said' : `  ${fault}: named first`,
      `${((100 * (fault === 'none' ? said : named)) / plays).toFixed(1)} %`,
      fault === 'none' ? 'at most 3' : 'at least 90',
    );
  }
}

/** Machines described to the last part, true to that within what such figures are off by, are not stopped. */
export function benchHealthy({ stopsOnHealthy, migrateJob }, line) {
  const jobs = readdirSync('demo')
    .filter((name) => /^[1-9].*\.json$/.test(name))
    .map((name) => migrateJob(JSON.parse(readFileSync(`demo/${name}`, 'utf8'))));
  const each = Math.ceil(500 / jobs.length);
  const stopped = jobs.reduce(
    (sum, job) =>
      sum +
      Array.from({ length: each }, (_, seed) => stopsOnHealthy(job, seed)).filter((codes) => codes.length > 0)
        .length,
    0,
  );
  const plays = each * jobs.length;
  line(
    `  ${plays} healthy, fully described: stopped`,
    `${((100 * stopped) / plays).toFixed(1)} %`,
    'at most 2',
  );
}
