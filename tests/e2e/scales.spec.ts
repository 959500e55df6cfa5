import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import type { Page } from '@playwright/test';
import { WebSocketServer } from 'ws';
import type { Entry, JobDocument } from '#core/document/types.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { add, adjustment, collars, fourCorners, record } from '../fixtures/records.ts';
import {
  crossOf,
  describePadCar,
  hidePadCar,
  padFacts,
  readPadCar,
  standOf,
  type PadCar,
} from '../fixtures/padCar.ts';
import { allSent, expect, field, test, turnAsTold, visit } from './app.ts';

const SALTMARSH = '/jobs/00000000-0000-4000-8000-000200000000';

/** Pads under a car of its own truth, streaming as instruments do. */
async function padsUnder(
  car: PadCar,
): Promise<{ address: string; stand: (car: PadCar) => void; end: () => void }> {
  let shown = readPadCar(car).padsKg;
  const server = new WebSocketServer({ port: 0, host: '127.0.0.1' });
  await new Promise((done) => server.once('listening', done));
  const timer = setInterval(() => {
    const lines = fourCorners.map((id, i) =>
      JSON.stringify({ name: `pad ${id}`, unit: 'kg', value: shown[i] ?? 0, steady: true }),
    );
    for (const client of server.clients) client.send(lines.join('\n'));
  }, 100);
  return {
    address: `ws://127.0.0.1:${(server.address() as AddressInfo).port}`,
    stand: (next) => (shown = readPadCar(next).padsKg),
    end: () => {
      clearInterval(timer);
      server.clients.forEach((client) => client.terminate());
      server.close();
    },
  };
}

/** A job as somebody else has left it. */
async function begin(page: Page, document: JobDocument, ...entries: Entry[]): Promise<string> {
  const id = randomUUID();
  const fresh = entries.map((entry) => ({ ...entry, id: randomUUID() }));
  const made = await page.request.post('/api/jobs', { data: { id, document, entries: fresh } });
  expect(made.status()).toBe(201);
  return id;
}

async function typeHeights(page: Page, car: PadCar): Promise<void> {
  await page.getByLabel('bounced', { exact: true }).check();
  const { heightsMm } = readPadCar(car);
  for (const [i, id] of fourCorners.entries()) {
    const where = cornerNames[id];
    const label = `${where.charAt(0).toUpperCase()}${where.slice(1)}, reading 1`;
    await field(page, label).fill(String(heightsMm[i]));
  }
  await page.keyboard.press('Tab');
  await allSent(page);
}

const isIn = (car: PadCar) => {
  const { heightsMm, padsKg } = standOf(car);
  const off = heightsMm.map((mm, i) => Math.abs(mm - (i < 2 ? 338 : 342)));
  return Math.abs(crossOf(padsKg) - 0.5) <= 0.002 && Math.max(...off) <= 3;
};

test('from pads that stream to cross weight 50.0 ± 0.2 % and every height within 3 mm, in two passes at most', async ({
  page,
}) => {
  let car = hidePadCar(7);
  expect(isIn(car)).toBe(false);
  const pads = await padsUnder(car);
  const id = await begin(page, describePadCar());
  await visit(page, `/jobs/${id}/baseline`);
  await typeHeights(page, car);
  for (const where of ['LF', 'RF', 'LR', 'RR'])
    await page.locator(`[data-corner=${where}]`).getByLabel('Collar reads').fill('100');
  await page.keyboard.press('Tab');
  await page.getByRole('link', { name: /^Scales/ }).click();
  await page.getByText('Read from an instrument').click();
  await page.getByLabel('Address of the instrument, on this machine').fill(pads.address);
  await page.getByRole('button', { name: 'Listen there' }).click();
  let passes = 0;
  while (passes < 2 && !isIn(car)) {
    passes++;
    await page.getByRole('button', { name: 'Take all four as reading 1' }).click();
    await expect(page.getByTestId('balance')).toContainText('Cross, RF + LR');
    await expect(page.getByTestId('trade')).toContainText('Both can be had');
    await allSent(page);
    await page.getByRole('link', { name: /^Plan/ }).click();
    await expect(page.getByTestId('cross')).toContainText(/→ 50\.0 ± [\d.]+ %/);
    await expect(page.getByTestId('weight-LF')).toContainText('→');
    const moves = await turnAsTold(page, id, passes);
    car = { ...car, seatsBy: car.seatsBy.map((mm, i) => mm + (moves[fourCorners[i] ?? 'LF'] ?? 0)) };
    pads.stand(car);
    await page.getByRole('link', { name: /^Measure again/ }).click();
    await typeHeights(page, car);
    await page.getByRole('link', { name: /^Scales/ }).click();
  }
  pads.end();
  expect({ passes, in: isIn(car) }).toEqual({ passes, in: true });
  await allSent(page);
});

