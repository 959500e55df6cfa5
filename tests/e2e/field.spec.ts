import { allSent, expect, field, quickStart, test, visit } from './app.ts';

test.describe('the number field', () => {
  test.beforeEach(({ page }) => visit(page, '/new?class=car'));

  test('says how it understood, in both systems, while typing', async ({ page }) => {
    const input = field(page, 'Measured height, front left');
    for (const [typed, echo] of [
      ['14 3/4', '374.65 mm · 14 3/4 in'],
      [`1' 2 3/4"`, '374.65 mm · 14 3/4 in'],
      ['37,5 cm', '375 mm · 14 3/4 in'],
      ['375', '375 mm · 14 3/4 in'],
    ] as const) {
      await input.fill(typed);
      await expect(page.getByText(echo)).toBeVisible();
    }
  });

  test('refuses the impossible with the reason, keeps it, and never loses the last good value', async ({
    page,
  }) => {
    const input = field(page, 'Measured height, front left');
    await input.fill('375');
    await input.press('Enter');
    await input.fill('37500');
    await input.press('Enter');
    await expect(input).toBeFocused();
    await expect(page.getByText(/^Not possible here: it must be 0 to 3000 mm/)).toBeVisible();
    await page.reload();
    await expect(input).toHaveValue('37500');
    await input.focus();
    await input.press('Escape');
    await expect(input).toHaveValue('375');
  });

  test('questions a reading 40 mm off its twin, and keeps it', async ({ page }) => {
    await field(page, 'Measured height, front left').fill('375');
    await field(page, 'Measured height, front left').press('Enter');
    await page.keyboard.type('415');
    await expect(page.getByText('40 mm off its twin across the axle')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(field(page, 'Measured height, front right')).toHaveValue('415');
  });

  test('steps with the arrow keys; Shift steps ten; Shift+Enter goes back', async ({ page }) => {
    const input = field(page, 'Measured height, front left');
    await input.fill('375');
    await input.press('ArrowUp');
    await expect(input).toHaveValue('375.5');
    await input.press('Shift+ArrowDown');
    await expect(input).toHaveValue('370.5');
    await input.press('Enter');
    await expect(field(page, 'Measured height, front right')).toBeFocused();
    await page.keyboard.press('Shift+Enter');
    await expect(input).toBeFocused();
  });

  test('bare numbers take the unit chosen; what is kept does not change with it', async ({ page }) => {
    await page.getByRole('button', { name: 'in', exact: true }).click();
    const input = field(page, 'Measured height, front left');
    await input.fill('14.75');
    await input.press('Enter');
    await expect(input).toHaveValue('14 3/4');
    await page.getByRole('button', { name: 'mm', exact: true }).click();
    await expect(input).toHaveValue('374.65');
  });

  test('the travel rule moves while typing, before anything is kept', async ({ page }) => {
    const id = await quickStart(page, 'Turnstone', ['375', '375', '371', '371'], '365', '362');
    await visit(page, `/jobs/${id}/baseline`);
    const target = page.locator('[data-rule="front left"] [data-mark=target]').locator('..');
    const before = await target.getAttribute('style');
    await field(page, 'Front left, reading 2').fill('385');
    await expect(target).not.toHaveAttribute('style', before ?? '');
    await page.keyboard.press('Escape');
    await expect(target).toHaveAttribute('style', before ?? '');
    await allSent(page);
  });
});
