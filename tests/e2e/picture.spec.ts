import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { blankDocument } from '#core/document/create.ts';
import { settled } from '../fixtures/records.ts';
import { plainDocument } from '../fixtures/records.ts';
import { wheelPicture, type WheelPicture } from '../fixtures/wheelPictures.ts';
import { expect, field, test, visit } from './app.ts';

const CORNERS = ['LF', 'RF', 'LR', 'RR'] as const;
const NAMES = { LF: 'front left', RF: 'front right', LR: 'rear left', RR: 'rear right' };

async function newJob(page: Page, rimMm: number, lipOutMm: number | null): Promise<string> {
  const id = randomUUID();
  const document = plainDocument((edit) => {
    edit.name = `Pochard ${id.slice(0, 4)}`;
    edit.machine.class = 'car';
    for (const corner of CORNERS) {
      edit.corners[corner].reference.kind = 'hub-arch';
      edit.corners[corner].targetMm = 330;
      Object.assign(edit.corners[corner], { rimMm: Math.round(rimMm), lipOutMm });
    }
  });
  const made = await page.request.post('/api/jobs', { data: { id, document, entries: [settled(0)] } });
  expect(made.status()).toBe(201);
  return id;
}

const verdict = (page: Page) => page.getByTestId('picture-verdict');

const open = async (page: Page, jpeg: Buffer) => {
  await page
    .getByLabel('Open a picture')
    .setInputFiles({ name: 'wheel.jpg', mimeType: 'image/jpeg', buffer: jpeg });
};

/** Taps both marks where they are seen. */
async function pointAt(page: Page, marks: WheelPicture['marks']): Promise<void> {
  const picture = page.getByRole('img', { name: 'The picture, with what was found in it' });
  for (const [button, [x, y]] of [
    ['Point at the first mark', marks.first],
    ['Point at the second mark', marks.second],
  ] as const) {
    await page.getByRole('button', { name: button }).click();
    const at = await picture.evaluate(
      (svg, to) => {
        const { x, y } = new DOMPoint(...to).matrixTransform(
          (svg as SVGSVGElement).getScreenCTM() ?? undefined,
        );
        return { x, y };
      },
      [x, y] as [number, number],
    );
    await page.mouse.click(at.x, at.y);
  }
}

test('from pictures to a plan: one corner of each axle read off a file with the sheet in it', async ({
  page,
}) => {
  const wheel = await wheelPicture(7);
  const id = await newJob(page, wheel.rimMm, null);
  await visit(page, `/jobs/${id}/baseline`);
  for (const twin of ['Front right', 'Rear left'])
    await field(page, `${twin}, reading 1`).fill(String(Math.round(wheel.archMm)));
  await page.keyboard.press('Tab');
  for (const corner of ['LF', 'RR'] as const) {
    await visit(page, `/jobs/${id}/picture/${corner}`);
    await open(page, wheel.jpeg);
    await expect(verdict(page)).toContainText('±');
    const read = Number.parseFloat(await verdict(page).innerText());
    expect(Math.abs(read - wheel.archMm)).toBeLessThan(4);
    await expect(page.getByText('as the picture’s file says')).toBeVisible();
    await page.getByRole('button', { name: 'Take as reading 1' }).click();
    await expect(page.getByTestId('pictures-taken')).toContainText('by picture');
    await expect(page.getByRole('button', { name: /^Read the picture/ })).toBeVisible();
  }
  // The same slots as a tape's: the plan is there.
  await page.getByRole('link', { name: 'Back to the readings' }).click();
  const shown = await field(page, 'Rear right, reading 1').inputValue();
  expect(Math.abs(Number.parseFloat(shown) - wheel.archMm)).toBeLessThan(4);
  await expect(page.getByText('1 of them by picture').first()).toBeVisible();
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.getByText(/Lower .* mm/).first()).toBeVisible();
  // A second reading by tape goes beside it.
  await visit(page, `/jobs/${id}/baseline`);
  await field(page, 'Front left, reading 2').fill(String(Math.round(wheel.archMm)));
  await field(page, 'Front left, reading 2').press('Enter');
  await visit(page, `/jobs/${id}/picture/LF`);
  await expect(page.getByTestId('pictures-taken')).toContainText('by tape');
  await expect(page.getByTestId('pictures-taken')).toContainText(/(more|less) than by tape/);
});

