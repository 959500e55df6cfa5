import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';

/** How many wheels a class; in a shop's light each has three pictures in each of two rounds. */
const WHEELS = Number(process.env.PICTURE_WHEELS ?? 500);
const LARGE = Math.min(20, WHEELS);

const at = (values, share) => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.length === 0 ? NaN : sorted[Math.floor(share * sorted.length)];
};
const mean = (values) => values.reduce((sum, one) => sum + one, 0) / values.length;
const percent = (part, all) => `${((100 * part) / all).toFixed(1)} %`;
const median95 = (values) => `${at(values, 0.5).toFixed(2)} / ${at(values, 0.95).toFixed(2)} mm`;

/** Heights read off rendered pictures of wheels, by class: how far off, how often found, how often refused. */
export async function benchPictures(engineUrl, line) {
  const clean = await tried(engineUrl, 'clean', WHEELS, { rounds: 1, pictures: 1 });
  line(`pictures, clean, ${WHEELS} wheels: median / p95`, median95(off(clean)), 'under 0.7 and 2 mm');
  line('  inside one ±', inside(clean), '68 ± 6 %');
  const shop = await tried(engineUrl, 'workshop', WHEELS, { rounds: 2, pictures: 3 });
  line(`  workshop, mean of three: median / p95`, median95(meansOf(shop)), 'under 1.2 and 3.5 mm');
  line('  difference between rounds', median95(differencesOf(shop)), 'under 0.7 and 2 mm');
  line('  inside one ±', inside(shop), '68 ± 6 %');
  line('  found without a tap', percent(shop.filter(({ taps }) => !taps).length, shop.length), 'over 90 %');
  line('  refused', percent(shop.filter(({ refused }) => refused).length, shop.length), 'under 5 %');
  const ms = shop.map(({ readMs }) => readMs);
  line(
    '  one picture, median / p95',
    `${at(ms, 0.5).toFixed(0)} / ${at(ms, 0.95).toFixed(0)} ms`,
    'under 400 ms',
  );
  const beyond = await tried(engineUrl, 'beyond', WHEELS, { rounds: 1, pictures: 1 });
  const refused = beyond.filter(({ taps }) => taps && !taps.startsWith('seen'));
  line('  beyond the limits, refused', percent(refused.length, beyond.length), 'over 95 %');
  const large = await tried(engineUrl, 'workshop', LARGE, { rounds: 1, pictures: 1, megapixels: 12 });
  line(`  12 megapixels, ${LARGE} wheels`, `${median95(off(large))}, ${at(large.map(({ readMs }) => readMs), 0.5).toFixed(0)} ms`, 'under 400 ms'); // oxfmt-ignore
}

const read = (pictures) => pictures.filter(({ refused }) => !refused);
const off = (pictures) => read(pictures).map(({ errorMm }) => Math.abs(errorMm));
const inside = (pictures) => {
  const all = read(pictures);
  return percent(all.filter(({ errorMm, sdMm }) => Math.abs(errorMm) < sdMm).length, all.length);
};

/** Mean error of each wheel's pictures in each round. */
function byRound(pictures) {
  const all = new Map();
  for (const { seed, round, errorMm } of read(pictures)) {
    const key = `${seed}/${round}`;
    all.set(key, [...(all.get(key) ?? []), errorMm]);
  }
  return new Map(
    [...all].filter(([, errors]) => errors.length === 3).map(([key, errors]) => [key, mean(errors)]),
  );
}

const meansOf = (pictures) => [...byRound(pictures).values()].map(Math.abs);

function differencesOf(pictures) {
  const means = byRound(pictures);
  return [...means].flatMap(([key, error]) => {
    const [seed, round] = key.split('/');
    const other = means.get(`${seed}/1`);
    return round === '0' && other !== undefined ? [Math.abs(error - other)] : [];
  });
}

/** Renders and reads so many wheels on all cores. */
async function tried(engineUrl, kind, wheels, { rounds, pictures, megapixels = 3 }) {
  const cores = Math.min(availableParallelism(), wheels);
  const shares = await Promise.all(
    Array.from({ length: cores }, (_, core) => {
      const seeds = Array.from({ length: wheels }, (__, k) => k + 1).filter((seed) => seed % cores === core);
      const worker = new Worker(new URL('./pictureWorker.mjs', import.meta.url), {
        workerData: { engineUrl, kind, seeds, megapixels, each: { rounds, pictures } },
      });
      return new Promise((done, fail) => {
        worker.once('message', done);
        worker.once('error', fail);
      });
    }),
  );
  return shares.flat();
}
