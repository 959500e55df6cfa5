import { randomUUID } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { openChromium, startDemoApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/debian.mjs';

/** `npm run screenshots`: one current picture of each main view, from the demo data, into docs/screenshots. */
const job = (number, stage) => `/jobs/00000000-0000-4000-8000-000${number}00000000/${stage}`;

const shots = [
  { name: 'jobs', path: '/', act: (page) => page.getByText('Curlew').waitFor() },
  { name: 'intake', path: job(3, 'intake') },
  { name: 'settings', path: '/settings', size: { width: 1280, height: 1700 } },
  {
    name: 'plan',
    path: job(1, 'plan'),
    act: async (page) => {
      await page.locator('[data-testid=move-LF] [data-sum]').first().click();
      await page.getByTestId('sampled').waitFor();
    },
  },
  { name: 'rings', path: job(3, 'rings'), size: { width: 1280, height: 1000 } },
  { name: 'stack-lab', path: job(3, 'plan'), size: { width: 1280, height: 1000 }, act: cutOpenInTheLab },
  { name: 'sag-bench', path: job(8, 'sag'), size: { width: 1280, height: 1000 } },
  { name: 'rack', path: '/rack?inner=64', act: (page) => page.locator('[data-spring]').nth(20).waitFor() },
  { name: 'turn', path: job(3, 'turn') },
  { name: 'two-bays', path: `/bays?left=${job(1, '').split('/')[2]}&right=${job(3, '').split('/')[2]}` },
  { name: 'handover', path: job(7, 'handover') },
  {
    name: 'practice',
    path: '/practice',
    act: async (page) => {
      await page.getByRole('combobox').selectOption('car');
      await page.getByRole('button', { name: 'Roll it in' }).click();
      await page.getByRole('button', { name: 'Begin' }).first().click();
      await page.getByRole('checkbox', { name: 'rolled' }).check();
      for (const bar of [
        'End of the tape, along',
        'End of the tape, up',
        'At the top, along',
        'Eye above the lip',
      ])
        await page.getByLabel(bar).fill('0');
      await page.getByRole('button', { name: 'Hold it there' }).click();
      await page.getByRole('img', { name: /^The lip stands/ }).waitFor();
    },
  },
  { name: 'by-picture', path: '/practice', size: { width: 1280, height: 860 }, act: readByPicture },
  {
    name: 'lesson',
    path: '/lessons/which-adjuster',
    size: { width: 1280, height: 1000 },
    act: async (page) => {
      await page.getByRole('radio', { name: 'As much as before' }).check();
      await page.getByLabel('Lower mount').fill('20');
    },
  },
  {
    name: 'measure-inches-night',
    path: job(2, 'measure'),
    settings: { system: 'in', denominator: 16, theme: 'night' },
  },
  {
    name: 'scales',
    path: job(2, 'scales'),
    size: { width: 1280, height: 1240 },
    act: (page) => page.getByTestId('effects').waitFor(),
  },
  {
    name: 'kits',
    path: '/kits',
    size: { width: 1280, height: 1000 },
    act: (page) => page.getByRole('article').waitFor(),
  },
  { name: 'stance', path: job(2, 'stance'), size: { width: 1280, height: 1240 } },
  { name: 'baseline-phone', path: job(1, 'baseline'), size: { width: 390, height: 844 } },
];

/** A practice machine's height, read off a picture of its wheel. */
async function readByPicture(page) {
  const [id, jobId] = [randomUUID(), randomUUID()];
  await page.evaluate(
    async ([id, jobId]) => {
      const send = (path, body) =>
        fetch(`/api/practice${path}`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        });
      await send('', { id, level: 'first-day', machineClass: 'car' });
      await send(`/${id}/tries`, { jobId, way: 'plan', name: 'Practice: car' });
    },
    [id, jobId],
  );
  await page.goto(new URL(`/jobs/${jobId}/picture/LF`, page.url()).href);
  for (let time = 0; time < 2; time++) {
    await page.getByRole('button', { name: 'Take one of the practice machine' }).click();
    const take = page.getByRole('button', { name: /^Take as reading/ });
    await take.waitFor();
    await take.and(page.locator(':enabled')).waitFor();
    if (time === 0) await take.click();
  }
}

/** A corner of a job, and the same with its ring nearer, in the lab. */
async function cutOpenInTheLab(page) {
  await page.getByRole('button', { name: /^Spring cross-section/ }).click();
  await page.getByRole('link', { name: 'to the stack lab' }).first().click();
  await page.getByRole('button', { name: 'Copy to compare' }).click();
  await page.getByLabel('Gap at ride height').fill('15');
  await page.keyboard.press('Tab');
  await page.locator('.legend .traces').nth(1).waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
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
