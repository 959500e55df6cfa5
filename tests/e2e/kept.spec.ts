import type { Route } from '@playwright/test';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

test('what is typed is sent and nothing else asked for; a job put away elsewhere says so here', async ({
  page,
}) => {
  const id = await quickStart(page, 'Sanderling', ['375', '375', '371', '371'], '365', '362');
  await visit(page, `/jobs/${id}/baseline`);
  await expect(field(page, 'Front left, reading 1')).toHaveValue('375');
  const asked: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.startsWith('/api/')) asked.push(`${request.method()} ${pathname}`);
  });
  for (const value of ['374', '376']) {
    await field(page, 'Front left, reading 1').fill(value);
    await field(page, 'Front left, reading 1').press('Enter');
    await allSent(page);
  }
  const put = await page.request.post(`/api/jobs/${id}/away`, { data: { away: 'archived' } });
  expect(put.status()).toBe(200);
  // What the server told after the readings has been heard by then.
  await expect(page.getByRole('status').filter({ hasText: 'This job is archived' })).toBeVisible();
  expect(asked).toEqual([
    `POST /api/jobs/${id}/entries`,
    `POST /api/jobs/${id}/entries`,
    `GET /api/jobs/${id}/away`,
  ]);
});

test.describe('nothing typed is lost', () => {
  test('two windows: a change shows in the other; the later of two on one field is told and shown both', async ({
    page,
    context,
    browser,
    baseURL,
  }) => {
    const id = await quickStart(page, 'Redshank', ['375', '375', '371', '371'], '365', '362');
    await visit(page, `/jobs/${id}/intake`);
    const other = await context.newPage();
    await other.goto(`/jobs/${id}/intake`);
    await field(page, 'Target height, front').fill('360');
    await field(page, 'Target height, front').press('Enter');
    await expect(field(other, 'Target height, front')).toHaveValue('360');

    // Now the other window hears nothing for a while and changes the same field.
    await other.close();
    // Another browser: tabs of one share what the server tells.
    const deaf = await (await browser.newContext(baseURL ? { baseURL } : {})).newPage();
    await deaf.route('**/api/events', (route) => route.abort());
    await deaf.goto(`/jobs/${id}/intake`);
    await expect(field(deaf, 'Target height, front')).toHaveValue('360');
    await field(page, 'Target height, front').fill('358');
    await field(page, 'Target height, front').press('Enter');
    await allSent(page);
    await field(deaf, 'Target height, front').fill('350');
    await field(deaf, 'Target height, front').press('Enter');
    const dialog = deaf.getByRole('dialog', { name: 'Changed elsewhere meanwhile' });
    await expect(dialog).toContainText('358');
    await expect(dialog).toContainText('350');
    await expect(field(page, 'Target height, front')).toHaveValue('358');
    await dialog.getByRole('button', { name: 'Use mine instead' }).click();
    await expect(dialog).toBeHidden();
    await expect(field(page, 'Target height, front')).toHaveValue('350');
  });

  test('the server away and back: entries stay, are marked unsent, and go when it is back', async ({
    page,
    app,
  }) => {
    const id = await quickStart(page, 'Oystercatcher', ['375', '375', '371', '371'], '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    await expect(page.getByTestId('now-LF')).toContainText('375');
    await app.stop();
    try {
      await field(page, 'Front left, reading 2').fill('377');
      await field(page, 'Front left, reading 2').press('Enter');
      await field(page, 'Front right, reading 2').fill('376');
      await field(page, 'Front right, reading 2').press('Enter');
      await expect(page.getByTestId('unsent')).toContainText('2 entries unsent');
      await expect(page.getByTestId('now-LF')).toContainText('376');
      await expect(page.locator('[data-corner=LF]').getByText('unsent', { exact: true })).toBeVisible();
    } finally {
      await app.start();
    }
    await expect(page.getByTestId('unsent')).toBeEmpty();
    await allSent(page);
    await page.reload();
    await expect(field(page, 'Front left, reading 2')).toHaveValue('377');
    await expect(field(page, 'Front right, reading 2')).toHaveValue('376');
  });

  test('a job read while an entry was on its way shows that entry all the same', async ({ page }) => {
    const id = await quickStart(page, 'Knot', ['375', '375', '371', '371'], '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    await page.route('**/entries', (route) => route.abort());
    await field(page, 'Front left, reading 2').fill('377');
    await field(page, 'Front left, reading 2').press('Enter');
    await expect(page.getByTestId('unsent')).toContainText('1 entry unsent');

    // The job leaves the server before the entry gets there, and arrives after it was taken.
    await page.unroute('**/entries');
    let read = 0;
    const sent = page.waitForResponse((response) => response.url().endsWith('/entries'));
    let gone = () => {};
    const left = new Promise<void>((done) => (gone = done));
    await page.route(`**/api/jobs/${id}`, async (route) => {
      const response = await route.fetch();
      if (read++ === 0) {
        gone();
        await sent;
        await allSent(page);
      }
      await route.fulfill({ response });
    });
    await page.route('**/entries', async (route) => {
      await left;
      await route.continue();
    });
    await page.reload();
    await expect(page.getByTestId('now-LF')).toContainText('376');
    await expect(field(page, 'Front left, reading 2')).toHaveValue('377');
    expect(read).toBe(2);
  });

  test('half a number survives leaving and reloading', async ({ page }) => {
    const id = await quickStart(page, 'Godwit', ['375', '375', '371', '371'], '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    await field(page, 'Rear right, reading 3').fill('14 3/');
    await page.reload();
    await expect(field(page, 'Rear right, reading 3')).toHaveValue('14 3/');
  });

  test('a reading corrected keeps the old one on record, and undo brings it back', async ({
    page,
    request,
  }) => {
    const id = await quickStart(page, 'Avocet', ['375', '375', '371', '371'], '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    await field(page, 'Front left, reading 1').fill('370');
    await field(page, 'Front left, reading 1').press('Enter');
    await allSent(page);
    const { entries } = await (await request.get(`/api/jobs/${id}`)).json();
    const values = entries.filter(
      (entry: { fact?: { kind: string; corner: string } }) =>
        entry.fact?.kind === 'height' && entry.fact.corner === 'LF',
    );
    expect(values.map((entry: { fact: { mm: number } }) => entry.fact.mm)).toEqual([375, 370]);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(field(page, 'Front left, reading 1')).toHaveValue('375');
  });

  test('a link to nothing says so', async ({ page }) => {
    await visit(page, '/jobs/00000000-0000-4000-8000-00000000ffff/plan');
    await expect(page.getByText('There is no such job.')).toBeVisible();
    await visit(page, '/no/such/place');
    await expect(page.getByText('There is nothing at this address')).toBeVisible();
  });
});

test('a server that is silent, asked too much or failing is told as what it is, and nothing is lost', async ({
  page,
}) => {
  const id = await quickStart(page, 'Held back', ['375', '375', '381', '381'], '370', '375');
  await visit(page, `/jobs/${id}/baseline`);
  const unsent = page.getByTestId('unsent');
  let answer: (route: Route) => Promise<void> = () => new Promise(() => undefined);
  await page.route('**/entries', (route) => answer(route));
  const problem = (status: number, code: string) => (route: Route) =>
    route.fulfill({
      status,
      contentType: 'application/problem+json',
      body: JSON.stringify({ type: `/problems/${code}`, title: code, status, code }),
    });
  await field(page, 'Front left, reading 2').fill('376');
  await page.keyboard.press('Tab');
  await expect(unsent).toHaveText('The server does not answer: 1 entry unsent, kept here');
  // What hung is given up, and tried again.
  answer = problem(429, 'too-many');
  await page.reload();
  await expect(unsent).toContainText('asked too much, it waits a minute: 1 entry unsent');
  answer = problem(500, 'internal');
  await expect(unsent).toContainText('cannot keep it at the moment: 1 entry unsent');
  answer = (route) => route.continue();
  await expect(unsent).toBeEmpty();
  await page.reload();
  await expect(field(page, 'Front left, reading 2')).toHaveValue('376');
});
