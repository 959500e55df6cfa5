import type { Page } from '@playwright/test';
import { expect, quickStart, test, visit } from './app.ts';

/** A job that is being turned; gives its id. */
async function turned(page: Page, name: string): Promise<string> {
  await quickStart(page, name, ['375', '376', '371', '372'], '365', '366');
  const id = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await visit(page, `/jobs/${id}/bay`);
  await page.getByRole('button', { name: 'Start turning' }).click();
  await expect(page.getByTestId('bay-figure')).toBeVisible();
  return id;
}

test('two bays on one screen: each is chosen from the list, and the keys go to the one last touched', async ({
  page,
}) => {
  const first = await turned(page, 'Whinchat');
  await turned(page, 'Stonechat');
  await visit(page, `/jobs/${first}/bay`);
  await page.getByRole('link', { name: 'A second bay beside it' }).click();
  const left = page.getByRole('region', { name: 'Left bay' });
  const right = page.getByRole('region', { name: 'Right bay' });
  await expect(left.getByRole('heading', { name: 'Whinchat' })).toBeVisible();
  const choice = right.getByLabel('Job in the right bay');
  await expect(choice.locator('option', { hasText: 'Whinchat' })).toHaveCount(0);
  await choice.selectOption('Stonechat');
  await expect(right.getByRole('heading', { name: 'Stonechat' })).toBeVisible();

  const counted = (bay: typeof left) => bay.getByTestId('counted');
  await right.getByTestId('bay-figure').click();
  await page.keyboard.press('Space');
  await expect(counted(right)).toHaveText(/^1\s?turn/);
  await expect(counted(left)).toHaveText(/^0/);
  await left.getByTestId('bay-figure').click();
  await page.keyboard.press('ArrowUp');
  await expect(counted(left)).toHaveText(/^1\/8/);
  await expect(counted(right)).toHaveText(/^1\s?turn/);
  await page.keyboard.press('Enter');
  await expect(left).toContainText('2 of');
  await expect(right).toContainText('1 of');

  // What is on the screen is in its address.
  await page.reload();
  await expect(left.getByRole('heading', { name: 'Whinchat' })).toBeVisible();
  await expect(right.getByRole('heading', { name: 'Stonechat' })).toBeVisible();
});

test('where something has to be decided first, the bay leads to the sheet and does not offer to turn', async ({
  page,
}) => {
  // Its target is out of reach.
  await visit(page, '/jobs/00000000-0000-4000-8000-000100000000/bay');
  await expect(page.getByText('Target cannot be reached: choose what to change')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start turning' })).toHaveCount(0);
  await page.getByRole('link', { name: 'To the sheet', exact: true }).click();
  await expect(page).toHaveURL(/\/plan$/);
});
