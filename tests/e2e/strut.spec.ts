import { allSent, beginSetup, expect, put, test, turnAsTold, unfold, visit } from './app.ts';

/** What the machine really does: mm at the wheel for each of the seat. */
const GAIN = 2.05;

test('a truck’s coil-over read from another edge once it is in: both stops are told, and with the ratio measured it lands', async ({
  page,
}) => {
  const id = await beginSetup(page, 'truck', [769, 771, null, null], async () => {
    await put(page, 'Target height, front', 785);
  });
  await visit(page, `/jobs/${id}/intake`);
  await page.getByText('Pick the front suspension').click();
  await page.getByRole('button', { name: /double wishbone/i }).click();
  await unfold(page, /^Where it is measured/);
  await page.getByLabel(/^Height reference/).first().selectOption({ label: 'rim edge to arch' }); // oxfmt-ignore
  await put(page, 'Collar datum, front', 'bolt hole');
  await put(page, 'Second edge of the seat, front', 'bracket edge');
  await visit(page, `/jobs/${id}/baseline`);
  await page.getByLabel('rolled').check();
  for (const corner of ['LF', 'RF'])
    for (const [label, mm] of [
      ['Collar reads', '196'],
      ['Reads from second edge', '51'],
    ] as const) {
      await page.locator(`[data-corner=${corner}]`).getByLabel(label, { exact: true }).fill(mm);
      await page.keyboard.press('Tab');
    }
  // From the wishbone's range alone the first move is told all the same, and that its ratio is not measured.
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.getByTestId('move-LF')).toContainText('Raise 16 mm');
  await expect(page.locator('main')).toContainText('The motion ratio is not measured.');

  await visit(page, `/jobs/${id}/baseline#ratio`);
  for (const [label, mm] of [
    ['Hub to arch standing', 530],
    ['Hub to arch hanging', 612],
    ['Damper, eye to eye standing', 420],
    ['Damper, eye to eye hanging', 460],
  ] as const)
    await put(page, `${label}, front`, mm);
  await visit(page, `/jobs/${id}/plan`);
  const stop = page.locator('[data-corner=LF]').getByText(/that is .* from bracket edge/);
  const [hole = 0, bracket = 0] = ((await stop.innerText()).match(/[\d.]+/g) ?? []).map(Number);
  expect(Math.abs(hole - 203.8)).toBeLessThan(0.6);
  expect(hole - bracket).toBeCloseTo(196 - 51, 1);
  await page.getByRole('button', { name: 'Start turning' }).click();
  for (const words of ['A seat turned against full load strips its thread.', 'Never undo the top nut'])
    await expect(page.locator('main')).toContainText(words);
  await page.getByRole('button', { name: 'Undo' }).click();
  await visit(page, `/jobs/${id}/plan`);
  const turned = await turnAsTold(page, id, 1);
  expect(Object.keys(turned).sort()).toEqual(['LF', 'RF']);

  // What is aboard is asked with every reading; the bar is still off.
  await visit(page, `/jobs/${id}/measure`);
  await expect(page.getByRole('region', { name: 'Aboard' })).toContainText('as it stands');
  await page.getByLabel('rolled').check();
  const now = [769 + GAIN * (turned.LF ?? 0), 771 + GAIN * (turned.RF ?? 0)].map(Math.round);
  for (const mm of now) expect(Math.abs(mm - 785)).toBeLessThanOrEqual(1);
  for (const slot of [1, 2])
    for (const [k, corner] of ['Front left', 'Front right'].entries())
      await put(page, `${corner}, reading ${slot}`, now[k] ?? 0);
  await expect(page.getByTestId('verdict')).toContainText('In tolerance');
  await allSent(page);
  await visit(page, `/jobs/${id}/close-out`);
  await expect(page.locator('main')).toContainText(/500 km/);
});
