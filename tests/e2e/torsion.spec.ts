import { randomUUID } from 'node:crypto';
import { softSled } from '../fixtures/softSled.ts';
import { allSent, expect, field, pressAndLift, test, visit } from './app.ts';

for (const way of ['as it rests', 'pressed and lifted'])
  test(`a torsion spring that is too soft is told once both sags are read, and one is found on the rack, ${way}`, async ({
    page,
  }) => {
    const id = randomUUID();
    const made = await page.request.post('/api/jobs', { data: { id, document: softSled(), entries: [] } });
    expect(made.status(), await made.text()).toBe(201);
    await visit(page, `/jobs/${id}/sag`);
    await field(page, 'Fully extended, skid rear arm, reading 1').fill('620');
    if (way === 'pressed and lifted') await pressAndLift(page);
    const read = async (who: string, low: number, high: number) => {
      if (way === 'as it rests')
        await field(page, `${who}, as it rests, skid rear arm, reading 1`).fill(String((low + high) / 2));
      else {
        await field(page, `${who}, pressed, skid rear arm, reading 1`).fill(String(low));
        await field(page, `${who}, lifted, skid rear arm, reading 1`).fill(String(high));
      }
      await page.keyboard.press('Tab');
    };
    await read('Rider on', 513, 517);
    const spring = page.getByTestId('spring-RA');
    await expect(spring).toContainText('can’t tell yet');
    await expect(spring).toContainText('nobody on');
    await read('Nobody on', 580, 584);
    await expect(spring).toContainText('Spring: too soft');
    await allSent(page);
    await spring.getByRole('link', { name: 'Find springs' }).click();
    const answers = page.getByRole('region', { name: 'Answers' });
    await expect(answers.getByRole('status')).toHaveText(/^[1-4] of 4 torsion springs (does|do) it$/);
    const [first] = await answers.locator('tbody tr').all();
    await expect(first ?? answers).toContainText(/skid (middle|firm)/);
    await expect(first ?? answers).toContainText('both in');
    await expect(answers.locator('tr[data-spring="skid light"]')).toContainText('is out');
  });

test('a torsion spring is put on the rack: its rate given, or worked out of its wire', async ({ page }) => {
  await visit(page, '/rack?find=new+spring');
  await page.getByRole('button', { name: 'New spring' }).click();
  const name = 'new spring';
  const row = page.locator(`tr[data-spring="${name}"]`);
  await expect(row).toBeVisible();
  await page.getByLabel(`Torsion spring, ${name}`).check();
  for (const [label, value] of [
    ['Wire', '10'],
    ['Coils', '6'],
    ['Inner', '50'],
  ] as const) {
    await field(page, `${label}, ${name}`).fill(value);
    await page.keyboard.press('Tab');
  }
  await page.getByRole('button', { name: `Done with ${name}` }).click();
  await expect(row).toContainText(/= 1[,.]?47/);
  await page.getByRole('button', { name: `Edit ${name}` }).click();
  const kept = page.waitForResponse(
    (one) => one.url().endsWith('/api/rack') && one.request().method() === 'POST',
  );
  await field(page, `Torsion rate of one, ${name}`).fill('1320');
  await page.keyboard.press('Tab');
  await kept;
  await page.getByRole('button', { name: `Done with ${name}` }).click();
  await page.reload();
  await expect(row).toContainText(/1[,.]?32/);
});
