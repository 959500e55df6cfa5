import { allSent, expect, field, quickStart, test, showAllMargins, visit } from './app.ts';

const DUNLIN = '/jobs/00000000-0000-4000-8000-000100000000';

test.describe('springs and weights', () => {
  test('a spring given in pounds per inch is kept, opens the margins of its corner and survives a reload', async ({
    page,
  }) => {
    await quickStart(page, 'Whimbrel', Array<string>(4).fill('375'), '365', '365');
    await page.getByRole('link', { name: /^Intake/ }).click();
    await page.getByRole('button', { name: /Springs and weights/ }).click();

    await field(page, 'Spring rate, front').fill('200 lb/in');
    await expect(page.getByText('35 N/mm · 200 lb/in')).toBeVisible();
    await page.keyboard.press('Tab');
    await field(page, 'Free length, front').fill('250');
    await field(page, 'Solid length, front').fill('260');
    await page.keyboard.press('Tab');
    // What crosses is refused in the field and nothing else is touched.
    await expect(field(page, 'Solid length, front')).toHaveAttribute('aria-invalid', 'true');
    await field(page, 'Solid length, front').fill('100');
    await page.keyboard.press('Tab');
    await field(page, 'Preload at droop, front').fill('20');
    await page.keyboard.press('Tab');
    const column = page.getByRole('complementary', { name: 'Margins' });
    await showAllMargins(page);
    await expect(column).toContainText('Coil space at full bump');
    await expect(column).toContainText('Preload at full droop');
    await allSent(page);

    await page.reload();
    await expect(field(page, 'Spring rate, front')).toHaveValue('35.03');
    await page.getByRole('button', { name: 'in', exact: true }).click();
    await expect(field(page, 'Spring rate, front')).toHaveValue('200');
  });

  test('a load aboard in its own case: the margin says in which case it is least; undo takes it back', async ({
    page,
  }) => {
    await visit(page, `${DUNLIN}/intake`);
    const column = page.getByRole('complementary', { name: 'Margins' });
    await showAllMargins(page);
    await expect(column).toContainText('loaded for a week');
    await page.getByLabel('boat gear in the bed aboard loaded for a week').uncheck();
    await expect(column).not.toContainText('loaded for a week');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(column).toContainText('loaded for a week');
    await page.getByRole('button', { name: 'Add a load', exact: true }).click();
    await expect(field(page, 'Weight, load 2')).toHaveValue('0');
    await page.getByRole('button', { name: 'Remove load 2' }).click();
    await expect(page.getByLabel('What load 2 is')).toHaveCount(0);
    await allSent(page);
  });

  test('what would help most is asked for while the plan is unsure, and no longer once it is known', async ({
    page,
  }) => {
    await quickStart(page, 'Sanderling', Array<string>(4).fill('395'), '350', '350');
    await expect(page.getByTestId('worth-asking')).toContainText('would narrow the heights there from ±');
  });

  test('the plan is tried on drawn machines in a worker, and tried anew when it changes', async ({
    page,
  }) => {
    await visit(page, '/jobs/00000000-0000-4000-8000-000200000000/plan');
    const tried = page.getByTestId('sampled');
    await expect(tried).toContainText(/Tried on 2000 machines that fit the readings: \d+ % end in tolerance/);
    expect(page.workers()).toHaveLength(1);
    const before = await tried.textContent();
    await page.getByLabel('equal left and right').check();
    await expect(tried).not.toHaveText(before ?? '');
    await expect(tried).toContainText('% end in tolerance, if', { timeout: 30_000 });
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(tried).toHaveText(before ?? '', { timeout: 30_000 });
  });

  test('a reading that does not agree with its repeats is told, and does not move the height', async ({
    page,
  }) => {
    await quickStart(page, 'Turnstone', Array<string>(4).fill('375'), '365', '365');
    await page.getByRole('link', { name: /^Baseline/ }).click();
    await field(page, 'Front left, reading 2').fill('376');
    await field(page, 'Front left, reading 3').fill('428');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('aside-LF')).toContainText(/Reading 3 is set aside: 428\s?mm/);
    await expect(page.getByTestId('now-LF')).toContainText(/: 375\.5\s?mm/);
    await page.getByRole('link', { name: /^Plan/ }).click();
    await expect(page.getByTestId('move-LF')).toContainText('turns away from the spring');
    await allSent(page);
  });
});