test('a car on pads: shares with their spread, what a turn of each seat does, why a wheel got lighter', async ({
  page,
}) => {
  await visit(page, `${SALTMARSH}/scales`);
  const balance = page.getByTestId('balance');
  // Means of two: (268.25 + 270.25) / 1085.5.
  await expect(balance).toContainText('49.6 %');
  await expect(page.getByTestId('repeat')).toContainText('Rolled on 2 times');
  await balance.getByRole('button', { name: /^Cross/ }).click();
  await expect(page.getByText('X = (RF + LR) / T')).toBeVisible();
  await balance.getByRole('button', { name: /^Total/ }).click();
  await expect(page.getByText('T = LF + RF + LR + RR')).toBeVisible();
  const plan = page.locator('[data-influence=LF]');
  await expect(plan.locator('[data-arrow=up]')).toHaveCount(3);
  await expect(plan.locator('[data-arrow=down]')).toHaveCount(1);
  const row = page.locator('[data-seat=LF]');
  const weights = (await row.getByRole('button').allInnerTexts()).map((text) =>
    Number(/([+−][\d.]+)/.exec(text.replace(/\s/g, ''))?.[1]?.replace('−', '-') ?? NaN),
  );
  expect(weights.map(Math.sign)).toEqual([1, -1, -1, 1]);
  expect(Math.abs(weights.reduce((sum, one) => sum + one, 0))).toBeLessThan(0.25);
  const why = page.getByTestId('why');
  await expect(why).toContainText('The front left got 6.0 kg lighter.');
  await why.getByLabel('Which wheel').selectOption('RF');
  await expect(why).toContainText('The front right got 6.0 kg heavier.');
  await expect(why).toContainText('The pads say');
  await field(page, 'On the pad, front left, reading 3').fill('280');
  await page.keyboard.press('Tab');
  await allSent(page);
  await page.reload();
  await expect(field(page, 'On the pad, front left, reading 3')).toHaveValue('280');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'On the pad, front left, reading 3')).toHaveValue('');
  await allSent(page);
});

test('a combination that a rigid body cannot have is said plainly; a point of the line is taken, and its seats turned', async ({
  page,
}) => {
  const document = describePadCar((one) => {
    one.corners.LF.targetMm = 346;
    one.corners.RR.targetMm = 350;
  });
  const readings = padFacts(0, readPadCar(hidePadCar(3)));
  const id = await begin(page, document, ...readings, ...collars(0, 100));
  await visit(page, `/jobs/${id}/scales`);
  const trade = page.getByTestId('trade');
  await expect(trade.getByRole('status')).toContainText('Not together on this machine');
  await expect(trade.getByRole('status')).toContainText('five wishes');
  await expect(trade.locator('.scatterlayer .trace').first()).toBeVisible();
  const first = trade.locator('[data-point="0"]');
  const share = /[\d.]+\s%/.exec(await first.locator('td').first().innerText())?.[0].replace(/\s/, ' ') ?? '';
  await first.getByRole('button', { name: /^Scales by this plan/ }).click();
  await expect(page.getByText('s = s* + Δs, of the plan with least')).toBeVisible();
  await expect(page.getByRole('row', { name: /result/ })).toContainText(share);
  await page.keyboard.press('Escape');
  await first.getByRole('button', { name: /^Use this plan/ }).click();
  await expect(first).toHaveAttribute('aria-current', 'true');
  // A point of the chart is taken as well, then undone.
  const dots = trade.locator('.scatterlayer .trace').first().locator('.point');
  const last = await dots.last().boundingBox();
  await page.mouse.click((last?.x ?? 0) + (last?.width ?? 0) / 2, (last?.y ?? 0) + (last?.height ?? 0) / 2);
  await expect(first).not.toHaveAttribute('aria-current', 'true');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(first).toHaveAttribute('aria-current', 'true');
  await page.getByRole('link', { name: /^Plan/ }).click();
  await expect(page.getByTestId('cross')).toContainText(`→ ${share.replace(' %', '')} ±`);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByTestId('cross')).not.toContainText(`→ ${share.replace(' %', '')} ±`);
  await page.getByRole('link', { name: /^Scales/ }).click();
  await page
    .locator('[data-seat-way]')
    .first()
    .getByRole('button', { name: /^Use this plan/ })
    .click();
  await expect(page).toHaveURL(/\/turn$/);
  await allSent(page);
});

