import { readFileSync } from 'node:fs';
import numeric from 'numeric';
import { build } from 'vite';
import { benchKits } from './kits.mjs';
import { benchPictures } from './pictures.mjs';
import { benchPractice } from './practice.mjs';
import { benchSag } from './sag.mjs';
import { benchSearch } from './search.mjs';
import { benchFaults, benchHealthy, benchTape } from './tape.mjs';

const OUT = '.margin/bench';
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Median time of `run` in ms over several batches, each of `times` calls, after warming up. */
function timed(run, times, batches = 9) {
  for (let k = 0; k < times; k++) run(k);
  return median(
    Array.from({ length: batches }, () => {
      const began = performance.now();
      for (let k = 0; k < times; k++) run(k);
      return (performance.now() - began) / times;
    }),
  );
}

/** Speed of the mechanics and the planning; `line(name, value, limit)` prints. */
export async function benchEngine(line) {
  await build({
    configFile: false,
    logLevel: 'error',
    build: {
      ssr: 'bench/engine.ts',
      outDir: OUT,
      emptyOutDir: true,
      target: 'node20',
      rollupOptions: { output: { entryFileNames: 'engine.js' } },
    },
  });
  const engineUrl = new URL(`../${OUT}/engine.js`, import.meta.url).href;
  const engine = await import(engineUrl);
  benchEquilibrium(engine, line);
  benchGrowth(engine, line);
  benchPlan(engine, line);
  benchSearch(engine, line);
  benchRounds(engine, line);
  benchTape(engine, line);
  benchSag(engine, line);
  benchKits(engine, line);
  benchFaults(engine, line);
  benchHealthy(engine, line);
  benchPractice(engine, line);
  await benchPictures(engineUrl, line);
}

const coil = (rateNPerMm) => ({ kind: 'linear', rateNPerMm, solidMm: 140 });

function machineOf(contacts, springs) {
  const names = Array.from({ length: contacts }, (_, i) => `c${i}`);
  return {
    contacts: names.map((name, i) => ({
      name,
      axle: i % 2 ? 'rear' : 'front',
      x: i % 2 ? -1300 - 20 * i : 1300 + 20 * i,
      y: i % 4 < 2 ? 750 : -750,
      travelMm: 200,
      ratio: { kind: 'constant', ratio: 0.7, rise: 0.1 },
      springRatio: null,
      springs: {
        kind: 'stack',
        stack: {
          springs: Array.from({ length: springs }, (_, k) => coil((50 + 10 * k) * springs)),
          rings: springs > 1 ? [{ after: 0, limitMm: 40, on: 'body' }] : [],
        },
      },
      preloadMm: 12,
      gas: null,
      stop: null,
      topOut: null,
      tyreRateNPerMm: 210 + i,
      unsprungKg: 30,
      padMm: 0,
    })),
    masses: [{ name: 'm', kg: 260 * contacts, x: 40, y: 15 }],
    bars: contacts >= 4 ? [{ between: ['c0', 'c2'], rateNPerMm: 12, offsetMm: 0, hooked: true }] : [],
  };
}

function benchEquilibrium({ MachineSolver, GRAVITY }, line) {
  const machine = machineOf(4, 2);
  const solver = new MachineSolver(machine);
  const own = timed(() => {
    solver.forget();
    solver.solve();
  }, 2000);
  line('equilibrium, 4 corners, dual rate, bar, tyres', `${(own * 1000).toFixed(1)} us`, 'under 50 us');
  // The same energy, by a quasi-Newton method of general purpose.
  const energy = ([heave, pitch, roll, ...z]) =>
    solver.corners.reduce((sum, corner, i) => {
      const { x, y, unsprungKg, tyreRateNPerMm } = machine.contacts[i];
      const wheel = heave + (pitch * x + roll * y) / 1000 + z[i];
      const squeeze = Math.max(-wheel, 0);
      return (
        sum + corner.energy(z[i]) + (tyreRateNPerMm * squeeze * squeeze) / 2 + unsprungKg * GRAVITY * wheel
      );
    }, 0) +
    machine.masses.reduce(
      (sum, { kg, x, y }) => sum + kg * GRAVITY * (heave + (pitch * x + roll * y) / 1000),
      0,
    ) +
    (12 * (z[0] - z[2]) ** 2) / 2;
  const start = [-70, 0, 0, 60, 60, 60, 60];
  let found = null;
  const general = timed(() => (found = numeric.uncmin(energy, start, 1e-9).solution), 5, 5);
  solver.solve();
  const off = Math.max(...found.slice(3).map((z, i) => Math.abs(z - solver.z[i])));
  line(
    '  general-purpose minimiser on the same energy',
    `${general.toFixed(2)} ms`,
    `agrees to ${off.toFixed(4)} mm`,
  );
  line('  ratio', `${(general / own).toFixed(0)} x`, 'at least 100 x');
}

