import { allSent, expect, field, quickStart, test, visit } from './app.ts';

test('two rounds side by side, and the first put back as the next plan', async ({ page }) => {
  await quickStart(page, 'Stint', Array<string>(4).fill('375'), '365', '365');
  await page.getByRole('link', { name: /^Baseline/ }).click();
  for (const corner of ['Front left', 'Front right', 'Rear left', 'Rear right'])
    await page.getByRole('region', { name: corner.toLowerCase() }).getByLabel('Collar reads').fill('90');
  await page.keyboard.press('Tab');
  await page.getByRole('link', { name: /^Plan/ }).click();
  await page.getByRole('button', { name: 'Start turning' }).click();
  for (const corner of ['front left', 'front right', 'rear left', 'rear right'])
    await page.getByRole('button', { name: `Done, ${corner}` }).click();
  await page.getByRole('link', { name: /^Measure again/ }).click();
  for (const corner of ['Front left', 'Front right', 'Rear left', 'Rear right'])
    await field(page, `${corner}, reading 1`).fill('366');
  await page.keyboard.press('Tab');
  await allSent(page);

  await visit(page, '/');
  await page.getByRole('link', { name: 'Logbook' }).click();
  const sheet = page.getByRole('region', { name: 'Settings of Stint' });
  await expect(sheet).toBeVisible();
  const row = sheet.getByRole('row', { name: /Front left/ });
  await expect(row).toContainText('366');
  await expect(row).toContainText('375');
  await expect(row).toContainText(/turns towards the spring/);
  // The view is in the address: it opens again as it was left.
  await page.getByLabel('From').selectOption({ index: 1 });
  await page.reload();
  await expect(page.getByLabel('From')).toHaveValue(/\.0$/);
  await page.getByLabel('From').selectOption({ index: 0 });
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('region', { name: 'front left' })).toContainText(
    'stop when the collar reads 90',
  );
  await allSent(page);
});

test('every machine has its page, also a sled with its cam, and one that is locked says so', async ({
  page,
}) => {
  await visit(page, '/book');
  await page.getByRole('button', { name: /Kittiwake/ }).click();
  await expect(page.getByRole('region', { name: 'Settings of Kittiwake' })).toContainText('position 1');
  await page
    .getByRole('button', { name: /Turnstone/ })
    .first()
    .click();
  await expect(page.getByLabel('From')).toContainText('locked');
  await expect(page.getByText('Locked: open it again')).toBeVisible();
});

test('at 390 px the book scrolls within itself, not the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await visit(page, '/book');
  await expect(page.getByRole('table')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
