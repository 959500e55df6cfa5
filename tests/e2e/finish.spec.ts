import { allSent, expect, field, quickStart, readAll, test } from './app.ts';

test('open points stand before the lock, each with its way; going out all the same asks why, and is printed', async ({
  page,
}) => {
  const id = await quickStart(page, 'Phalarope', ['372', '365', '371', '371'], '365', '371');
  await page.goto(`/jobs/${id}/close-out`);
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
  await page.goto(`/jobs/${id}/handover`);
  const open = page.getByRole('region', { name: 'Open points' });
  await expect(open).toContainText('Not in tolerance: front left.');
  await expect(open).toContainText('Why it went out all the same: spring is on order');
});

test('an open point leads to where it is dealt with; with none left it is locked without a word', async ({ page }) => {
  const id = await quickStart(page, 'Knot', ['372', '365', '371', '371'], '365', '371');
  await page.goto(`/jobs/${id}/close-out`);
  await page
    .getByTestId('open-point')
    .filter({ hasText: 'Not in tolerance' })
    .getByRole('link', { name: 'Go there' })
    .click();
  await expect(page).toHaveURL(/\/plan$/);
  await page.goto(`/jobs/${id}/baseline`);
  await page.getByLabel('rolled').check();
  await readAll(page, [365, 365, 371, 371]);
  for (const slot of ['2', '3'])
    for (const [corner, mm] of [['Front left', '365'], ['Front right', '365'], ['Rear left', '371'], ['Rear right', '371']] as const)
      await field(page, `${corner}, reading ${slot}`).fill(mm);
  await page.keyboard.press('Tab');
  await allSent(page);
  await page.goto(`/jobs/${id}/close-out`);
  await expect(page.getByTestId('open-point')).toHaveCount(0);
  await expect(page.getByText(/^In tolerance\. Lock every ring/)).toBeVisible();
  await expect(field(page, 'Why it goes out all the same')).toBeHidden();
  await page.getByRole('button', { name: 'Lock it', exact: true }).click();
  await expect(page.getByText('Locked at these heights.')).toBeVisible();
}); // prettier-ignore
