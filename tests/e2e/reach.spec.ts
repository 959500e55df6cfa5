import type { Page } from '@playwright/test';
import { expect, field, put, quickStart, readAll, test, turnAsTold, unfold, visit } from './app.ts';

/** Opens the targets by what is wanted and chooses one. */
async function wanted(page: Page, id: string, what: string) {
  await visit(page, `/jobs/${id}/intake`);
  const kind = page.getByLabel('What is wanted');
  if (!(await kind.isVisible()))
    await page.getByRole('button', { name: /Targets from what is wanted/ }).click();
  await kind.selectOption({ label: what });
}

test('the rear as high as it goes, then the front to match it: the rear is set once', async ({ page }) => {
  const id = await quickStart(page, 'Avocet', ['361', '361', '341', '343'], '361', '342');
  await wanted(page, id, 'one end as high as it goes');
  await field(page, 'Which end').selectOption('rear');
  await expect(page.getByText('say what thread is left')).toBeVisible();
  await field(page, 'Thread left').fill('8');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Set the targets' }).click();
  await visit(page, `/jobs/${id}/plan`);
  const first = await turnAsTold(page, id, 1);
  expect(first.LR).toBe(8);
  expect(first.LF ?? 0).toBe(0);
  // 1.4 mm at the wheel for each of the seat.
  await visit(page, `/jobs/${id}/measure`);
  await field(page, 'rolled').check();
  await readAll(page, [361, 361, 352, 354]);
  await wanted(page, id, 'one end as it now stands');
  const set = page.getByRole('button', { name: 'Set the targets' });
  if (await set.isEnabled()) await set.click();
  await wanted(page, id, 'one end to match the other');
  await field(page, 'Which end').selectOption('front');
  await field(page, 'Higher by').fill('0');
  await page.keyboard.press('Tab');
  await set.click();
  await visit(page, `/jobs/${id}/plan`);
  const second = await turnAsTold(page, id, 2);
  expect(second.LR ?? 0).toBe(0);
  expect(second.LF).toBeLessThan(0);
});

test('a seat is read from the edge that is in reach: both stops are told once two readings tie them', async ({
  page,
}) => {
  const id = await quickStart(page, 'Dotterel', ['369', '371', '380', '380'], '385', '380');
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: /Where it is measured/ }).click();
  const edge = page.getByLabel(/^Second edge of the seat, front/).first();
  await edge.fill('bracket edge');
  await edge.press('Tab');
  await visit(page, `/jobs/${id}/baseline`);
  const corner = page.locator('[data-corner=LF]');
  for (const [label, mm] of [
    ['Collar reads', '196'],
    ['Reads from second edge', '51'],
  ] as const) {
    await corner.getByLabel(label, { exact: true }).fill(mm);
    await corner.getByLabel(label, { exact: true }).press('Tab');
  }
  await visit(page, `/jobs/${id}/plan`);
  const stop = page.locator('[data-corner=LF]').getByText(/that is .* from bracket edge/);
  await expect(stop).toBeVisible();
  const [first, second] = ((await stop.innerText()).match(/[\d.]+/g) ?? []).map(Number);
  expect((first ?? 0) - (second ?? 0)).toBeCloseTo(196 - 51, 1);
});

test('targets down from the standard heights; a load tells what it lowers and the preload that takes it back', async ({
  page,
}) => {
  const id = await quickStart(page, 'Whinchat', ['369', '371', '380', '380'], '385', '380');
  await wanted(page, id, 'down from the standard height');
  for (const [label, mm] of [
    ['Front, standard', 390],
    ['Front, down by', 25],
    ['Rear, standard', 395],
    ['Rear, down by', 20],
  ] as const)
    await put(page, label, mm);
  await page.getByRole('button', { name: 'Set the targets' }).click();
  await expect(field(page, 'Target height, front')).toHaveValue('365');
  await expect(field(page, 'Target height, rear')).toHaveValue('375');
  await unfold(page, /^Springs and weights/);
  await page.getByRole('button', { name: 'Add a load' }).click();
  for (const [label, value] of [
    ['What load 1 is', 'toolbox'],
    ['Weight, toolbox', 60],
    ['Place ahead, toolbox', -1300],
  ] as const)
    await put(page, label, value);
  const loads = page.getByRole('region', { name: 'Loads' });
  await expect(loads).toContainText(/Toolbox lowers the rear ≈ [\d.]+ ± [\d.]+\s?mm\. More preload of ≈/);
  await expect(loads).toContainText('Its springs are assumed.');
});
