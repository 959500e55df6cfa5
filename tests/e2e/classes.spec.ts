import { randomUUID } from 'node:crypto';
import { type Page } from '@playwright/test';
import { cornerNames } from '#core/kinds/corners.ts';
import { classJobs, idOf, READS, writtenDown } from '../fixtures/classJobs.ts';
import { isIn, measure, work, type Vehicle } from '../fixtures/shop.ts';
import { lockAnyway, allSent, expect, field, test, turnAsTold, visit } from './app.ts';

const SHOWN = ['snowmobile', 'leaf truck'];

/** Types one round of readings at every corner, as the tape has them. */
async function read(page: Page, vehicle: Vehicle): Promise<void> {
  const { heights, travelUsed } = measure(vehicle);
  const way = vehicle.nominal.class === 'snowmobile' ? 'on casters' : 'bounced';
  await page.getByLabel(way, { exact: true }).check();
  for (const { name } of vehicle.nominal.corners) {
    const id = idOf(vehicle, name);
    const where = cornerNames[id];
    const slot = `${where.charAt(0).toUpperCase()}${where.slice(1)}, reading 1`;
    await field(page, slot).fill(String(heights[`${name} height`]));
    const section = page.locator(`[data-corner=${id}]`);
    await section.getByLabel('Travel used').fill(String(Math.max(travelUsed?.[name] ?? 0, 0)));
  }
  await page.keyboard.press('Tab');
  await allSent(page);
}

/** Turns everything as told, and the simulated vehicle with it. */
async function turn(page: Page, vehicle: Vehicle, id: string, round: number): Promise<void> {
  const moves = await turnAsTold(page, id, round);
  const adjust = Object.fromEntries(
    vehicle.nominal.corners.map(({ name }) => [name, moves[idOf(vehicle, name)] ?? 0]),
  );
  work(vehicle, adjust, 0);
}

test.describe('a whole job on a simulated machine, from readings to the handover sheet', () => {
  test.describe.configure({ timeout: 120_000 });
  // Every class without a page: analysis/classJobs.test.ts. Here that with most ends, and one on leaves.
  for (const { name, vehicle: hidden, leafMm } of classJobs.filter((one) => SHOWN.includes(one.name))) {
    test(name, async ({ page }) => {
      const vehicle = hidden();
      expect(isIn(vehicle)).toBe(false);
      const id = randomUUID();
      const made = await page.request.post('/api/jobs', {
        data: { id, document: writtenDown(vehicle, leafMm), entries: [] },
      });
      expect(made.status()).toBe(201);
      await visit(page, `/jobs/${id}/baseline`);
      await read(page, vehicle);
      for (const { name, collar } of vehicle.nominal.corners)
        await page
          .locator(`[data-corner=${idOf(vehicle, name)}]`)
          .getByLabel('Collar reads')
          .fill(String(READS + collar));
      await page.keyboard.press('Tab');
      await allSent(page);
      let rounds = 0;
      const stop = page.getByText(/In tolerance, \d+ % chance/);
      while (rounds < 4) {
        rounds++;
        await page.getByRole('link', { name: /^Plan/ }).click();
        if ((await page.getByText('Nothing to turn').count()) > 0) break;
        await turn(page, vehicle, id, rounds);
        await page.getByRole('link', { name: /^Measure again/ }).click();
        await read(page, vehicle);
        await expect(page.getByTestId('verdict')).toBeVisible();
        if (await stop.isVisible()) break;
      }
      expect(rounds).toBeLessThanOrEqual(3);
      await page.getByRole('link', { name: /^Finish/ }).click();
      await lockAnyway(page, 'as agreed with the owner');
      await expect(page.getByText(/Locked at these heights/)).toBeVisible();
      expect(isIn(vehicle)).toBe(true);
      await page.getByRole('link', { name: 'Handover sheet' }).click();
      await expect(page.getByRole('main')).toContainText('Locked on');
      await allSent(page);
    });
  }
});
