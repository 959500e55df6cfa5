import type { Page } from '@playwright/test';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const DUNLIN = '/jobs/00000000-0000-4000-8000-000100000000';

/** Holds answers of the server back until it is let go, then answers as ever. */
async function held(page: Page, url: RegExp): Promise<() => void> {
  let letGo: () => void = () => undefined;
  const waiting = new Promise<void>((done) => (letGo = done));
  await page.route(url, async (route) => {
    await waiting;
    await route.continue();
  });
  return letGo;
}

// Lists show the latest first: by name, a job is found however many other tests have made.
test.describe('while it is being read', () => {
  const screens: [path: string, url: RegExp, words: string, there: string][] = [
    ['/?find=Dunlin', /\/api\/jobs\?/, 'Loading jobs …', 'Dunlin'],
    ['/book?find=Turnstone', /\/api\/book/, 'Loading …', 'Turnstone'],
    [`${DUNLIN}/plan`, /\/api\/jobs\/0/, 'Loading the job …', 'Dunlin'],
    [`${DUNLIN}/handover`, /\/api\/jobs\/0/, 'Loading the job …', 'Dunlin'],
  ];
  for (const [path, url, words, there] of screens)
    test(`${path} says so, and then shows it`, async ({ page }) => {
      const letGo = await held(page, url);
      await page.goto(path);
      await expect(page.getByText(words)).toBeVisible();
      letGo();
      await expect(page.getByText(there).first()).toBeVisible();
      await expect(page.getByText(words)).toHaveCount(0);
    });
});

test.describe('when the server cannot be reached', () => {
  for (const [path, url, there] of [
    ['/?find=Dunlin', /\/api\/jobs\?/, 'Dunlin'],
    ['/book?find=Turnstone', /\/api\/book/, 'Turnstone'],
    [`${DUNLIN}/plan`, /\/api\/jobs\/0/, 'Dunlin'],
  ] as const)
    test(`${path} says so and is tried again`, async ({ page }) => {
      await page.route(url, (route) => route.abort());
      await page.goto(path);
      await expect(page.getByText(/No connection to the server/)).toBeVisible({ timeout: 30_000 });
      await page.unroute(url);
      await page.getByRole('button', { name: 'Try again' }).click();
      await expect(page.getByText(there).first()).toBeVisible();
    });
});

test('nothing there: a job, a stage and an address that do not exist', async ({ page }) => {
  await visit(page, '/jobs/00000000-0000-4000-8000-00000000dead/plan');
  await expect(page.getByText('There is no such job.')).toBeVisible();
  await visit(page, `${DUNLIN}/nowhere`);
  await expect(page.getByRole('heading')).toBeVisible();
  await visit(page, '/book?machine=00000000-0000-4000-8000-00000000dead');
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
});

test('a job of which nothing is known yet says at every stage what it needs', async ({ page }) => {
  const id = await quickStart(page, 'Knot', ['375', '375', '381', '381'], '365', '371');
  await visit(page, `/jobs/${id}/baseline`);
  for (const corner of ['Front left', 'Front right', 'Rear left', 'Rear right']) {
    await field(page, `${corner}, reading 1`).fill('');
    await page.keyboard.press('Tab');
  }
  await allSent(page);
  const says: [stage: string, words: RegExp][] = [
    ['plan', /The plan needs a reading and a target at each corner/],
    ['turn', /No plan is issued yet/],
    ['measure', /Nothing has been turned yet/],
    ['rings', /Rings are set once the heights are read/],
    ['close-out', /Nothing to close yet: it needs targets and readings/],
    ['ride', /No notes yet/],
    ['handover', /Nothing has been measured yet/],
  ];
  for (const [stage, words] of says) {
    await visit(page, `/jobs/${id}/${stage}`);
    await expect(page.getByText(words).first()).toBeVisible();
  }
  await visit(page, `/jobs/${id}/bay`);
  await expect(page.getByRole('link', { name: /sheet|plan/i }).first()).toBeVisible();
});