test('a kept picture is read again as it was', async ({ page }) => {
  const wheel = await wheelPicture(7);
  const id = await newJob(page, wheel.rimMm, 35);
  await visit(page, `/jobs/${id}/picture/LF`);
  await open(page, wheel.jpeg);
  await expect(verdict(page)).toContainText('±');
  const first = Number.parseFloat(await verdict(page).innerText());
  await page.getByRole('button', { name: 'Take as reading 1' }).click();
  await page.getByRole('button', { name: /^Read the picture/ }).click();
  await expect(page.getByText('It was read as')).toBeVisible();
  await expect(verdict(page)).toContainText('±');
  expect(Math.abs(Number.parseFloat(await verdict(page).innerText()) - first)).toBeLessThan(0.5);
});

test('without a level or a sheet it is refused, and so is no picture; what is wrong stays on screen', async ({ page }) => {
  const wheel = await wheelPicture(13, { sheet: false });
  const id = await newJob(page, wheel.rimMm, null);
  await visit(page, `/jobs/${id}/picture/${CORNERS[1]}`);
  await expect(page.getByRole('heading', { name: `Height by picture, ${NAMES.RF}` })).toBeVisible();
  await open(page, wheel.jpeg);
  await expect(verdict(page)).toContainText('It is not known how the camera was held');
  await expect(page.getByRole('button', { name: 'Take as reading 1' })).toBeDisabled();
  await page.getByRole('button', { name: 'Another picture' }).click();
  await open(page, Buffer.from('not a picture'));
  await expect(page.getByRole('alert')).toContainText('no picture that can be opened');
}); // oxfmt-ignore

test('the point and the rim are moved with the keys, and the height follows', async ({ page }) => {
  const wheel = await wheelPicture(7);
  const id = await newJob(page, wheel.rimMm, null);
  await visit(page, `/jobs/${id}/picture/LF`);
  await open(page, wheel.jpeg);
  await expect(verdict(page)).toContainText('±');
  const before = Number.parseFloat(await verdict(page).innerText());
  const point = page.getByRole('button', { name: /^Point on the body/ });
  await point.focus();
  for (let press = 0; press < 6; press++) await point.press('Shift+ArrowUp');
  await expect
    .poll(async () => Number.parseFloat(await verdict(page).innerText()))
    .toBeGreaterThan(before + 10);
});

test('between two marks the printed sheet is the scale: no wheel, no rim, and kept to be read again', async ({
  page,
}) => {
  const { jpeg, marks } = await wheelPicture(5);
  const id = randomUUID();
  const document = blankDocument('motorcycle', `Knot ${id.slice(0, 4)}`);
  document.corners.FW.reference.kind = 'clamp-axle';
  document.corners.FW.targetMm = 300;
  const made = await page.request.post('/api/jobs', { data: { id, document, entries: [settled(0)] } });
  expect(made.status(), await made.text()).toBe(201);
  await visit(page, `/jobs/${id}/picture/FW`);
  await expect(page.getByRole('main')).toContainText('Three pictures of the marks');
  await open(page, jpeg);
  await expect(verdict(page)).toContainText('The first mark is not pointed at yet');
  await pointAt(page, marks);
  await expect(verdict(page)).toContainText('The printed sheet is the scale');
  await expect(verdict(page)).toContainText('±');
  const read = Number.parseFloat(await verdict(page).innerText());
  expect(Math.abs(read - marks.apartMm)).toBeLessThan(6);
  await page.getByRole('button', { name: 'Take as reading 1' }).click();
  await page.getByRole('button', { name: /^Read the picture/ }).click();
  await expect(page.getByText('It was read as')).toBeVisible();
  await expect(verdict(page)).toContainText('±');
  expect(Math.abs(Number.parseFloat(await verdict(page).innerText()) - read)).toBeLessThan(0.5);
});

