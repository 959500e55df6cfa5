import { allSent, expect, field, quickStart, test, readAll, turnAll, visit } from './app.ts';

test.describe('the tape is believed', () => {
  test('a value corrected twice shows the last one, here and after a reload; undoing shows the one before', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Knot', ['360', '375', '371', '371'], '350', '350');
    await visit(page, `/jobs/${id}/baseline`);
    for (const value of ['355', '350']) {
      await field(page, 'Front left, reading 1').fill(value);
      await field(page, 'Front left, reading 1').press('Enter');
      await allSent(page);
    }
    await page.reload();
    await expect(page.getByTestId('now-LF')).toContainText(/: 350\s?mm/);
    await expect(page.getByTestId('now-LF')).toContainText('measured');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByTestId('now-LF')).toContainText(/: 355\s?mm/);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByTestId('now-LF')).toContainText(/: 360\s?mm/);
  });

  test('an entry that is no number stays with its reason and stops the job from starting', async ({
    page,
  }) => {
    await visit(page, '/new?class=car');
    await field(page, 'Measured height, front left').fill('375');
    await field(page, 'Measured height, front right').fill('37o');
    await field(page, 'Target height, front').fill('365');
    await field(page, 'Target height, front').press('Tab');
    await expect(field(page, 'Measured height, front right')).toHaveValue('37o');
    const alert = page.getByRole('alert');
    await expect(alert).toContainText('Measured height, front right: “37o” is not a number');
    await expect(page.getByRole('button', { name: 'Start job' })).toBeDisabled();
    await page.reload();
    await expect(alert).toContainText('37o');
    await field(page, 'Measured height, front right').fill('370');
    await expect(page.getByRole('button', { name: 'Start job' })).toBeEnabled();
  });

  test('switched to inches, every field opened and left changes nothing', async ({ page }) => {
    const id = await quickStart(page, 'Stilt', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/intake`);
    await field(page, 'Thread pitch, front').fill('1.75');
    await field(page, 'Thread pitch, front').press('Enter');
    await allSent(page);
    const before = await (await page.request.get(`/api/jobs/${id}`)).json();
    await page.getByRole('button', { name: 'in', exact: true }).click();
    await expect(field(page, 'Thread pitch, front')).toHaveValue('0.069');
    const inputs = page.locator('main input[data-order]');
    for (let k = 0; k < (await inputs.count()); k++) {
      await inputs.nth(k).focus();
      await page.keyboard.press('End');
      await page.keyboard.type('1');
      await page.keyboard.press('Backspace');
    }
    await page.keyboard.press('Tab');
    await allSent(page);
    expect(await (await page.request.get(`/api/jobs/${id}`)).json()).toEqual(before);
  });

  test('after turning nothing stands as measured until it is; then the prediction is only compared', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Godwit', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LF')).toContainText(/^Lower 2\d\s?mm/);
    await expect(page.getByTestId('move-LF')).toContainText('turns away from the spring');
    await turnAll(page);
    const here = page.getByTestId('now-LF');
    await expect(here).toHaveText('not measured yet');
    await expect(page.getByTestId('expected').first()).toContainText('predicted');
    await expect(page.locator('[data-kind=measured]')).toHaveCount(0);
    await expect(page.getByTestId('verdict')).toHaveCount(0);
    await page.getByLabel('rolled').check();
    // The front goes further than a car's middle ratio says, the rear less.
    await readAll(page, [341, 343, 367, 365]);
    await expect(here).toContainText(/: 341\s?mm/);
    await expect(page.getByTestId('compared').first()).toContainText(/predicted .* measured .* lower/);
    await expect(page.getByTestId('expected')).toHaveCount(0);
    await expect(page.getByTestId('learnt')).toContainText(/Front: 1 mm of seat moves it.*≈ 1\.[789]/);
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LF')).toContainText(/^Raise \d+\s?mm/);
    await expect(page.getByTestId('move-LR')).toContainText(/^Lower \d+\s?mm/);
  });

  test('the suspension is picked from pictures, the ratio measured in two heights and two lengths', async ({
    page,
  }) => {
    await visit(page, '/new?class=car');
    await page.getByRole('button', { name: /^Suspension, front/ }).click();
    await page.getByRole('button', { name: /^Double wishbone/ }).click();
    await expect(field(page, 'Ratio, front')).toHaveAttribute('placeholder', '0.61 assumed');
    const id = await quickStart(page, 'Dunlin two', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('ratio-offer')).toContainText('Measure it while it goes up');
    await page.getByTestId('ratio-offer').getByRole('link').click();
    for (const [label, value] of [
      ['Hub to arch standing, front', '372'],
      ['Hub to arch hanging, front', '461'],
      ['Damper, eye to eye standing, front', '398'],
      ['Damper, eye to eye hanging, front', '444'],
    ] as const)
      await field(page, label).fill(value);
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('ratio-front')).toContainText('Motion ratio ≈ 0.52 ± 0.02');
    await allSent(page);
    await page.reload();
    await expect(page.getByTestId('ratio-front')).toContainText('0.52');
  });

  test('a collar turned the other way is named, with what settles it, and can be said to be right', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Greenshank', ['380', '380', '380', '380'], '360', '360');
    await visit(page, `/jobs/${id}/intake`);
    for (const corner of ['front', 'rear']) {
      await field(page, `Motion ratio, ${corner}`).fill('0.5');
      await field(page, `Motion ratio, ${corner}`).press('Enter');
    }
    await visit(page, `/jobs/${id}/baseline`);
    await page.getByLabel('rolled').check();
    await visit(page, `/jobs/${id}/plan`);
    await turnAll(page);
    await page.getByLabel('rolled').check();
    // Left front up instead of down: 30 mm above the others there, 10 at its neighbours, 10 below across.
    await readAll(page, [390, 370, 370, 350]);
    const doubt = page.getByTestId('doubt');
    await expect(doubt).toContainText('The front left collar was turned the other way in round 1');
    await expect(page.getByTestId('verdict')).not.toContainText('finish');
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LF')).toContainText('check its collar first');
    await doubt.getByRole('button', { name: 'I checked: it is right as read' }).click();
    await expect(page.getByTestId('move-LF')).not.toContainText('check its collar first');
  });

  test('the sag bench and a new setup keep what is theirs', async ({ page }) => {
    await visit(page, '/new?class=motorcycle');
    await field(page, 'Measured height, rear wheel').fill('604');
    await field(page, 'Measured height, rear wheel').press('Enter');
    await visit(page, '/sag');
    await visit(page, '/new?class=motorcycle');
    await expect(field(page, 'Measured height, rear wheel')).toHaveValue('604');
    const kept = await page.evaluate(() => localStorage.getItem('margin-sag-setup') ?? '');
    expect(kept).not.toContain('604');
  });

  test('seven tabs of one browser save all the same: they share one stream', async ({ page, context }) => {
    const id = await quickStart(page, 'Avocet', ['372', '375', '388', '386'], '350', '360');
    const tabs = await Promise.all(Array.from({ length: 6 }, () => context.newPage()));
    for (const tab of tabs) await tab.goto(`/jobs/${id}/baseline`);
    const last = tabs.at(-1) ?? page;
    await field(last, 'Front left, reading 2').fill('373');
    await field(last, 'Front left, reading 2').press('Enter');
    await allSent(last);
    await visit(page, `/jobs/${id}/baseline`);
    await expect(field(page, 'Front left, reading 2')).toHaveValue('373');
  });
});
