import { allSent, expect, field, quickStart, readAll, test, turnAsTold, visit } from './app.ts';

test('rear first: only it is turned, the front is watched, and then the rest is offered', async ({
  page,
}) => {
  const id = await quickStart(page, 'Rear first', ['372', '375', '388', '386'], '350', '360');
  await visit(page, `/jobs/${id}/plan`);
  await page.getByLabel('Turn now', { exact: true }).selectOption('only the rear');
  for (const front of ['LF', 'RF']) {
    await expect(page.getByTestId(`move-${front}`)).toContainText('Watch it');
    await expect(page.getByTestId(`move-${front}`).locator('..')).toContainText('target for later 350');
  }
  await expect(page.getByTestId('chance').locator('..')).toContainText('chance that both corners are within');
  const turned = await turnAsTold(page, id, 1);
  expect(Object.keys(turned).sort()).toEqual(['LR', 'RR']);
  await visit(page, `/jobs/${id}/measure`);
  await page.getByLabel('rolled').check();
  await readAll(page, [372, 375, 360, 360]);
  for (const corner of ['Rear left', 'Rear right']) await field(page, `${corner}, reading 2`).fill('360');
  await page.keyboard.press('Tab');
  await visit(page, `/jobs/${id}/plan`);
  const rest = page.getByRole('region', { name: 'The rest' });
  await expect(rest).toContainText('Targets are given for front left and front right too.');
  await rest.getByRole('button', { name: 'Go on with the rest' }).click();
  await expect(page.getByTestId('move-LF')).toContainText(/Lower \d+/);
  await expect(page.getByTestId('move-LR')).toContainText('Leave it');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rest).toBeVisible();
});

test('what is aboard is asked at every reading, and the last is filled in', async ({ page }) => {
  const id = await quickStart(page, 'With people', ['380', '380', '390', '390'], '360', '370');
  await visit(page, `/jobs/${id}/baseline`);
  const aboard = page.getByRole('region', { name: 'Aboard' });
  await aboard.getByRole('button', { name: 'Something else is aboard' }).click();
  await field(page, 'What is aboard').fill('two people');
  await field(page, 'Weighs').fill('150');
  await page.keyboard.press('Tab');
  await aboard.getByLabel('the targets are with it aboard').uncheck();
  await aboard.getByRole('button', { name: 'It is aboard' }).click();
  await expect(aboard.getByLabel(/two people/)).toBeChecked();
  await expect(aboard).toContainText('The targets are for nothing aboard');
  await visit(page, `/jobs/${id}/plan`);
  // The machine stands higher with nobody in it: there is more to lower than the tape says.
  const asked = Number(/Lower (\d+)/.exec((await page.getByTestId('move-LF').textContent()) ?? '')?.[1]);
  expect(asked).toBeGreaterThan(23);
  await turnAsTold(page, id, 1);
  await visit(page, `/jobs/${id}/measure`);
  await expect(aboard.getByLabel(/two people/)).toBeChecked();
  await aboard.getByLabel(/two people/).uncheck();
  await page.getByLabel('rolled').check();
  await readAll(page, [361, 361, 371, 371]);
  await expect(aboard).not.toContainText('The targets are');
  await page.reload();
  await expect(aboard.getByLabel(/two people/)).not.toBeChecked();
  await visit(page, `/jobs/${id}/baseline`);
  await expect(aboard.getByLabel(/two people/)).toBeChecked();
});

test('a place on the floor is named once: the next job stands there in one step, and a round may be read elsewhere', async ({
  page,
}) => {
  const first = await quickStart(page, 'Levelled', ['372', '375', '388', '386'], '350', '360');
  await visit(page, `/jobs/${first}/prep`);
  await field(page, 'Where on the floor').fill('bay 2');
  await page.keyboard.press('Tab');
  await field(page, 'Floor, front right').fill('-9');
  await page.keyboard.press('Tab');
  await allSent(page);
  const next = await quickStart(page, 'Elsewhere', ['372', '375', '388', '386'], '350', '360');
  await visit(page, `/jobs/${next}/prep`);
  await page.getByLabel('As an earlier job stood').selectOption('bay 2');
  await expect(field(page, 'Floor, front right')).toHaveValue('-9');
  await expect(field(page, 'Where on the floor')).toHaveValue('bay 2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, 'Floor, front right')).toHaveValue('');
  await field(page, 'Where on the floor').fill('yard');
  await page.keyboard.press('Tab');
  await visit(page, `/jobs/${next}/plan`);
  await turnAsTold(page, next, 1);
  await visit(page, `/jobs/${next}/measure`);
  const stands = page.getByLabel('Stands on', { exact: true });
  await expect(stands).toHaveValue('yard');
  await stands.selectOption('bay 2');
  await page.getByLabel('rolled').check();
  await readAll(page, [350, 352, 360, 360]);
  await page.reload();
  await expect(stands).toHaveValue('bay 2');
  await allSent(page);
});
