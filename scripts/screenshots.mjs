import { mkdirSync } from 'node:fs';
import { openChromium, startDemoApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/debian.mjs';

/** `npm run screenshots`: one current picture of each main view, from the demo data, into docs/screenshots. */
const job = (number, stage) => `/jobs/00000000-0000-4000-8000-000${number}00000000/${stage}`;

const shots = [
  { name: 'bays', path: '/', act: (page) => page.getByText('Curlew').waitFor() },
  { name: 'new-setup', path: '/new?class=car', act: typeFirstAnswer },
  { name: 'intake', path: job(3, 'intake') },
  {
    name: 'fittings',
    path: job(1, 'intake'),
    act: (page) => page.getByRole('button', { name: /^What is turned, rear left/ }).click(),
  },
  { name: 'sled', path: job(4, 'plan') },
  { name: 'baseline', path: job(1, 'baseline') },
  {
    name: 'plan',
    path: job(1, 'plan'),
    act: async (page) => {
      await page.locator('[data-testid=move-LF] [data-sum]').first().click();
      await page.getByTestId('sampled').waitFor();
    },
  },
  {
    name: 'ways',
    path: job(1, 'plan'),
    act: async (page) => {
      await page.getByRole('button', { name: /Other ways/ }).click();
      await page.locator('[data-way=stiffer]').evaluate((node) => node.scrollIntoView({ block: 'end' }));
    },
  },
  { name: 'rings', path: job(3, 'rings') },
  { name: 'paper', path: job(3, 'paper'), size: { width: 860, height: 960 } },
  { name: 'turn', path: job(3, 'turn') },
  { name: 'bay', path: job(3, 'bay') },
  { name: 'prep', path: job(1, 'prep') },
  { name: 'handover', path: job(7, 'handover') },
  { name: 'logbook', path: '/book', act: (page) => page.getByRole('table').waitFor() },
  {
    name: 'measure-inches-night',
    path: job(2, 'measure'),
    settings: { system: 'in', denominator: 16, theme: 'night' },
  },
  { name: 'close-out', path: job(2, 'close-out') },
  { name: 'turn-tablet', path: job(3, 'turn'), size: { width: 768, height: 1024 } },
  { name: 'baseline-phone', path: job(1, 'baseline'), size: { width: 390, height: 844 } },
];

async function typeFirstAnswer(page) {
  await page.getByLabel('Reads now, front left').focus();
  for (const text of ['375', '14 3/4 in', '371', '372', '365', '362']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
}

await ensureChromium();
await ensureBuild();
mkdirSync('docs/screenshots', { recursive: true });
const app = await startDemoApp();
const browser = await openChromium();
for (const { name, path, act, size = { width: 1280, height: 800 }, settings } of shots) {
  const page = await browser.newPage({ viewport: size });
  if (settings)
    await page.addInitScript(
      (state) => localStorage.setItem('margin-settings', JSON.stringify({ state, version: 0 })),
      settings,
    );
  await page.goto(app.address + path);
  await page.locator('h1').first().waitFor();
  await act?.(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
await app.stop();
