import { allSent, expect, field, quickStart, test, showAllMargins, visit } from './app.ts';

const READINGS = ['375', '375', '371', '371'];

test.describe('round the sheet', () => {
  test('overshoot: the next plan turns back, by what was learnt', async ({ page }) => {
    const id = await quickStart(page, 'Phalarope', READINGS, '365', '362');
    await page.getByRole('button', { name: 'Start turning' }).click();
    for (const corner of ['front left', 'front right', 'rear left', 'rear right'])
      await page.getByRole('button', { name: `Done, ${corner}` }).click();
    await page.getByTestId('next').click();
    await page.getByLabel('rolled').check();
    for (const slot of ['1', '2', '3'])
      for (const corner of ['Front left', 'Front right', 'Rear left', 'Rear right'])
        await field(page, `${corner}, reading ${slot}`).fill('357');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('compared').first()).toContainText('lower');
    await page.getByRole('button', { name: 'Draw the rounds' }).click();
    await expect(
      page
        .getByRole('img', { name: 'Distance from target at each corner, round by round' })
        .locator('svg')
        .first(),
    ).toBeVisible();
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LF')).toContainText('towards the spring');
    await expect(page.getByRole('banner')).toContainText('Round 1, rolled');
  });

  test('a plan told is told anew when the sheet changes before anything is turned', async ({ page }) => {
    const id = await quickStart(page, 'Sanderling', READINGS, '365', '362');
    await page.getByRole('button', { name: 'Start turning' }).click();
    await expect(page.getByRole('button', { name: 'Done, front left' })).toBeVisible();
    const before = await page.locator('[data-corner=LF]').innerText();
    await visit(page, `/jobs/${id}/intake`);
    await field(page, 'Target height, front').fill('355');
    await field(page, 'Target height, front').press('Enter');
    await visit(page, `/jobs/${id}/plan`);
    await page.getByRole('button', { name: 'Use this new plan' }).click();
    await expect(page).toHaveURL(/turn$/);
    await expect(async () =>
      expect(await page.locator('[data-corner=LF]').innerText()).not.toBe(before),
    ).toPass();
  });

  test('intake: one value all round, the class’s figures as hints, thread shown once limits are there', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Garganey', READINGS, '365', '362');
    await visit(page, `/jobs/${id}/intake`);
    await expect(field(page, 'Motion ratio, front')).toHaveAttribute('placeholder', '0.71 assumed');
    await field(page, 'Least collar reading, front').fill('60');
    await field(page, 'Least collar reading, front').press('Enter');
    await field(page, 'Motion ratio, front').fill('0.6');
    await field(page, 'Motion ratio, front').press('Enter');
    await page
      .getByRole('row', { name: /Motion ratio/ })
      .getByRole('button', { name: 'rear as front' })
      .click();
    await expect(field(page, 'Motion ratio, rear')).toHaveValue('0.6');
    await field(page, 'Greatest collar reading, front').fill('2 in');
    await expect(page.getByText(/Not possible here: it must be 60 to 1000 mm/)).toBeVisible();
    await field(page, 'Greatest collar reading, front').fill('60');
    await field(page, 'Greatest collar reading, front').press('Enter');
    const refused = page.getByRole('dialog', { name: 'The server would not take this' });
    await expect(refused).toContainText('the least collar reading must be below the greatest');
    await refused.getByRole('button', { name: 'Discard mine' }).click();
    await expect(field(page, 'Greatest collar reading, front')).toHaveValue('');
    await field(page, 'Greatest collar reading, front').fill('120');
    await field(page, 'Greatest collar reading, front').press('Enter');
    await visit(page, `/jobs/${id}/baseline`);
    await field(page, 'Collar reads').first().fill('80');
    await field(page, 'Collar reads').first().press('Enter');
    await showAllMargins(page);
    await expect(page.locator('[data-margin=thread-down]').first()).toContainText('front left');
    await allSent(page);
  });

  test('the view is in the address: a link reopens it, in the reader’s own units', async ({
    page,
    context,
  }) => {
    const id = await quickStart(page, 'Ruff', READINGS, '365', '362');
    await page.getByRole('button', { name: 'in', exact: true }).click();
    await expect(page.getByTestId('move-LF')).toContainText(/\d\/\d+ in of seat|in of seat/);
    const other = await context.newPage();
    await other.goto(`/jobs/${id}/plan`);
    await expect(other.getByRole('button', { name: 'in', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await expect(other.getByRole('heading', { name: 'Ruff' })).toBeVisible();
  });

  test('stages walk with [ and ], corners with 1 to 4, units with u', async ({ page }) => {
    const id = await quickStart(page, 'Knot', READINGS, '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    await expect(page.getByTestId('now-LF')).toBeVisible();
    await page.keyboard.press('3');
    await expect(page.locator('[data-corner=LR] [data-sum]').first()).toBeFocused();
    await page.keyboard.press('u');
    await expect(page.getByTestId('now-LF')).toContainText('in');
    await page.keyboard.press('[');
    await expect(page).toHaveURL(/prep$/);
    await page.keyboard.press('[');
    await expect(page).toHaveURL(/intake$/);
    for (const stage of ['prep', 'baseline', 'scales', 'plan']) {
      await page.keyboard.press(']');
      await expect(page).toHaveURL(new RegExp(`${stage}$`));
    }
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('undo, redo');
    await expect(page.getByTestId('version')).toHaveText(/^Margin \d+\.\d+\.\d+$/);
  });
});

test.describe('two hands at once', () => {
  test('a reading taken in two windows at once: the later is told and can keep theirs', async ({
    page,
    browser,
    baseURL,
  }) => {
    const id = await quickStart(page, 'Dotterel', READINGS, '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    // Another browser: tabs of one share what the server tells.
    const deaf = await (await browser.newContext(baseURL ? { baseURL } : {})).newPage();
    await deaf.route('**/api/events', (route) => route.abort());
    await deaf.goto(`/jobs/${id}/baseline`);
    await expect(deaf.getByTestId('now-LF')).toContainText('375');
    await field(page, 'Front left, reading 2').fill('376');
    await field(page, 'Front left, reading 2').press('Enter');
    await allSent(page);
    await field(deaf, 'Front left, reading 2').fill('378');
    await field(deaf, 'Front left, reading 2').press('Enter');
    const dialog = deaf.getByRole('dialog', { name: 'Changed elsewhere meanwhile' });
    await expect(dialog).toContainText('Height reading 2, front left, baseline');
    await dialog.getByRole('button', { name: 'Keep theirs' }).click();
    await expect(field(deaf, 'Front left, reading 2')).toHaveValue('376');
  });

  test('a job started while the server is away is there when it is back', async ({ page, app }) => {
    await visit(page, '/new?class=truck');
    await field(page, 'Measured height, front left').fill('560');
    await field(page, 'Target height, front').fill('550');
    await field(page, 'Name of the job').fill('Storm Petrel');
    // The sheet's own code is fetched once before the server goes.
    await visit(page, '/jobs/00000000-0000-4000-8000-000100000000/plan');
    await page.getByRole('link', { name: 'Margin, to the jobs' }).click();
    await expect(page.getByRole('searchbox', { name: 'Search jobs and machines' })).toBeVisible();
    await page.keyboard.press('n');
    await expect(field(page, 'Name of the job')).toHaveValue('Storm Petrel');
    await app.stop();
    try {
      await page.getByRole('button', { name: 'Start job' }).click();
      await expect(page.getByRole('heading', { name: 'Storm Petrel' })).toBeVisible();
      await expect(page.getByTestId('unsent')).toContainText('1 entry unsent');
    } finally {
      await app.start();
    }
    await allSent(page);
    await visit(page, '/');
    await expect(page.getByRole('link', { name: /Storm Petrel/ })).toBeVisible();
  });

  test('undo in one window takes back what the other did last, and says what it is', async ({
    page,
    context,
  }) => {
    const id = await quickStart(page, 'Pratincole', READINGS, '365', '362');
    const other = await context.newPage();
    await other.goto(`/jobs/${id}/intake`);
    await field(other, 'Target height, rear').fill('350');
    await field(other, 'Target height, rear').press('Enter');
    await visit(page, `/jobs/${id}/intake`);
    const undo = page.getByRole('button', { name: 'Undo' });
    await expect(undo).toHaveAttribute('title', /Undo: Target height, rear/);
    await undo.click();
    await expect(field(other, 'Target height, rear')).toHaveValue('362');
  });
});

test('on paper: corners where they are, boxes for a pen, no buttons', async ({ page }) => {
  await visit(page, '/jobs/00000000-0000-4000-8000-000100000000/plan');
  await expect(page.getByTestId('move-LF')).toBeVisible();
  await page.setViewportSize({ width: 703, height: 1000 });
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('stopped at').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start turning' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
  const [left, right] = await Promise.all(
    ['LF', 'RF'].map((id) => page.locator(`[data-corner=${id}]`).boundingBox()),
  );
  expect(left?.y).toBe(right?.y);
  expect(left?.x).toBeLessThan(right?.x ?? 0);
});
