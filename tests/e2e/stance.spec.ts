import type { Locator } from '@playwright/test';
import { allSent, expect, field, test, visit } from './app.ts';

const SALTMARSH = '/jobs/00000000-0000-4000-8000-000200000000';
const DUNLIN = '/jobs/00000000-0000-4000-8000-000100000000';

/** The number that a figure shows, whatever stands around it. */
async function shown(figure: Locator): Promise<number> {
  return Number(/(-?[\d.]+)\s*(?:mm|°)/.exec((await figure.innerText()).replace('−', '-'))?.[1] ?? NaN);
}

test.beforeEach(async ({ page }) => visit(page, `${SALTMARSH}/stance`));

test('side view to scale, gaps, rake; other tyres are carried through', async ({ page }) => {
  const side = page.getByTestId('side-view');
  await expect(side.locator('[data-side=before]')).toBeVisible();
  await expect(side).toContainText('sump 103 mm');
  const gaps = page.getByTestId('gaps');
  await expect(gaps.getByRole('row', { name: /Front left/ })).toContainText('52');
  await field(page, 'Front tyre to go on').fill('622');
  await page.keyboard.press('Tab');
  await expect(gaps.getByRole('columnheader', { name: /on the next tyres/ })).toBeVisible();
  const cells = gaps.getByRole('row', { name: /Front left/ }).getByRole('cell');
  expect((await shown(cells.nth(2))) - (await shown(cells.nth(3)))).toBe(10);
  await gaps.getByRole('button', { name: /^Wheel gap after, front left/ }).click();
  await expect(page.getByText('g = h − D / 2')).toBeVisible();
  await gaps.getByRole('button', { name: /^Wheel gap before, front left/ }).click();
  await expect(page.getByText('Wheel gap before the work, front left')).toBeVisible();
  await page
    .getByTestId('rake')
    .getByRole('button', { name: /^Rake now/ })
    .click();
  await expect(page.getByText('mean of the rear now')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(gaps.getByRole('columnheader', { name: /on the next tyres/ })).toHaveCount(0);
  await allSent(page);
});

test('a low point that comes too low is short in the margin; angles follow', async ({ page }) => {
  const angles = page.getByTestId('angles');
  const figure = angles.getByRole('button', { name: /^Approach/ });
  const approach = await shown(figure);
  await field(page, 'splitter, over the ground, baseline').fill('120');
  await page.keyboard.press('Tab');
  // It decides the height: the plan goes higher than was asked for, and says so.
  const why = page.getByRole('region', { name: 'Why it cannot be reached' });
  await expect(why).toContainText(/Splitter has to stay .* over the ground, and decides the height/);
  await expect(page.locator('[data-low-point=splitter]')).not.toContainText('too low');
  await expect.poll(() => shown(figure)).not.toBe(approach);
  await page.getByRole('button', { name: 'Add a low point' }).click();
  await expect(page.locator('[data-low-point=new]')).toContainText('not counted yet');
  await page.getByRole('button', { name: 'Remove the new low point' }).click();
  await expect(page.locator('[data-low-point=new]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Add a low point' }).click();
  await field(page, 'Name of the new low point').fill('nose lip');
  await field(page, 'new low point, ahead of the middle').fill('1900');
  await field(page, 'new low point, left of the middle').fill('0');
  await field(page, 'new low point, over the ground, baseline').fill('180');
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-low-point="nose lip"]')).toBeVisible();
  await page.getByRole('button', { name: 'Remove low point nose lip' }).click();
  await expect(page.locator('[data-low-point="nose lip"]')).toHaveCount(0);
  for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'splitter, over the ground, baseline')).toHaveValue('142');
  await allSent(page);
});

test('the link’s length for no preload, and what it would push as it is', async ({ page }) => {
  const link = page.getByTestId('link-front');
  await expect(link).toContainText('Set the front right link to');
  await expect(link).toContainText('Hooked up as it is, it would push with');
  const length = link.getByRole('button');
  const told = await shown(length);
  await field(page, 'Too short by, front right').fill('6');
  await page.keyboard.press('Tab');
  await expect.poll(() => shown(length)).toBeCloseTo(told + 2, 1);
  await field(page, 'Link per wheel, front').fill('-0.5');
  await page.keyboard.press('Tab');
  await expect(field(page, 'Link per wheel, front')).toHaveValue('-0.5');
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'Too short by, front right')).toHaveValue('4');
  await allSent(page);
});

test('camber and toe: what the plan moves them by is the reason to align once', async ({ page }) => {
  await expect(page.getByTestId('align-once')).toContainText('This plan moves camber');
  await field(page, 'Camber gained, front left').fill('');
  await page.keyboard.press('Tab');
  await expect(field(page, 'Camber gained, front left')).toHaveAttribute('placeholder', /learnt$/);
  await field(page, 'Camber, rear right').fill('-20');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/Not possible here: it must be/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await field(page, 'Camber, rear right').fill('-1.8');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await allSent(page);
});

test('the ledger: measured at a known height, by a table, and cycled to its ends', async ({ page }) => {
  const line = page.locator('[data-ledger="LF coil to arm"]');
  await line.getByRole('button', { name: /^How it moves/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Give it a table' }).click();
  await dialog.getByLabel('Distance, row 1').fill('-2');
  await page.keyboard.press('Tab');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(line).toContainText('by a table of 3');
  await expect(line).toContainText('touches');
  await field(page, 'At full bump, front right').fill('-1');
  await page.keyboard.press('Tab');
  await expect(page.getByText('touches', { exact: true }).last()).toBeVisible();
  await allSent(page);
  for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(line).toContainText('× 0.08');
  await allSent(page);
  await visit(page, `${DUNLIN}/stance`);
  await expect(page.locator('[data-ledger="LF outer joint"]')).toContainText('°');
});
