import { referenceKinds } from '#core/geometry/reference.ts';
import { expect, test, visit } from './app.ts';

test('a word of the trade is found by what else it is called, and its entry is opened', async ({ page }) => {
  await visit(page, '/');
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByPlaceholder('Job, stage, command or word').fill('leverage');
  await page.getByRole('option', { name: 'Motion ratio' }).click();
  await expect(page).toHaveURL(/\/help#motion-ratio$/);
  const entry = page.locator('#motion-ratio');
  await expect(entry).toBeFocused();
  await expect(entry).toBeInViewport();
  await expect(entry).toContainText('With 0.5, 1 mm of collar moves the machine 2 mm.');
});

test('every way to take a height is drawn; keys, printing and typing stand there too', async ({ page }) => {
  await visit(page, '/');
  await page.getByRole('link', { name: 'Help' }).click();
  await expect(page.getByRole('heading', { name: 'Help', exact: true })).toBeVisible();
  for (const kind of Object.keys(referenceKinds))
    await expect(page.locator(`[data-reference=${kind}] svg`)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Keys' })).toContainText('bay view');
  await expect(page.getByRole('region', { name: 'Printing' })).toContainText('Handover sheet');
  await expect(page.getByRole('region', { name: 'Typing and units' })).toContainText('14 3/4 in');
});

test('a label with a word of the trade opens what it means, over the page', async ({ page }) => {
  await visit(page, '/jobs/00000000-0000-4000-8000-000200000000/intake');
  const dialog = page.getByRole('dialog');
  await page.getByRole('button', { name: 'Motion ratio', exact: true }).click();
  await expect(dialog).toContainText('How far the damper moves');
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'What tolerance means' }).click();
  await expect(dialog.getByRole('heading', { name: 'Tolerance' })).toBeVisible();
  await dialog.getByRole('link', { name: 'All words' }).click();
  await expect(page).toHaveURL(/help#tolerance$/);
  await expect(page.getByRole('article', { name: 'Tolerance' })).toBeFocused();
});
