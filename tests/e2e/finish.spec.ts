import { allSent, expect, field, quickStart, readAll, test, visit } from './app.ts';

test('open points stand before the lock, each with its way; going out all the same asks why, and is printed', async ({
  page,
}) => {
  const id = await quickStart(page, 'Phalarope', ['372', '365', '371', '371'], '365', '371');
  await visit(page, `/jobs/${id}/close-out`);
  await expect(
    page.getByRole('heading', { name: /^Not finished: \d+ points? (is|are) open\.$/ }),
  ).toBeVisible();
  const point = page.getByTestId('open-point').filter({ hasText: 'Not in tolerance: front left.' });
  await expect(point).toBeVisible();
  // Limits that nobody gave are listed and hold nothing up.
  await expect(page.getByTestId('not-checked')).toContainText('coil space');
  const why = field(page, 'Why it goes out all the same');
  await expect(why).toBeHidden();
  await page.getByRole('button', { name: 'Lock it as it is' }).click();
  await expect(why).toBeVisible();
  await page.getByRole('button', { name: 'Lock it as it is' }).click();
  await expect(page.getByRole('alert')).toHaveText('Say why first: it is printed with the open points.');
  await expect(page.getByText('Locked at these heights.')).toBeHidden();
  await why.fill('spring is on order');
  await page.reload();
  await expect(why).toHaveValue('spring is on order');
  await page.getByRole('button', { name: 'Lock it as it is' }).click();
  await expect(page.getByText('Locked at these heights.')).toBeVisible();
  await expect(page.getByText(/with points open: spring is on order/)).toBeVisible();
  await allSent(page);
  await visit(page, `/jobs/${id}/handover`);
  const open = page.getByRole('region', { name: 'Open points' });
  await expect(open).toContainText('Not in tolerance: front left.');
  await expect(open).toContainText('Why it went out all the same: spring is on order');
});

test('an open point leads to where it is dealt with; with none left it is locked without a word', async ({ page }) => {
  const id = await quickStart(page, 'Knot', ['372', '365', '371', '371'], '365', '371');
  await visit(page, `/jobs/${id}/close-out`);
  await page
    .getByTestId('open-point')
    .filter({ hasText: 'Not in tolerance' })
    .getByRole('link', { name: 'Go there' })
    .click();
  await expect(page).toHaveURL(/\/plan$/);
  await visit(page, `/jobs/${id}/baseline`);
  await page.getByLabel('rolled').check();
  await readAll(page, [365, 365, 371, 371]);
  for (const slot of ['2', '3'])
    for (const [corner, mm] of [['Front left', '365'], ['Front right', '365'], ['Rear left', '371'], ['Rear right', '371']] as const)
      await field(page, `${corner}, reading ${slot}`).fill(mm);
  await page.keyboard.press('Tab');
  await allSent(page);
  await visit(page, `/jobs/${id}/close-out`);
  await expect(page.getByTestId('open-point')).toHaveCount(0);
  await expect(page.getByText(/^In tolerance\. Lock every ring/)).toBeVisible();
  await expect(field(page, 'Why it goes out all the same')).toBeHidden();
  await page.getByRole('button', { name: 'Lock it', exact: true }).click();
  await expect(page.getByText('Locked at these heights.')).toBeVisible();
}); // oxfmt-ignore

test('how near is near enough is asked where it is only assumed, and decides at once', async ({ page }) => {
  const id = await quickStart(page, 'Dabchick', ['374', '374', '376', '376'], '370', '372');
  await visit(page, `/jobs/${id}/close-out`);
  const asked = field(page, 'Tolerance, each corner ±');
  await expect(page.getByText('± 6 mm is assumed. Is that near enough?')).toBeVisible();
  await expect(page.locator('tbody')).not.toContainText('out');
  await asked.fill('3');
  await page.keyboard.press('Tab');
  await expect(asked).toHaveCount(0);
  await expect(page.getByRole('heading', { name: /^Not finished/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Front left/ })).toContainText('out');
});

test('as it came and all in, New setup and Plan say to read it once more, and nothing is to be turned', async ({
  page,
}) => {
  const id = await quickStart(page, 'Brambling', ['374', '371', '377', '373'], '374', '374');
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.getByText('Nothing to turn yet: roll it, then read once more to be sure.')).toBeVisible();
  for (const corner of ['LF', 'RF', 'LR', 'RR'])
    await expect(page.getByTestId(`move-${corner}`)).toContainText('Leave it');
  await visit(page, '/new?class=car');
  for (const [k, corner] of ['front left', 'front right', 'rear left', 'rear right'].entries())
    await field(page, `Measured height, ${corner}`).fill(['374', '371', '377', '373'][k] ?? '');
  await field(page, 'Target height, front').fill('374');
  await field(page, 'Target height, rear').fill('374');
  await expect(page.getByTestId('first-answer')).toContainText('Roll it, then read once more to be sure.');
});
