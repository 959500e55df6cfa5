import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';

const JOBS = 500;
const CORNERS = ['LF', 'RF', 'LR', 'RR'];
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** What a shop's years cost: 500 jobs with 20,000 readings, then lists, a job and every stage. */
export async function benchWorkshop({ app, browser, line }) {
  await fill(app.address);
  const get = async (path) => {
    const began = performance.now();
    const response = await fetch(app.address + path);
    await response.text();
    return performance.now() - began;
  };
  const server = async (name, path) => {
    const times = [];
    for (let run = 0; run < 15; run++) times.push(await get(path));
    line(name, `${median(times).toFixed(1)} ms`, 'under 50 ms');
  };
  line('507 jobs, 20,000 readings: first list', `${(await get('/api/jobs')).toFixed(0)} ms`, '');
  await server('  Bays, from the server, median', '/api/jobs');
  await server('  Bays, found by words, median', '/api/jobs?find=job%204');
  await server('  Logbook, from the server, median', '/api/book');
  await server('  one machine’s book, median', `/api/book/${ids[7]}`);
  await server('  one job, from the server, median', `/api/jobs/${ids[7]}`);
  await pages({ app, browser, line });
}

const ids = Array.from({ length: JOBS }, () => randomUUID());

async function fill(address) {
  const { document } = JSON.parse(readFileSync('demo/7-turnstone.json', 'utf8'));
  for (const [n, id] of ids.entries()) {
    const body = {
      id,
      document: { ...document, name: `Job ${n + 1}`, machine: { ...document.machine, id: null } },
    };
    const response = await fetch(`${address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...body, entries: readings(n) }),
    });
    if (!response.ok) throw new Error(`expected job ${n} to be taken, got ${response.status}`);
  }
}

/** Three readings at each corner in each of three rounds, and the collars: 40. */
function readings(n) {
  const fact = (kind, round, corner, slot, mm) => ({
    id: randomUUID(),
    at: new Date(Date.UTC(2025, 0, 1) + n * 3_600_000).toISOString(),
    label: 'reading',
    undoOf: null,
    redoOf: null,
    type: 'fact',
    replaces: null,
    fact: { kind, round, corner, slot, mm },
  });
  return [0, 1, 2].flatMap((round) =>
    CORNERS.flatMap((corner, i) => [
      ...(round === 0 ? [fact('collar', 0, corner, 'now', 50)] : []),
      ...['1', '2', '3'].map((slot, k) =>
        fact('height', round, corner, slot, 352 + ((7 * n + 3 * i + k + round) % 19)),
      ),
    ]),
  );
}

async function pages({ app, browser, line }) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${app.address}/book`);
  await page.getByRole('heading', { name: 'Logbook' }).waitFor();
  const open = async (name, click, there) => {
    const times = [];
    for (let run = 0; run < 7; run++) times.push(await openedIn(page, click, there));
    line(name, `${median(times).toFixed(0)} ms`, 'under 150 ms');
  };
  const to = (path) => `a[href="${path}"]`;
  await page.goto(`${app.address}/`);
  await page.getByText('Job 500', { exact: true }).waitFor();
  await open(
    '  Logbook, click to drawn, median',
    [to('/book'), to('/')],
    ['h1:text("Logbook")', 'h2:text("Jobs")'],
  );
  await page.goto(`${app.address}/jobs/${ids[7]}/intake`);
  await page.locator('main h1, main table').first().waitFor();
  for (const stage of [
    'prep',
    'baseline',
    'scales',
    'plan',
    'turn',
    'measure',
    'stance',
    'close-out',
    'ride',
  ])
    await open(
      `  ${stage}, click to drawn, median`,
      [to(`/jobs/${ids[7]}/${stage}`), to(`/jobs/${ids[7]}/intake`)],
      [`a[aria-current=step][href$="/${stage}"]`, 'a[aria-current=step][href$="/intake"]'],
    );
  await page.close();
}

/** From the click to the first frame in which what was asked for is there; then back again. */
async function openedIn(page, [forth, back], [there, here]) {
  const measure = async (selector, seen) => {
    const target = page.locator(selector).first();
    await target.evaluate((node) => {
      window.began = 0;
      node.addEventListener('click', () => (window.began = performance.now()), { once: true, capture: true });
    });
    await target.click();
    await page.locator(seen).first().waitFor();
    return page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => done(performance.now() - window.began))),
    );
  };
  const took = await measure(forth, there);
  await measure(back, here);
  return took;
}
