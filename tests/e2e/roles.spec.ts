import type { Page } from '@playwright/test';
import { allSent, expect, test, visit } from './app.ts';

const CORNERS = ['front left', 'front right', 'rear left', 'rear right'];
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** A field, found as a screen reader tells it. */
const box = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

test('a whole job by roles and names alone: set up, by picture, turned, measured, finished', async ({
  page,
}) => {
  await visit(page, '/new');
  await expect(page.getByRole('heading', { name: 'New setup' })).toBeVisible();
  await page.getByRole('radio', { name: 'car', exact: true }).click();
  for (const [k, corner] of CORNERS.entries())
    await box(page, `Measured height, ${corner}`).fill(['372', '375', '388', '386'][k] ?? '');
  await box(page, 'Target height, front').fill('362');
  await box(page, 'Target height, rear').fill('376');
  await button(page, /^Suspension, front/).click();
  await page
    .getByRole('dialog', { name: 'Suspension, front' })
    .getByRole('button', { name: /Double wishbone/ })
    .click();
  await button(page, /^Collar sits, front/).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Below the spring/ })
    .click();
  await expect(page.getByRole('button', { name: 'Collar sits, front: below the spring' })).toBeVisible();
  await box(page, 'Name of the job').fill('Wigeon by name');
  await button(page, 'Start job').click();
  await expect(page.getByRole('heading', { name: 'Wigeon by name' })).toBeVisible();

  await page.getByRole('link', { name: /^Baseline/ }).click();
  for (const [k, corner] of CORNERS.entries())
    await box(page, `${capital(corner)}, reading 2`).fill(['372', '375', '388', '386'][k] ?? '');
  await page.getByRole('checkbox', { name: 'rolled' }).check();
  await page.getByRole('link', { name: /^Plan/ }).click();
  const left = page.getByRole('region', { name: 'front left' });
  await expect(left).toContainText(/Lower \d+ mm/);
  await expect(left).toContainText('turns away from the spring');
  await expect(left).toContainText('down the damper');
  await button(page, 'Start turning').click();
  for (const corner of CORNERS) await button(page, `Done, ${corner}`).click();
  await page.getByRole('link', { name: 'Settle, then measure' }).click();

  await page.getByRole('checkbox', { name: 'rolled' }).check();
  for (const [k, corner] of CORNERS.entries())
    for (const reading of [1, 2])
      await box(page, `${capital(corner)}, reading ${reading}`).fill(['362', '362', '376', '376'][k] ?? '');
  await page.keyboard.press('Tab');
  await allSent(page);
  await page.getByRole('link', { name: /^Finish/ }).click();
  await expect(page.getByRole('heading', { name: /In tolerance|Not finished/ })).toBeVisible();
  for (const done of await page.getByRole('button', { name: /^Done: / }).all()) await done.click();
  await page.getByRole('button', { name: /^Lock it/ }).click();
  const why = box(page, 'Why it goes out all the same');
  if (await why.isVisible()) {
    await why.fill('tried by names');
    await page.getByRole('button', { name: /^Lock it/ }).click();
  }
  await expect(page.getByRole('heading', { name: 'Locked at these heights.' })).toBeVisible();
  await allSent(page);
});
