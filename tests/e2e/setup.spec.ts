import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const SIDES = ['front left', 'front right', 'rear left', 'rear right'];

test('a side-by-side: the first reading is ready to be typed, the offset and what is fitted are at hand', async ({
  page,
}) => {
  await visit(page, '/new?class=side-by-side');
  await expect(field(page, 'Measured height, front left')).toBeFocused();
  for (const [k, mm] of ['342', '342', '366', '368'].entries())
    await field(page, `Measured height, ${SIDES[k] ?? ''}`).fill(mm);
  await page.getByRole('button', { name: 'at another point?' }).click();
  await field(page, 'Offset, front').fill('-20');
  await field(page, 'Target height, front').fill('380');
  await field(page, 'Target height, rear').fill('372');
  await page.getByRole('button', { name: 'What is turned, rear: seat collar' }).click();
  await page.getByRole('button', { name: /^Spring apart/ }).click();
  await expect(
    page.getByRole('button', { name: 'What is turned, rear: spring apart on the arm' }),
  ).toBeVisible();
  // The specified point lies 20 below the tube: 322 against 380.
  await expect(page.getByTestId('first-answer')).toContainText(/Raise 5[5-9] mm/);
  await page.getByRole('button', { name: 'Start job' }).click();
  await expect(page).toHaveURL(/\/jobs\//);
  await allSent(page);
  const id = /jobs\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';
  const { document } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    document: { corners: Record<string, { reference: { offsetMm: number }; fitting: string }> };
  };
  expect(['LF', 'RF', 'LR'].map((one) => document.corners[one]?.reference.offsetMm)).toEqual([-20, -20, 0]);
  expect(['LF', 'LR', 'RR'].map((one) => document.corners[one]?.fitting)).toEqual(['seat', 'apart', 'apart']);
});

test('a bike has a column for each end, and asks whether a rider is on', async ({ page }) => {
  await visit(page, '/new?class=motorcycle');
  const target = await field(page, 'Target height, rear wheel').boundingBox();
  const fitted = await page.getByRole('button', { name: /^What is turned, rear wheel/ }).boundingBox();
  expect(Math.abs((target?.x ?? NaN) - (fitted?.x ?? NaN))).toBeLessThan(8);
  await page.getByLabel('Height reference, rear wheel').selectOption({ label: 'axle to mark' });
  await page.getByRole('link', { name: 'Rider on: set sag' }).click();
  await expect(page).toHaveURL(/\/sag\?class=motorcycle/);
  await expect(page.getByRole('heading', { name: 'Who rides it, and what is set?' })).toBeVisible();
});

test('on a phone the open stage stands alone; the others unfold, and fold again once one is chosen', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await visit(page, '/jobs/00000000-0000-4000-8000-000100000000/plan');
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await expect(stages.getByRole('link')).toHaveCount(0);
  await stages.getByRole('button', { name: /^Stage \d+ of \d+$/ }).click();
  await stages.getByRole('link', { name: /^Baseline/ }).click();
  await expect(page).toHaveURL(/baseline$/);
  await expect(stages.getByText('Baseline', { exact: true })).toBeVisible();
  await expect(stages.getByRole('link')).toHaveCount(0);
});

test('on a phone another stage begins at its top', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 700 });
  await quickStart(page, 'Ruff', ['375', '375', '371', '371'], '365', '362');
  await page.getByRole('button', { name: 'Start turning' }).scrollIntoViewIfNeeded();
  const down = () => page.evaluate(() => window.scrollY);
  const left = await down();
  expect(left).toBeGreaterThan(200);
  await page.getByRole('button', { name: 'Start turning' }).click();
  await expect(page).toHaveURL(/turn$/);
  await expect.poll(down).toBe(0);
});