test('goals: heights alone, equal front wheels, and the machine’s own split put back', async ({ page }) => {
  await visit(page, `${SALTMARSH}/scales`);
  const goal = page.getByRole('group', { name: 'Weight goal' });
  await goal.getByLabel(/^As before: 48\.7 %/).check();
  await expect(page.getByTestId('trade')).toContainText('gives 48.7 %');
  await goal.getByLabel(/^Equal front wheels/).check();
  await expect(page.getByTestId('trade')).toContainText('gives 50.0 %');
  await goal.getByLabel(/^Heights alone/).check();
  await expect(page.getByTestId('trade')).toHaveCount(0);
  for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(goal.getByLabel(/^Cross weight/).first()).toBeChecked();
  await allSent(page);
});

test('a bar left hooked is told from the readings, counted, and its shift shown', async ({ page }) => {
  const car = { ...hidePadCar(6, { barNPerMm: 30 }), seatsBy: [-18, 12, 0, 0] };
  const turned = { ...car, seatsBy: [-4, 4, 0, 2] };
  const job = add(
    record(describePadCar()),
    ...padFacts(0, readPadCar(car)),
    ...collars(0, 100),
    ...fourCorners.map((id, i) => adjustment(1, id, (turned.seatsBy[i] ?? 0) - (car.seatsBy[i] ?? 0))),
    ...padFacts(1, readPadCar(turned)),
  );
  const id = await begin(page, job.document, ...job.entries);
  await visit(page, `/jobs/${id}/scales`);
  const bars = page.getByTestId('bars');
  await expect(bars.locator('[data-hooked=front]')).toContainText('as if its front bar were hooked up');
  await bars.getByRole('button', { name: 'It was hooked up: count it so' }).click();
  await expect(bars).toContainText('The front bar is hooked up');
  await expect(bars).toContainText('By the model the bar makes cross weight');
  await expect(bars.locator('[data-hooked]')).toHaveCount(0);
  await allSent(page);
});

test('pads told apart by swapping two of them; load cases and fuel beside', async ({ page }) => {
  const under = (sign: 1 | -1) => standOf(hidePadCar(1, { plain: true, padMm: [2 * sign, -2 * sign, 0, 0] }));
  const round = (value: number) => Math.round(10 * value) / 10;
  const id = await begin(page, describePadCar(), ...padFacts(0, under(1)), ...collars(0, 100));
  await visit(page, `/jobs/${id}/scales`);
  await page.getByRole('button', { name: /^Check the scales/ }).click();
  for (const [i, corner] of fourCorners.entries())
    await field(page, `With the front pads swapped, ${cornerNames[corner]}`).fill(
      String(round(under(-1).padsKg[i] ?? 0)),
    );
  await page.keyboard.press('Tab');
  await expect(page.getByTestId('swap')).toContainText(/stands .*: (3\.9|4|4\.1)\s*mm higher/);
  await page.getByRole('button', { name: 'Use this correction' }).click();
  await expect(field(page, 'Pad height, front left')).toHaveValue(/^(1\.9|2|2\.1)$/);
  // Counted once: heights would add up.
  await expect(page.getByRole('button', { name: 'Use this correction' })).toHaveCount(0);
  await page.getByRole('button', { name: /^As it was weighed/ }).click();
  await field(page, 'Fuel').fill('20');
  await page.keyboard.press('Tab');
  await page.getByLabel('On board while weighing').selectOption('1');
  await field(page, 'On the pad, front left, reading 1').fill('290');
  await page.keyboard.press('Tab');
  await allSent(page);
  await page.getByLabel('On board while weighing').selectOption('0');
  await expect(field(page, 'On the pad, front left, reading 1')).not.toHaveValue('290');
});

test('simulated pads roll on, settle, and are taken reading by reading', async ({ page }) => {
  const id = await begin(
    page,
    describePadCar(),
    ...padFacts(0, standOf(hidePadCar(1, { plain: true }))).slice(0, 5),
  );
  await visit(page, `/jobs/${id}/scales`);
  await page.getByText('Read from an instrument').click();
  await page.getByRole('button', { name: 'A simulated one' }).click();
  await page.getByRole('button', { name: 'Take all four as reading 1' }).click({ timeout: 15_000 });
  await page.getByRole('button', { name: 'Take all four as reading 2' }).click({ timeout: 15_000 });
  await expect(page.getByTestId('repeat')).toContainText('Rolled on 2 times');
  await page.getByRole('button', { name: 'No pads' }).click();
  await expect(page.getByText('Read from an instrument')).toBeVisible();
  await allSent(page);
});