test('a sag is read off pictures between two marks, with a rider on, and stands on the bench', async ({ page }) => {
  const { jpeg, marks } = await wheelPicture(5);
  const id = randomUUID();
  const document = blankDocument('motorcycle', `Knot ${id.slice(0, 4)}`);
  Object.assign(document.corners.FW, { travelMm: 130, sagMm: 38, sagWindow: { fromMm: 32, toMm: 44 } });
  document.corners.FW.reference.kind = 'clamp-axle';
  document.riders = [{ key: 'r1', name: 'Ada', kg: 80, gearKg: 5, rearShare: null, passengerKg: 0, luggageKg: 0 }];
  const fact = { kind: 'sag', round: 0, corner: 'FW', slot: 'extended-1', mm: 350 };
  const entry = { id: randomUUID(), at: '2026-03-02T08:00:00.000Z', label: 'Read', undoOf: null, redoOf: null, type: 'fact', fact, replaces: null };
  const made = await page.request.post('/api/jobs', { data: { id, document, entries: [entry] } });
  expect(made.status(), await made.text()).toBe(201);
  await visit(page, `/jobs/${id}/sag`);
  await page.getByRole('link', { name: 'By picture, rider on, as it rests, front wheel' }).click();
  await expect(page.getByRole('heading', { name: /^Sag, Ada on, as it rests, by picture, front wheel/ })).toBeVisible();
  await open(page, jpeg);
  await pointAt(page, marks);
  await expect(verdict(page)).toContainText('±');
  await page.getByRole('button', { name: 'Take as reading 1' }).click();
  await expect(page.getByTestId('pictures-taken')).toContainText('by picture');
  await page.getByRole('link', { name: 'Back to the readings' }).click();
  const shown = Number.parseFloat(await field(page, 'Rider on, as it rests, front wheel, reading 1').inputValue());
  expect(Math.abs(shown - marks.apartMm)).toBeLessThan(6);
  await expect(page.getByTestId('sag-outlook')).toBeVisible();
}); // oxfmt-ignore

test('the sheet of marks is there to be printed', async ({ page }) => {
  await visit(page, '/marks');
  await expect(page.getByRole('img', { name: /Four large discs/ }).locator('circle')).toHaveCount(5);
});

test('in practice pictures of the machine are taken and read; in the next round the last point shows', async ({ page }) => {
  const take = page.getByRole('button', { name: 'Take one of the practice machine' });
  let jobId = '';
  // The machine is drawn, and what its rims look like: of one in forty the rim has to be pointed at. Another is drawn then.
  await expect(async () => {
    const id = randomUUID();
    jobId = randomUUID();
    await page.request.post('/api/practice', { data: { id, level: 'first-day', machineClass: 'car' } });
    await page.request.post(`/api/practice/${id}/tries`, { data: { jobId, way: 'plan', name: 'Practice: car' } });
    await visit(page, `/jobs/${jobId}/picture/LF`);
    await expect(page.getByRole('button', { name: 'Use the camera' })).toBeVisible();
    await take.click();
    await expect(verdict(page)).toContainText('±', { timeout: 8000 });
  }).toPass();
  await expect(field(page, 'Rim from lip to lip')).not.toHaveValue('');
  await page.getByRole('button', { name: 'Take as reading 1' }).click();
  await expect(page.getByTestId('pictures-taken')).toContainText('by picture');
  const fact = { kind: 'settled', round: 1, corner: null, slot: 'how', how: 'rolled' };
  const entry = { id: randomUUID(), at: new Date().toISOString(), label: 'Settled', undoOf: null, redoOf: null, type: 'fact', fact, replaces: null };
  const told = await page.request.post(`/api/jobs/${jobId}/entries`, { data: entry });
  expect(told.ok()).toBe(true);
  await visit(page, `/jobs/${jobId}/picture/LF`);
  await expect(page.getByRole('main')).toContainText('round 1');
  await take.click();
  await expect(page.getByTestId('ghost')).toBeVisible();
}); // oxfmt-ignore
