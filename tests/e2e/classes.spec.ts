import { randomUUID } from 'node:crypto';
import { type Page } from '@playwright/test';
import { blankBar, blankDocument } from '#core/document/create.ts';
import { fittingFields } from '#core/document/fitting.ts';
import { blankSpring } from '#core/document/spring.ts';
import type { JobDocument } from '#core/document/types.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import { hideVehicle, isIn, measure, work, type Vehicle } from '../fixtures/shop.ts';
import { lockAnyway, allSent, expect, field, test, turnAsTold, visit } from './app.ts';

/** Readings grow with the seat; a hundred more than the simulated collar, so that none is negative. */
const READS = 100;

const classes: Record<string, MachineClass> = { car: 'car', truck: 'truck', utv: 'side-by-side', snowmobile: 'snowmobile', motorcycle: 'motorcycle', 'dual-purpose': 'dual-purpose', scooter: 'scooter' }; // oxfmt-ignore
const renamed: Record<string, Record<string, CornerId>> = {
  snowmobile: { LF: 'LS', RF: 'RS', FA: 'FA', RA: 'RA' },
};
const bike: Record<string, CornerId> = { F: 'FW', R: 'RW' };
const idOf = ({ nominal }: Vehicle, name: string): CornerId =>
  renamed[nominal.class]?.[name] ?? bike[name] ?? (name as CornerId);

/** What an installer would write down of a simulated vehicle. */
function describe({ nominal }: Vehicle, leafMm: number | null): JobDocument {
  const document = blankDocument(classes[nominal.class] as MachineClass, `A ${nominal.class}`);
  const { corners, masses, refs, arbs } = nominal;
  const xs = corners.map(({ x }) => x);
  const [front, rear] = [Math.max(...xs), Math.min(...xs)];
  const weights = [...masses, ...corners.map(({ unsprung, x }) => ({ m: unsprung, x }))];
  const massKg = weights.reduce((sum, { m }) => sum + m, 0);
  const cg = weights.reduce((sum, { m, x }) => sum + m * x, 0) / massKg;
  Object.assign(document.machine, {
    wheelbaseMm: front - rear,
    trackFrontMm: Math.max(2 * (corners[0]?.y ?? 0), 500),
    trackRearMm: Math.max(2 * (corners[2]?.y ?? 0), 500),
    armAheadMm: (corners.find(({ name }) => name === 'FA')?.x ?? rear + 600) - rear,
    massKg: Math.round(massKg),
    frontShare: Math.round((100 * (cg - rear)) / (front - rear)) / 100,
  });
  document.toleranceMm = nominal.tolerance;
  if (arbs[0]) document.bars.front = blankBar(arbs[0].k, true);
  corners.forEach((corner, i) => {
    const into = document.corners[idOf({ nominal } as Vehicle, corner.name)];
    Object.assign(into, {
      reference: { kind: 'ground-chassis', offsetMm: 0, aheadMm: 0 },
      targetMm: refs[i]?.target,
      ratio: corner.ratio,
      pitchMm: corner.pitch,
      travelMm: corner.travel,
      springs: corner.springs.map((rateNPerMm, k) => ({
        ...blankSpring,
        name: `spring ${k + 1}`,
        rateNPerMm,
      })),
      rings:
        corner.crossover === null ? [] : [{ after: 0, limitMm: corner.crossover, on: 'body', gapMm: null }],
      preloadMm: corner.preloadAtZero + corner.collar,
      tyreRateNPerMm: corner.tyreRate,
      unsprungKg: corner.unsprung,
    });
    into.collar = { datum: 'body', grows: 'with-seat', minMm: READS - 70, maxMm: READS + 70 };
    if (leafMm && corner.axle === 'rear') Object.assign(into, { ...fittingFields('leaf'), stepMm: leafMm });
  });
  return document;
}

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
  for (const { seed, kind, leafMm } of [
    ...[10, 11, 12, 13, 14].map((seed) => ({ seed, kind: undefined, leafMm: null })),
    { seed: 19, kind: 'dual-purpose', leafMm: null },
    { seed: 24, kind: 'scooter', leafMm: null },
    { seed: 21, kind: 'leaf truck', leafMm: 6 },
  ] as const) {
    test(kind ?? hideVehicle(seed).nominal.class, async ({ page }) => {
      const vehicle = hideVehicle(seed, 25, kind);
      expect(isIn(vehicle)).toBe(false);
      const id = randomUUID();
      const made = await page.request.post('/api/jobs', {
        data: { id, document: describe(vehicle, leafMm), entries: [] },
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
