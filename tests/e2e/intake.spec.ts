import { allSent, expect, field, quickStart, test, visit } from './app.ts';

test('what is the same on both sides is asked once, and each side by itself where that is wanted', async ({
  page,
}) => {
  const id = await quickStart(page, 'Knot', ['375', '375', '371', '371'], '365', '362');
  await visit(page, `/jobs/${id}/intake`);
  await field(page, 'Wheel travel, front').fill('142');
  await page.keyboard.press('Enter');
  await allSent(page);
  const corners = async () =>
    ((await (await page.request.get(`/api/jobs/${id}`)).json()) as { document: { corners: Record<string, { travelMm: number | null }> } }).document.corners; // oxfmt-ignore
  expect((await corners()).LF?.travelMm).toBe(142);
  expect((await corners()).RF?.travelMm).toBe(142);
  expect((await corners()).LR?.travelMm).toBeNull();

  const both = page.getByRole('checkbox', { name: 'Same both sides, front' });
  await both.uncheck();
  await field(page, 'Wheel travel, front right').fill('150');
  await page.keyboard.press('Enter');
  await allSent(page);
  await both.check();
  // They differ: both stay in sight, and what is alike is asked once again.
  await expect(field(page, 'Wheel travel, front left')).toHaveValue('142');
  await expect(field(page, 'Wheel travel, front right')).toHaveValue('150');
  await expect(field(page, 'Target height, front')).toHaveValue('365');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'Wheel travel, front')).toHaveValue('142');
});

test('a refused word is never hidden by showing sides together or apart', async ({ page }) => {
  const id = await quickStart(page, 'Ruff', ['375', '375', '371', '371'], '365', '362');
  await visit(page, `/jobs/${id}/intake`);
  await field(page, 'Target height, front').fill('36o');
  await page.keyboard.press('Tab');
  const both = page.getByRole('checkbox', { name: 'Same both sides, front' });
  await both.uncheck();
  await expect(field(page, 'Target height, front left')).toHaveValue('36o');
  await expect(field(page, 'Target height, front left')).toHaveAttribute('aria-invalid', 'true');
  await field(page, 'Target height, front left').fill('365');
  await field(page, 'Target height, front right').fill('36o');
  await page.keyboard.press('Tab');
  await both.check();
  await expect(field(page, 'Target height, front right')).toHaveValue('36o');
  await field(page, 'Target height, front right').fill('365');
  await page.keyboard.press('Tab');
  await expect(field(page, 'Target height, front')).toHaveValue('365');
  await allSent(page);
});
