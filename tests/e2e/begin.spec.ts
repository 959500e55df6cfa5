import type { Page } from '@playwright/test';
import { expect, field, test, visit } from './app.ts';

/** Picks what is turned at an end from its pictures. */
async function pick(page: Page, where: string, what: RegExp) {
  await page.getByRole('button', { name: new RegExp(`^What is turned, ${where}`) }).click();
  await page.getByRole('dialog').getByRole('button', { name: what }).click();
}

test('a sled’s rear by its quick adjuster: one end, as it rests, position and both sides told', async ({
  page,
}) => {
  await visit(page, '/new?class=car');
  await page.getByRole('radio', { name: 'snowmobile' }).click();
  await field(page, 'Rider in full gear').fill('88');
  await page.getByLabel('Both skis', { exact: true }).uncheck();
  await pick(page, 'skid rear arm', /^Cam or quick adjuster/);
  await page.getByRole('button', { name: 'Continue' }).click();
  // Nothing else is asked.
  await expect(page.getByRole('heading', { name: /ski$/ })).toHaveCount(0);
  await page.getByLabel('Half positions, skid rear arm').check();
  await page.getByLabel('Cam stands at, skid rear arm').selectOption({ label: 'position 1 1/2 of 4' });
  await field(page, 'Fully extended, skid rear arm, reading 1').fill('618');
  await field(page, 'Rider on, as it rests, skid rear arm, reading 1').fill('522');
  await page.keyboard.press('Tab');
  await field(page, 'Rider on, as it rests, skid rear arm, reading 2').fill('524');
  await page.keyboard.press('Tab');
  const end = page.getByTestId('sag-end-RA');
  await expect(end).toContainText(/95\s?mm\s*measured/);
  await expect(page.getByTestId('move-RA')).toContainText(/Position (2 1\/2|3|3 1\/2), both sides alike/);
  await expect(end).toContainText('can’t tell yet');
  await expect(end).not.toContainText('Topped out');
});

test('skis by air, with nobody on: what the band shows is the figure, and air is added', async ({ page }) => {
  await visit(page, '/sag?class=snowmobile');
  await page.getByLabel('Skid rear arm', { exact: true }).uncheck();
  await pick(page, 'both skis', /^Air/);
  await field(page, 'From at the shaft, both skis').fill('18');
  await field(page, 'To at the shaft, both skis').fill('26');
  await page.keyboard.press('Tab');
  // Nobody rides: nobody is asked for.
  await expect(field(page, 'Rider in full gear')).toHaveCount(0);
  await page.getByRole('button', { name: 'Continue' }).click();
  await field(page, 'Pressure now, left ski').fill('62 psi');
  await page.keyboard.press('Tab');
  await expect(field(page, 'Pressure now, right ski')).toHaveValue('4.3');
  for (const ski of ['left ski', 'right ski'])
    await field(page, `Nobody on, by a band, ${ski}, reading 1`).fill('34');
  await page.keyboard.press('Tab');
  for (const id of ['LS', 'RS']) {
    await expect(page.getByTestId(`sag-end-${id}`)).toContainText(/34\s?mm\s*measured, at the shaft/);
    await expect(page.getByTestId(`sag-end-${id}`)).not.toContainText('rider on');
    await expect(page.getByTestId(`move-${id}`)).toContainText('Add air to');
  }
  await page.getByRole('button', { name: 'Units of each quantity' }).click();
  const units = page.getByRole('dialog', { name: 'Units' });
  await units.getByRole('group', { name: 'Pressure' }).getByRole('button', { name: 'kPa' }).click();
  await units.getByRole('button', { name: 'Close' }).click();
  await expect(field(page, 'Pressure now, left ski')).toHaveValue('427');
  await expect(page.getByTestId('move-LS')).toContainText(/Add air to \d{3} kPa/);
});

test('an end without a window, and none at all, are asked for before it goes on', async ({ page }) => {
  await visit(page, '/sag?class=snowmobile');
  await page.getByLabel('Set with, skid rear arm').selectOption({ label: 'nobody on' });
  await expect(page.getByText('Say what sag is wanted, skid rear arm.')).toBeVisible();
  await field(page, 'From, skid rear arm').fill('40');
  await field(page, 'To, skid rear arm').fill('30');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/must end above where it begins/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Continue' })).toBeDisabled();
  for (const end of ['Both skis', 'Skid rear arm']) await page.getByLabel(end, { exact: true }).uncheck();
  await expect(page.getByText('Choose at least one end.')).toBeVisible();
});

test('readers in inches have the usual windows in round inches', async ({ page }) => {
  await visit(page, '/sag?class=snowmobile');
  await page.getByRole('button', { name: 'in', exact: true }).click();
  await expect(field(page, 'From, skid rear arm')).toHaveAttribute('placeholder', '2 assumed');
  await expect(field(page, 'To, skid rear arm')).toHaveAttribute('placeholder', '3 assumed');
});

test('a dual-purpose rear: its window follows the travel when that is corrected, and the answer is to leave it', async ({
  page,
}) => {
  await visit(page, '/sag?class=dual-purpose');
  await page.getByLabel('Front wheel', { exact: true }).uncheck();
  await page.getByRole('button', { name: 'Continue' }).click();
  await field(page, 'Fully extended, rear wheel, reading 1').fill('640');
  await field(page, 'Rider on, as it rests, rear wheel, reading 1').fill('544');
  await page.keyboard.press('Tab');
  const move = page.getByTestId('move-RW');
  await expect(move).toContainText(/turns towards the spring/);
  await page.getByRole('button', { name: /^What is fitted/ }).click();
  await field(page, 'Wheel travel, rear wheel').fill('290');
  await page.keyboard.press('Tab');
  await expect(move).toContainText('Leave it');
  await expect(page.getByTestId('sag-end-RW')).toContainText(/96\s?mm\s*measured, 33 % of travel/);
  // Lower by links: the front follows, and what is left to the fender is asked.
  await page.getByRole('button', { name: /^Lower or higher/ }).click();
  await expect(page.getByTestId('lowering')).toContainText('27.6');
  await field(page, 'Tyre to fender at full bump, rear wheel').fill('20');
  await page.keyboard.press('Tab');
  await expect(page.getByText('it would touch')).toBeVisible();
});

test('a gauge zeroed at full extension: nothing is read hanging, and what it shows is the sag', async ({
  page,
}) => {
  await visit(page, '/sag?class=scooter');
  await page.getByLabel('Rear wheel', { exact: true }).uncheck();
  await page.getByLabel('Read by, front wheel').selectOption({ label: 'gauge zeroed at full extension' });
  await page.getByRole('button', { name: 'Continue' }).click();
  await expect(field(page, 'Fully extended, front wheel, reading 1')).toHaveCount(0);
  await expect(page.getByTestId('next-sag')).toContainText('Let it rest');
  await field(page, 'Rider on, as it rests, front wheel, reading 1').fill('27');
  await page.keyboard.press('Tab');
  await expect(page.getByTestId('sag-end-FW')).toContainText(/27\s?mm\s*measured/);
  await page
    .getByTestId('sag-end-FW')
    .getByRole('button', { name: /^Rider sag/ })
    .click();
  await expect(page.getByRole('region', { name: /^Calculation: Sag/ })).toContainText(
    'zeroed fully extended',
  );
});
