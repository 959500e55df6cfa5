import { allSent, expect, field, test, turnAsTold, visit } from './app.ts';

test('a quad, which stands on three: from readings to locked, with no scales to read', async ({ page }) => {
  await visit(page, '/new?class=quad');
  const names = ['front left', 'front right', 'rear'] as const;
  let heights = [262, 265, 281];
  for (const [i, name] of names.entries())
    await field(page, `Measured height, ${name}`).fill(String(heights[i]));
  await field(page, 'Target height, front').fill('275');
  await field(page, 'Target height, rear').fill('290');
  await field(page, 'Name of the job').fill('Wheatear');
  await page.getByRole('button', { name: 'Start job' }).click();
  await expect(page.getByTestId('move-RM')).toContainText(/^Raise 9\s?mm/);
  await expect(page.getByText('all three corners')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Sag bench/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Scales/ })).toHaveCount(0);
  await allSent(page);
  const id = /jobs\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';
  for (let round = 1; round <= 3; round++) {
    const told = await turnAsTold(page, id, round);
    // This one rises 1.9 mm in front and 1.25 behind for each mm of seat; each end answers for itself.
    heights = heights.map(
      (mm, i) => mm + (told[(['LF', 'RF', 'RM'] as const)[i] ?? 'RM'] ?? 0) * (i < 2 ? 1.9 : 1.25),
    );
    await visit(page, `/jobs/${id}/measure`);
    await page.getByLabel('rolled').check();
    for (const [i, name] of names.entries())
      for (const slot of [1, 2])
        await field(page, `${name.charAt(0).toUpperCase()}${name.slice(1)}, reading ${slot}`).fill(
          String(Math.round(heights[i] ?? 0)),
        );
    await page.keyboard.press('Tab');
    await allSent(page);
    if ((await page.getByTestId('next').innerText()) === 'In tolerance: lock it') break;
    await visit(page, `/jobs/${id}/plan`);
  }
  await expect(page.getByTestId('next')).toHaveText('In tolerance: lock it');
  await page.getByTestId('next').click();
  await page.getByRole('button', { name: 'Lock it' }).click();
  await expect(page.getByText('Locked at these heights.')).toBeVisible();
});
