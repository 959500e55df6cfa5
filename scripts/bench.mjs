import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { benchDrag } from '../bench/drag.mjs';
import { benchEngine } from '../bench/engine.mjs';
import { benchTablets } from '../bench/tablets.mjs';
import { benchWorkshop } from '../bench/workshop.mjs';
import { openChromium, startDemoApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/debian.mjs';

/** `npm run bench`: what the engine and the built application cost on this machine. Medians of several runs. */
const RUNS = 9;
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const line = (name, value, limit) => console.log(`${name.padEnd(46)} ${value.padStart(12)}   ${limit}`);

await benchEngine(line);
await ensureChromium();
await ensureBuild();
// Filling a shop's years in takes more writes than a browser ever makes.
process.env.WRITES_PER_MINUTE = '1000000';
const app = await startDemoApp();
const browser = await openChromium();

const paints = [];
let firstLoad = [];
for (let run = 0; run < RUNS; run++) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  firstLoad = [];
  page.on('response', (response) => response.url().endsWith('.js') && firstLoad.push(response.url()));
  await page.goto(app.address);
  await page.getByText('Curlew').waitFor();
  paints.push(
    await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN),
  );
  await page.context().close();
}
line('first contentful paint of /, median', `${median(paints).toFixed(0)} ms`, 'under 1000 ms');
line('  slowest', `${Math.max(...paints).toFixed(0)} ms`, '');

const bytes = await Promise.all(
  firstLoad.map(async (url) => gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer())).length),
);
line(
  'first load of JavaScript, gzipped',
  `${(bytes.reduce((sum, size) => sum + size, 0) / 1000).toFixed(1)} kB`,
  'under 250 kB',
);
const chunks = readdirSync('dist/web/assets')
  .filter((name) => name.endsWith('.js') && !firstLoad.some((url) => url.endsWith(name)))
  .map((name) => gzipSync(readFileSync(join('dist/web/assets', name))).length);
line(
  '  chart library, the largest lazy chunk',
  `${(Math.max(...chunks) / 1000).toFixed(1)} kB`,
  'not in the first load',
);

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${app.address}/jobs/00000000-0000-4000-8000-000100000000/baseline`);
const field = page.getByLabel('Front left, reading 3', { exact: true });
await field.focus();
const strokes = [];
for (let run = 0; run < RUNS; run++) {
  await field.fill('54');
  await page.waitForTimeout(100);
  strokes.push(await keystroke(page, String(run)));
}
line('keystroke to updated travel rule, median', `${median(strokes).toFixed(1)} ms`, 'under 50 ms');
line('  slowest', `${Math.max(...strokes).toFixed(1)} ms`, '');
await page.goto(`${app.address}/jobs/00000000-0000-4000-8000-000100000000/plan`);
await page.getByTestId('sampled').waitFor();
const { slowest, took } = await sampledAnew(page);
line('2000 sampled plans in the worker, on the page', `${took.toFixed(0)} ms`, 'under 300 ms');
line('  slowest frame of the page meanwhile', `${slowest.toFixed(1)} ms`, 'under 20 ms');
await benchDrag({ app, browser, line });
await benchWorkshop({ app, browser, line });
await browser.close();
await app.stop();
delete process.env.WRITES_PER_MINUTE;
await benchTablets(line);

/** From the input event to the first frame in which the rule's mark has moved. */
async function keystroke(page, digit) {
  await page.evaluate(() => {
    const mark = document.querySelector('[data-rule="front left"] [data-mark=target]').parentElement;
    window.moved = new Promise((done, fail) => {
      setTimeout(() => fail(new Error('the rule did not move')), 5000);
      let began = 0;
      document.addEventListener('keydown', () => (began = performance.now()), { once: true, capture: true });
      new MutationObserver((_, observer) => {
        observer.disconnect();
        requestAnimationFrame(() => setTimeout(() => done(performance.now() - began)));
      }).observe(mark, { attributes: true });
    });
  });
  await page.keyboard.press(digit);
  return page.evaluate(() => window.moved);
}

/** Changes the plan, waits for the answer of the worker, and watches the page's frames from the first progress on. */
async function sampledAnew(page) {
  await page.evaluate(() => {
    window.sampled = new Promise((done, fail) => {
      setTimeout(() => fail(new Error('the plan was not tried anew')), 30_000);
      const gaps = [];
      let began = 0;
      let last = 0;
      const frame = (now) => {
        const tried = document.querySelector('[data-testid=sampled]');
        const running = document.body.textContent.includes('machines so far');
        if (running && began === 0) began = last = now;
        else if (began > 0) gaps.push(now - last);
        last = now;
        if (began > 0 && tried) done({ slowest: Math.max(...gaps), took: now - began });
        else requestAnimationFrame(frame);
      };
      requestAnimationFrame(frame);
    });
  });
  await page.getByLabel('equal left and right').check();
  return page.evaluate(() => window.sampled);
}
