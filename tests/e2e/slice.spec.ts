import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const CORNERS = ['front left', 'front right', 'rear left', 'rear right'];

test.describe('the whole slice', () => {
  test('by mouse: from bays to locked, with a reload in the middle', async ({ page }) => {
    // By its name: tests before this one may have filled the first part of the list.
    await visit(page, '/?find=curlew');
    await expect(page.locator('a[href*="000300000000"]')).toContainText('Turn rear left');
    await page.getByRole('link', { name: 'car', exact: true }).click();
    for (const corner of CORNERS) await field(page, `Measured height, ${corner}`).fill('375');
    await field(page, 'Target height, front').fill('365');
    await field(page, 'Target height, rear').fill('366');
    // Of a car only the class is known: 0.71 assumed, so 10 mm are about 7 mm of seat.
    await expect(page.getByTestId('first-answer')).toContainText('turns away from the spring');
    for (const corner of CORNERS) await field(page, `Collar reads, ${corner}`).fill('80');
    await field(page, 'Name of the job').fill('Shearwater');
    await page.getByRole('button', { name: 'Start job' }).click();

    await expect(page.getByRole('heading', { name: 'Shearwater' })).toBeVisible();
    await expect(page).toHaveURL(/\/plan$/);
    await expect(page.getByTestId('move-LF')).toContainText(/stop when the collar reads 7\d/);
    await page.getByRole('button', { name: 'Start turning' }).click();
    await expect(page).toHaveURL(/\/turn$/);
    await expect(page.getByText('Support the machine on stands')).toBeVisible();
    await page.getByRole('button', { name: 'Done, front left' }).click();
    await page.getByRole('button', { name: 'Done, front right' }).click();
    await allSent(page);

    await page.reload();
    await expect(page.getByTestId('done')).toHaveCount(2);
    // One seat stopped short: the collar says where.
    await page.getByRole('region', { name: 'rear left' }).getByLabel('Stopped at').fill('72');
    await page.getByRole('region', { name: 'rear left' }).getByLabel('Stopped at').press('Enter');
    await page.getByRole('button', { name: 'Done, rear right' }).click();
    await page.getByTestId('next').click();

    await expect(page).toHaveURL(/\/measure$/);
    await expect(page.getByText('Settle first:')).toBeVisible();
    await page.getByLabel('rolled').check();
    await page.getByLabel('bounced').check();
    for (const slot of ['1', '2', '3']) {
      await field(page, `Front left, reading ${slot}`).fill('365');
      await field(page, `Front right, reading ${slot}`).fill('365.5');
      await field(page, `Rear left, reading ${slot}`).fill('366.5');
      await field(page, `Rear right, reading ${slot}`).fill('366');
    }
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('compared').first()).toContainText(/predicted \d+/);
    await expect(page.getByTestId('learnt')).toContainText(/1 mm of seat moves it/);
    await expect(page.getByTestId('verdict')).toContainText('In tolerance');
    await page.getByTestId('next').click();
    await page.getByRole('button', { name: 'Lock it' }).click();
    await expect(page.getByText('Locked at these heights.')).toBeVisible();
    await allSent(page);
    await page.getByRole('link', { name: 'Margin, to the jobs' }).click();
    await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
    await expect(page.getByRole('link', { name: /Shearwater/ })).toContainText('Locked at its heights');
  });

  test('an impossible target is met with the nearest, and what stands in the way', async ({ page }) => {
    await visit(page, '/?find=dunlin');
    await page.locator('a[href*="000100000000"]').click();
    await expect(page.getByRole('region', { name: 'Why it cannot be reached' })).toContainText(
      'thread is left that way',
    );
    await expect(page.locator('[data-margin=thread-up]')).toContainText('out');
    await page.getByRole('button', { name: /Every corner|show all/ }).click();
    await expect(page.locator('[data-margin=droop]')).toHaveCount(4);
  });

  test('equal left and right', async ({ page }) => {
    await quickStart(page, 'Whimbrel', ['376', '374', '372', '370'], '365', '362');
    const turns = async (id: string) =>
      /([\d/ ]+) turns? (towards|away)/.exec(await page.getByTestId(`move-${id}`).innerText())?.[0];
    const moves = async () => Promise.all(['LF', 'RF'].map(turns));
    await expect(async () => expect(new Set(await moves()).size).toBe(2)).toPass();
    await page.getByLabel('equal left and right').check();
    await expect(async () => expect(new Set(await moves()).size).toBe(1)).toPass();
  });
});