function benchGrowth({ MachineSolver }, line) {
  const micros = (contacts, springs) => {
    const solver = new MachineSolver(machineOf(contacts, springs));
    const time = timed((k) => {
      solver.corners.forEach((corner, i) => corner.set(((k * (i + 3)) % 9) - 4, 0));
      solver.solve();
    }, 1000);
    return (time * 1000).toFixed(1);
  };
  line(
    '  with 1, 2, 3, 4, 6 springs a corner',
    [1, 2, 3, 4, 6].map((n) => micros(4, n)).join(' '),
    'us, grows with springs',
  );
  line(
    '  with 2, 4, 6, 8, 12 contacts',
    [2, 4, 6, 8, 12].map((n) => micros(n, 2)).join(' '),
    'us, grows with contacts',
  );
}

function benchPlan({ answerFor, aimFor, samplePlan }, line) {
  const { id, document, entries } = JSON.parse(readFileSync('demo/3-curlew.json', 'utf8'));
  const record = { id, version: 1, document, entries };
  const answer = answerFor(record);
  const problem = {
    fit: answer.fit,
    from: answer.now,
    meetAt: null,
    targets: answer.corners.map(({ spec }) => spec.targetMm),
    weights: [1, 1, 1, 1],
    toleranceMm: 6,
    adjusters: answer.corners.map(({ spec, room }, contact) => ({
      contact,
      kind: 'seat',
      stepBy: spec.stepMm.value,
      room,
    })),
    groups: [[0], [1], [2], [3]],
    draws: 2,
  };
  line('a plan with limits and steps', `${timed(() => aimFor(problem), 40).toFixed(2)} ms`, 'under 5 ms');
  line('all the sheet shows, from a job record', `${timed(() => answerFor(record), 20).toFixed(2)} ms`, '');
  const sampling = timed(
    () => {
      const run = samplePlan(answer, 2000);
      while (!run.next().done);
    },
    1,
    5,
  );
  line('2000 sampled plans', `${sampling.toFixed(0)} ms`, 'under 300 ms');
}

function benchRounds({ answerRequest, hideVehicle, isIn, measure, work }, line) {
  const count = 200;
  const tally = { first: 0, second: 0, wrong: 0, settled: 0, rounds: 0, slowest: 0 };
  for (let seed = 0; seed < count; seed++) {
    const vehicle = hideVehicle(seed);
    const { nominal } = vehicle;
    const openingCollars = Object.fromEntries(nominal.corners.map(({ name, collar }) => [name, collar]));
    const history = [measure(vehicle)];
    const inAfter = [];
    for (;;) {
      const began = performance.now();
      const { value } = answerRequest({ nominal, history }, { openingCollars, mayDrive: true });
      tally.slowest = Math.max(tally.slowest, performance.now() - began);
      if (value.do === 'stop') break;
      const adjust = Object.fromEntries(nominal.corners.map(({ name }, i) => [name, value.movesBy[i]]));
      history.push({
        adjust,
        done: work(vehicle, adjust, value.driveKm),
        drive: value.driveKm,
        ...measure(vehicle),
      });
      inAfter.push(isIn(vehicle));
    }
    tally.first += inAfter[0] ? 1 : 0;
    tally.second += (inAfter[1] ?? inAfter[0]) ? 1 : 0;
    tally.wrong += isIn(vehicle) ? 0 : 1;
    tally.settled += isIn(vehicle, true) ? 1 : 0;
    tally.rounds += inAfter.length;
  }
  const share = (value) => `${((100 * value) / count).toFixed(1)} in 100`;
  line(`rounds on ${count} simulated machines: in after one`, share(tally.first), 'at least 88');
  line('  after two', share(tally.second), 'at least 98');
  line('  told to stop with a true height out', share(tally.wrong), 'at most 2');
  line('  still in once settled', share(tally.settled), 'at least 95');
  line('  rounds until told to stop, mean', (tally.rounds / count).toFixed(2), '');
  line('  slowest decision', `${tally.slowest.toFixed(0)} ms`, 'under 250 ms');
}
