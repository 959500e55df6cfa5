import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const demo = (n: number, stage: string) => `/jobs/00000000-0000-4000-8000-000${n}00000000/${stage}`;

test('a ratio that changes: table in place of constant, the same on the other side', async ({ page }) => {
  const id = await quickStart(page, 'Pipit', ['375', '375', '381', '381'], '365', '371');
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: 'Motion ratio from, front: constant' }).click();
  const dialog = page.getByRole('dialog', { name: 'Motion ratio, front' });
  await dialog.getByLabel('Motion ratio from').selectOption('table');
  // A pair begun counts for nothing, survives a reload, and counts once both its numbers are there.
  await expect(dialog.getByText('Not counted yet')).toBeVisible();
  await expect(field(page, 'Wheel travel, pair 1')).toHaveCount(0);
  await field(page, 'Wheel travel, pair 2').fill('100');
  await page.keyboard.press('Tab');
  // The cursor stays in the row while it becomes one that is kept.
  await expect(field(page, 'Damper compression, pair 2')).toBeFocused();
  await page.reload();
  await page.getByRole('button', { name: 'Motion ratio from, front: constant' }).click();
  await expect(field(page, 'Wheel travel, pair 2')).toHaveValue('100');
  await field(page, 'Damper compression, pair 2').fill('72');
  await page.keyboard.press('Tab');
  await expect(dialog.getByText('Not counted yet')).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Another pair' }).click();
  await expect(field(page, 'Wheel travel, pair 3')).toHaveValue('');
  await field(page, 'Wheel travel, pair 3').fill('50');
  await page.keyboard.press('Tab');
  await expect(dialog.getByText('A pair counts once both its numbers are typed.')).toBeVisible();
  await field(page, 'Damper compression, pair 3').fill('35');
  await page.keyboard.press('Tab');
  // It stands where its travel puts it.
  await expect(field(page, 'Damper compression, pair 2')).toHaveValue('35');
  await expect(field(page, 'Damper compression, pair 3')).toHaveValue('72');
  await dialog.getByRole('button', { name: 'Another pair' }).click();
  await dialog.getByRole('button', { name: 'Remove pair 4' }).click();
  await dialog.getByRole('button', { name: 'Remove pair 2' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Motion ratio from, front: table' })).toBeVisible();
  await page.getByRole('button', { name: 'Motion ratio from, rear: constant' }).click();
  await page.getByRole('dialog').getByLabel('Motion ratio from').selectOption('two lengths and an angle');
  await expect(page.getByText('2 figures to go')).toBeVisible();
  await field(page, 'Pivot to damper').fill('260');
  await page.keyboard.press('Tab');
  await expect(page.getByText('1 figure to go')).toBeVisible();
  await field(page, 'Pivot to wheel').fill('400');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Not counted yet')).toHaveCount(0);
  // Nobody has read the angle: it is assumed, and says so.
  await expect(field(page, 'Damper to arm, °')).toHaveValue('');
  await expect(field(page, 'Damper to arm, °')).toHaveAttribute('placeholder', /75/);
  await page.keyboard.press('Escape');
  await expect(
    page.getByRole('button', { name: 'Motion ratio from, rear: two lengths and an angle' }),
  ).toBeVisible();
  await allSent(page);
});

test('a cam’s positions and an end-stroke chamber are described as they are read off', async ({ page }) => {
  await visit(page, demo(4, 'intake'));
  await expect(field(page, 'Each further, skid rear arm')).toHaveValue('10');
  await field(page, 'Positions, skid rear arm').fill('5');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Cam stands at, skid rear arm').locator('option')).toHaveCount(5);
  await field(page, 'Cam, first position, skid rear arm').fill('24');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Cam stands at, skid rear arm')).toContainText('5 of 5, 64°');
  await field(page, 'End-stroke pressure, front').fill('9');
  await page.keyboard.press('Tab');
  await expect(field(page, 'End-stroke volume, front')).toHaveValue('70');
  await allSent(page);
  // A chamber behind a piston that the main one would push from the start is refused, and what was good stays.
  await field(page, 'End-stroke pressure, front').fill('2');
  await page.keyboard.press('Tab');
  await expect(field(page, 'End-stroke pressure, front')).toHaveAttribute('aria-invalid', 'true');
  await field(page, 'End-stroke pressure, front').fill('9');
  await page.keyboard.press('Tab');
  await page.reload();
  await expect(field(page, 'End-stroke volume, front')).toHaveValue('70');
  await allSent(page);
});

test('a clearance measured before it goes out is held against the least that was wanted', async ({
  page,
}) => {
  await visit(page, demo(1, 'close-out'));
  const section = page.getByRole('region', { name: 'Clearances at this height' });
  await expect(section.getByRole('row')).toHaveCount(3);
  await expect(section).toContainText('172');
  await field(page, 'Measured, axle to frame, rear left').fill('112');
  await page.keyboard.press('Tab');
  await expect(section).toContainText('short by 8 mm');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(section).not.toContainText('short by');
  await page.getByRole('button', { name: /^Damper starting point/ }).click();
  await field(page, 'Gas charge, rear left').fill('12');
  await page.keyboard.press('Tab');
  await allSent(page);
});

test('a tender is told apart from the springs that carry', async ({ page }) => {
  await visit(page, demo(3, 'intake'));
  const tender = page.getByRole('checkbox', { name: 'Spring 1 is a tender, front' });
  await expect(tender).not.toBeChecked();
  await tender.check();
  await allSent(page);
  await page.reload();
  await expect(tender).toBeChecked();
});
