import { randomUUID } from 'node:crypto';
import type { Locator, Page } from '@playwright/test';
import { blankDocument } from '#core/document/create.ts';
import { fittingFields, mountOfPitch } from '#core/document/fitting.ts';
import type { Fitting, JobDocument } from '#core/document/types.ts';
import { blankSpring } from '#core/document/spring.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersOf } from '#core/kinds/classes/index.ts';
import type { MachineClass } from '#core/kinds/classes/index.ts';
import { allSent, expect, field, quickStart, test, readAll, turnAll, visit } from './app.ts';

const WHEELS = ['Front left', 'Front right', 'Rear left', 'Rear right'] as const;
const IDS = ['LF', 'RF', 'LR', 'RR'] as const;

/** A job made over the interface for programs, with one height at every corner that has one. */
async function made(
  page: Page,
  document: JobDocument,
  heights: Partial<Record<CornerId, number>>,
): Promise<string> {
  const id = randomUUID();
  const fact = (kind: string, corner: string | null, slot: string, more: object) => ({
    id: randomUUID(),
    at: '2026-03-02T08:00:00.000Z',
    label: 'read',
    undoOf: null,
    redoOf: null,
    type: 'fact',
    fact: { kind, round: 0, corner, slot, ...more },
    replaces: null,
  });
  const entries = [
    fact('settled', null, 'how', { how: 'rolled' }),
    ...Object.entries(heights).map(([corner, mm]) => fact('height', corner, '1', { mm })),
  ];
  const answer = await page.request.post('/api/jobs', { data: { id, document, entries } });
  expect(answer.status(), await answer.text()).toBe(201);
  return id;
}

function described(machineClass: MachineClass, edit: (document: JobDocument) => void): JobDocument {
  const document = blankDocument(machineClass, 'Point');
  edit(document);
  return document;
}

test.describe('data stays what was read', () => {
  test('in inches what no tape reads shows in decimals, and every hint in the unit beside it', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Snipe', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/intake`);
    await expect(field(page, 'Thread pitch, front')).toHaveAttribute('placeholder', '2 assumed');
    await page.keyboard.press('u');
    await expect(field(page, 'Thread pitch, front')).toHaveAttribute('placeholder', /^0\.0\d\d assumed$/);
    await field(page, 'Thread pitch, front').fill('0.079');
    await field(page, 'Thread pitch, front').press('Enter');
    await expect(field(page, 'Thread pitch, front')).toHaveValue('0.079');
    await expect(field(page, 'Tolerance, each corner ±')).toHaveAttribute('placeholder', /^0\.\d+ assumed$/);
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LF')).toContainText(/0\.\d+\sin of seat/);
    await page.keyboard.press('u');
  });

  test('a browser that keeps nothing says so, and everything still reaches the server', async ({
    ownPage: page,
  }) => {
    await page.addInitScript(() => {
      Storage.prototype.setItem = () => {
        throw new DOMException('full', 'QuotaExceededError');
      };
      Object.defineProperty(window, 'indexedDB', { value: undefined });
    });
    await visit(page, '/new?class=car');
    await field(page, 'Measured height, front left').fill('37');
    await expect(page.getByTestId('unsent')).toContainText('This browser keeps nothing');
    for (const [k, corner] of WHEELS.entries())
      await field(page, `Measured height, ${corner.toLowerCase()}`).fill(String(372 + k));
    await field(page, 'Target height, front').fill('360');
    await field(page, 'Target height, rear').fill('360');
    await page.getByRole('button', { name: 'Start job' }).click();
    await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}/);
    const id = /jobs\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';
    await expect
      .poll(async () => {
        const body = (await (await page.request.get(`/api/jobs/${id}`)).json()) as { entries?: unknown[] };
        return body.entries?.length ?? 0;
      })
      .toBeGreaterThanOrEqual(4);
  });

  test('what is committed as the page is left counts on the next one, though nothing was sent or kept yet', async ({
    page,
  }) => {
    const ruff = blankDocument('car', 'Ruff');
    const id = await made(page, ruff, { LF: 370, RF: 371, LR: 380, RR: 381 });
    await visit(page, `/jobs/${id}/baseline`);
    // Neither the server nor the browser's own database gets to answer before the page is gone.
    await page.route('**/entries', () => undefined);
    await page.evaluate(() => {
      Object.defineProperty(IDBObjectStore.prototype, 'put', {
        value: () => {
          throw new Error('too late');
        },
      });
    });
    await field(page, 'Rear right, reading 2').fill('383');
    await page.evaluate((next) => {
      (document.activeElement as HTMLElement).blur();
      location.href = next;
    }, `/jobs/${id}/plan`);
    await expect(page).toHaveURL(/plan$/);
    await page.unroute('**/entries');
    await page.reload();
    await visit(page, `/jobs/${id}/baseline`);
    await expect(field(page, 'Rear right, reading 2')).toHaveValue('383');
    await allSent(page);
    const record = await (await page.request.get(`/api/jobs/${id}`)).json();
    expect(JSON.stringify(record.entries)).toContain('383');
  });

  test('a fault at one corner does not make a fixed one move', async ({ page }) => {
    const document = described('car', (one) => {
      for (const id of IDS) one.corners[id].targetMm = 360;
      Object.assign(one.corners.LF, fittingFields('fixed'));
      Object.assign(one.corners.RF, fittingFields('fixed'));
      // A ring behind a spring that is not there.
      one.corners.RR.springs = [{ ...blankSpring, rateNPerMm: 60, freeLengthMm: 250 }];
      one.corners.RR.rings = [{ after: 1, limitMm: 50, on: 'seat', gapMm: null }];
    });
    const id = await made(page, document, { LF: 375, RF: 375, LR: 371, RR: 371 });
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LF')).toContainText('Leave it');
    await expect(page.getByTestId('move-RF')).toContainText('Leave it');
    await expect(page.getByTestId('move-LR')).toContainText('Lower');
  });

  test('one side measured: the other moves with it on Plan, Turn, in the bay and on paper alike, and is asked for', async ({
    page,
  }) => {
    const document = described('car', (one) => {
      for (const id of IDS) one.corners[id].targetMm = 360;
    });
    const id = await made(page, document, { LF: 375, LR: 375 });
    await visit(page, `/jobs/${id}/plan`);
    const told = page.getByTestId('move-RF');
    await expect(told).toContainText('not measured: moves like the other side');
    await expect(told).toContainText(/turns away from the spring/);
    const turns = /([\d½¼¾⅛⅜⅝⅞ /]+)turns away/.exec((await told.textContent()) ?? '')?.[1]?.trim() ?? '?';
    await page.emulateMedia({ media: 'print' });
    await expect(told).toContainText(turns);
    await page.emulateMedia({ media: 'screen' });
    await page.getByRole('button', { name: 'Start turning' }).click();
    await expect(page.locator('[data-corner=RF]')).toContainText(`${turns}`);
    await page.getByRole('link', { name: 'Bay view' }).click();
    await expect(page.getByText('1 of 4')).toBeVisible();
    for (let k = 1; k <= 4; k++) {
      await expect(page.getByText(`${k} of 4`)).toBeVisible();
      await page.getByRole('button', { name: /^Done/ }).click();
    }
    await allSent(page);
    await visit(page, `/jobs/${id}/measure`);
    await page.getByLabel('rolled').check();
    await field(page, 'Front left, reading 1').fill('360');
    await field(page, 'Rear left, reading 1').fill('360');
    await page.keyboard.press('Tab');
    // Corners that were asked for and not read stand in the way of finishing.
    await expect(page.getByTestId('verdict')).toHaveCount(0);
    await field(page, 'Front right, reading 1').fill('369');
    await field(page, 'Rear right, reading 1').fill('369');
    await page.keyboard.press('Tab');
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-RF')).toContainText('Lower');
  });

  test('an open calculation adds up and follows the readings', async ({ page }) => {
    const id = await quickStart(page, 'Ruff two', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/baseline`);
    await field(page, 'Front left, reading 2').fill('374');
    await page.keyboard.press('Tab');
    await page.getByTestId('now-LF').getByRole('button').click();
    const sum = page.getByRole('region', { name: /^Calculation: Measured height, front left/ });
    await expect(sum).toContainText('373');
    await field(page, 'Front left, reading 2').fill('378');
    await page.keyboard.press('Tab');
    await expect(sum).toContainText('378');
    await expect(sum).toContainText('375');
  });

  test('a lower mount teaches the ratio as a seat does', async ({ page }) => {
    const document = described('car', (one) => {
      for (const id of IDS) {
        one.corners[id].targetMm = 395;
        Object.assign(one.corners[id], fittingFields('mount'), { mount: mountOfPitch(2) });
      }
    });
    const id = await made(page, document, { LF: 375, RF: 375, LR: 375, RR: 375 });
    await visit(page, `/jobs/${id}/plan`);
    await page.getByRole('button', { name: 'Start turning' }).click();
    for (const corner of WHEELS)
      await page.getByRole('button', { name: `Lower mount done, ${corner.toLowerCase()}` }).click();
    await page.getByTestId('next').click();
    await page.getByLabel('rolled').check();
    await readAll(page, [405, 405, 405, 405]);
    // Half as much again as was asked: the damper makes less of the wheel's way than a car's usual.
    await expect(page.getByTestId('learnt')).toContainText(/Front: 1 mm of seat moves it.*≈ [12]\.\d/);
  });
});

test.describe('what is shown is of one kind', () => {
  test('a reading typed in inches shows in millimetres with what was typed beside it', async ({ page }) => {
    const id = await quickStart(page, 'Curlew two', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/baseline`);
    await field(page, 'Front left, reading 1').fill('14 3/4 in');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('now-LF')).toContainText(/374\.[67]\s?mm\s*measured, typed 14 3\/4 in/);
    await page.reload();
    await expect(page.getByTestId('now-LF')).toContainText('typed 14 3/4 in');
    await visit(page, `/jobs/${id}/handover`);
    await expect(page.locator('[data-kind=measured]').first()).toContainText('374');
  });

  test('a pressure and a position that rest on what is assumed say so, until it is given', async ({
    page,
  }) => {
    const document = described('snowmobile', (one) => {
      for (const id of ['LS', 'RS'] as const) Object.assign(one.corners[id], fittingFields('air'));
      Object.assign(one.corners.RA, fittingFields('cam'));
      for (const id of ['LS', 'RS', 'RA'] as const) one.corners[id].targetMm = 425;
    });
    const id = await made(page, document, { LS: 400, RS: 400, RA: 400 });
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LS')).toContainText(/bar\s*from 4\sbar, assumed/);
    await expect(page.getByTestId('move-RA')).toContainText(
      /Position \d, both sides alike\s*from position 1, by usual angles, assumed/,
    );
    await visit(page, `/jobs/${id}/intake`);
    for (const [label, value] of [
      ['Air pressure, front', '5'],
      ['Leg length, skid rear arm', '125'],
      ['Each further, skid rear arm', '12'],
    ] as const)
      await field(page, label).fill(value);
    await page.keyboard.press('Tab');
    await page.getByLabel('Cam stands at, skid rear arm').selectOption('0');
    await allSent(page);
    await visit(page, `/jobs/${id}/plan`);
    await expect(page.getByTestId('move-LS')).toContainText(/bar/);
    await expect(page.getByTestId('move-LS')).not.toContainText('assumed');
    await expect(page.getByTestId('move-RA')).not.toContainText('assumed');
  });

  test('turns counted from a pitch nobody gave say so on Plan, Turn and in the bay, until it is given', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Sanderling three', ['380', '380', '380', '380'], '360', '360');
    await visit(page, `/jobs/${id}/plan`);
    const mark = page.getByTestId('pitch-assumed');
    await expect(mark).toHaveCount(4);
    await expect(mark.first()).toHaveText(/at 2\s?mm a turn, assumed/);
    await page.getByRole('button', { name: 'Start turning' }).click();
    await expect(mark).toHaveCount(4);
    await page.getByRole('link', { name: 'Bay view' }).click();
    await expect(mark).toHaveCount(1);
    await visit(page, `/jobs/${id}/intake`);
    await field(page, 'Thread pitch, front').fill('2');
    await field(page, 'Thread pitch, front').press('Enter');
    await allSent(page);
    await visit(page, `/jobs/${id}/plan`);
    await expect(mark).toHaveCount(2);
  });

  test('what a reading differs by from its prediction is the difference of both as shown', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Ringed', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/plan`);
    await turnAll(page);
    await page.getByLabel('rolled').check();
    await readAll(page, [339, 340, 366, 364]);
    const compared = await page.getByTestId('compared').allTextContents();
    for (const [i, read] of [339, 340, 366, 364].entries()) {
      const [, predicted, off, way] =
        /predicted (\d+) .* measured ([\d.]+)\s?mm (higher|lower)/.exec(compared[i] ?? '') ?? [];
      expect(Number(predicted) + (way === 'higher' ? 1 : -1) * Number(off)).toBe(read);
    }
  });

  test('turned further than issued: the prediction is for what was done, and says so', async ({ page }) => {
    const id = await quickStart(page, 'Dunlin three', ['380', '380', '380', '380'], '360', '360');
    await visit(page, `/jobs/${id}/plan`);
    await page.getByRole('button', { name: 'Start turning' }).click();
    await page.getByRole('link', { name: 'Bay view' }).click();
    await expect(page.getByText('1 of 4')).toBeVisible();
    const size = await page.getByText(/^of .* tap or Space counts one/).textContent();
    const whole = Number(/of (\d+)/.exec(size ?? '')?.[1] ?? 0) + 2;
    for (let k = 0; k < whole; k++) await page.keyboard.press('Space');
    await expect(page.getByText(/further than issued/)).toBeVisible();
    await page.getByRole('button', { name: /^Done/ }).click();
    for (let k = 2; k <= 4; k++) {
      await expect(page.getByText(`${k} of 4`)).toBeVisible();
      await page.getByRole('button', { name: /^Done/ }).click();
    }
    await allSent(page);
    await visit(page, `/jobs/${id}/measure`);
    const expected = await page.locator('[data-corner=LF]').getByTestId('expected').textContent();
    const twin = await page.locator('[data-corner=RF]').getByTestId('expected').textContent();
    const figure = (text: string | null) => Number(/→ (\d+)/.exec(text ?? '')?.[1]);
    expect(figure(expected)).toBeLessThan(figure(twin));
    await page.getByLabel('rolled').check();
    await readAll(page, [356, 360, 360, 360]);
    await expect(page.locator('[data-corner=LF]').getByTestId('compared')).toContainText(
      /you turned .* more than issued/,
    );
    await expect(page.locator('[data-corner=RF]').getByTestId('compared')).not.toContainText('issued');
  });

  test('nothing is said to be learnt of an axle that is fixed or was not read again', async ({ page }) => {
    const document = described('car', (one) => {
      for (const id of IDS) one.corners[id].targetMm = 360;
      for (const id of ['LR', 'RR'] as const) Object.assign(one.corners[id], fittingFields('fixed'));
    });
    const id = await made(page, document, { LF: 380, RF: 380, LR: 360, RR: 360 });
    await visit(page, `/jobs/${id}/plan`);
    await page.getByRole('button', { name: 'Start turning' }).click();
    for (const side of ['left', 'right'])
      await page.getByRole('button', { name: `Done, front ${side}` }).click();
    await page.getByTestId('next').click();
    await expect(page.getByTestId('learnt')).toHaveText('');
    await page.getByLabel('rolled').check();
    await readAll(page, [348, 348, 360, 360]);
    await expect(page.getByTestId('learnt')).toContainText('Front: 1 mm of seat');
    await expect(page.getByTestId('learnt')).not.toContainText('Rear');
  });

  test('a baseline corrected after turning is not held against the plan', async ({ page }) => {
    const id = await quickStart(page, 'Knot two', ['400', '400', '400', '400'], '360', '360');
    await visit(page, `/jobs/${id}/plan`);
    await turnAll(page);
    await page.getByLabel('rolled').check();
    await readAll(page, [361, 361, 361, 361]);
    await visit(page, `/jobs/${id}/baseline`);
    // What was measured then is still what stands there.
    await expect(page.getByTestId('now-LF')).toContainText(/: 400\s?mm/);
    await field(page, 'Front left, reading 1').fill('401');
    await expect(page.locator('[data-corner=LF]')).not.toContainText('than this round should read');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('now-LF')).toContainText(/: 401\s?mm/);
  });

  test('another way to read a sag stays in sight once something is in it', async ({ page }) => {
    await visit(page, '/jobs/00000000-0000-4000-8000-000800000000/sag');
    const more = page.getByLabel('by a band on the shaft');
    await more.check();
    const band = page.getByRole('textbox', { name: /by a band/ }).first();
    await band.fill('50');
    await band.press('Enter');
    await page.reload();
    await expect(page.getByLabel('by a band on the shaft')).toBeChecked();
    await expect(page.getByRole('textbox', { name: /by a band/ }).first()).toHaveValue('50');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await allSent(page);
  });

  test('margins on a guess stay open and say so; those that are well and known fold', async ({ page }) => {
    const id = await quickStart(page, 'Plover', ['390', '391', '389', '389'], '366', '366');
    await visit(page, `/jobs/${id}/plan`);
    const margins = page.getByRole('complementary', { name: 'Margins' });
    await expect(margins.locator('[data-margin=droop]')).toContainText('ok, assumed');
    await expect(margins.locator('[data-margin=height]')).toHaveCount(0);
    await margins.getByRole('button', { name: /1 more is ok/ }).click();
    await expect(margins.locator('[data-margin=height]').first()).toContainText('ok');
  });
});

test.describe('what is concluded', () => {
  test('of three readings the odd one is set aside, can be counted all the same, and deleted', async ({
    page,
  }) => {
    const id = await quickStart(page, 'Sanderling', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/baseline`);
    await field(page, 'Front left, reading 2').fill('373');
    await field(page, 'Front left, reading 3').fill('352');
    await page.keyboard.press('Tab');
    const aside = page.getByTestId('aside-LF');
    await expect(aside).toContainText(/Reading 3 is set aside: 352\s?mm, 20\.5 mm below the others/);
    await expect(page.getByTestId('now-LF')).toContainText(/: 372\.5\s?mm/);
    await aside.getByRole('button', { name: 'Count it all the same' }).click();
    await expect(page.getByTestId('now-LF')).toContainText(/: 365\.7\s?mm/);
    await aside.getByRole('button', { name: 'Set it aside' }).click();
    await aside.getByRole('button', { name: 'Delete it' }).click();
    await expect(aside).toHaveCount(0);
    await expect(field(page, 'Front left, reading 3')).toHaveValue('');
    await expect(page.getByTestId('now-LF')).toContainText(/: 372\.5\s?mm/);
    await allSent(page);
  });

  test('a ratio by two lengths on the arm, in Prep, counts once both are there', async ({ page }) => {
    const id = await quickStart(page, 'Garganey', ['372', '375', '388', '386'], '350', '360');
    await visit(page, `/jobs/${id}/prep`);
    await page.getByText('Measure the motion ratio while it goes up').click();
    await page.getByText('or by two lengths on the arm').first().click();
    await field(page, 'Pivot to damper, front').fill('230');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('arm-ratio-front')).toHaveCount(0);
    await field(page, 'Pivot to wheel, front').fill('400');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('arm-ratio-front')).toContainText('≈ 0.56 ± 0.03');
    await allSent(page);
    await visit(page, `/jobs/${id}/intake`);
    await visit(page, `/jobs/${id}/plan`);
    // The rear's is still a guess, so measuring it is still offered.
    await expect(page.getByTestId('ratio-offer')).toContainText('Measure it while it goes up');
    await page.getByRole('button', { name: 'Start turning' }).click();
    await page.getByRole('link', { name: 'Bay view' }).click();
    await page.getByText('Measure the motion ratio while it goes up').click();
    await expect(field(page, 'Hub to arch standing, rear')).toBeVisible();
  });
});

interface Kind {
  kind: Fitting;
  machineClass: MachineClass;
  corner: CornerId;
  edit?: Partial<JobDocument['corners']['LF']>;
  raise: RegExp;
  lower: RegExp;
  /** Which way along the damper raises it; none where the adjuster does not sit on one. */
  raisesBy?: 'up' | 'down';
}

const kinds: readonly Kind[] = [
  { kind: 'seat', machineClass: 'car', corner: 'LF', raise: /turns towards the spring/, lower: /turns away from the spring/, raisesBy: 'up' },
  { kind: 'strut', machineClass: 'car', corner: 'LF', edit: { collarAt: 'above' }, raise: /turns towards the spring/, lower: /turns away from the spring/, raisesBy: 'down' },
  { kind: 'apart', machineClass: 'car', corner: 'LR', raise: /turns towards the spring/, lower: /turns away from the spring/ },
  { kind: 'mount', machineClass: 'car', corner: 'LF', edit: { mount: mountOfPitch(2) }, raise: /lower mount .* turns out \(longer\)/, lower: /lower mount .* turns in \(shorter\)/ },
  { kind: 'grooves', machineClass: 'truck', corner: 'LF', edit: { stepMm: 6 }, raise: /grooves? towards the spring/, lower: /grooves? away from the spring/, raisesBy: 'down' },
  { kind: 'leaf', machineClass: 'truck', corner: 'LR', edit: { stepMm: 18 }, raise: /\d (leaf|leaves) more/, lower: /\d (leaf|leaves) fewer/ },
  { kind: 'shims', machineClass: 'car', corner: 'LF', edit: { stepMm: 3 }, raise: /\d+ shims? more/, lower: /\d+ shims? fewer/ },
  { kind: 'cam', machineClass: 'snowmobile', corner: 'RA', edit: { cam: 1 }, raise: /position [34], both sides/i, lower: /position 1, both sides/i },
  { kind: 'air', machineClass: 'snowmobile', corner: 'LS', raise: /add air to [\d.]+\sbar/i, lower: /let air out to [\d.]+\sbar/i },
  { kind: 'cap', machineClass: 'motorcycle', corner: 'FW', raise: /turns towards the spring/, lower: /turns away from the spring/ },
  { kind: 'spacer', machineClass: 'motorcycle', corner: 'FW', edit: { stepMm: 5 }, raise: /spacers? more/, lower: /spacers? fewer/ },
  { kind: 'clamp', machineClass: 'motorcycle', corner: 'FW', edit: { mount: mountOfPitch(1), reference: { kind: 'ground-chassis', aheadMm: 0, offsetMm: 0 } }, raise: /tubes .* further out below the clamps/, lower: /tubes .* further out above the clamps/ },
]; // oxfmt-ignore

test.describe('which way to turn', () => {
  for (const { kind, machineClass, corner, edit = {}, raise, lower, raisesBy } of kinds)
    test(`${kind}: raising and lowering say their effect and a direction without doubt, on Plan, Turn and in the bay`, async ({
      page,
    }) => {
      for (const [way, words, offMm] of [
        ['Raise', raise, 25],
        ['Lower', lower, -25],
      ] as const) {
        const ids = cornersOf(machineClass);
        const document = described(machineClass, (one) => {
          one.toleranceMm = 6;
          for (const id of ids) {
            one.corners[id].targetMm = 400 + offMm;
            one.corners[id].collarAt = edit.collarAt ?? null;
            if (id[1] === corner[1]) Object.assign(one.corners[id], fittingFields(kind), edit);
          }
        });
        const id = await made(page, document, Object.fromEntries(ids.map((one) => [one, 400])));
        await visit(page, `/jobs/${id}/plan`);
        const told = page.getByTestId(`move-${corner}`);
        await expect(told).toContainText(new RegExp(`(^|\\D)${way} \\d+\\s?mm`));
        await expect(told).toContainText(words);
        // Up or down is said of the damper alone, and only where the adjuster sits on it.
        const along = way === 'Raise' ? raisesBy : raisesBy === 'up' ? 'down' : 'up';
        const alongWords = async (place: Locator) => {
          if (!raisesBy) return expect(place).not.toContainText(/\b(up|down)\b/);
          await expect(place).toContainText(`${along} the damper`);
          await expect(place).not.toContainText(`${along === 'up' ? 'down' : 'up'} the damper`);
        };
        await alongWords(told);
        const seen = page.getByTestId(`along-${corner}`).first();
        if (raisesBy && edit.collarAt) await expect(seen).not.toContainText('assumed');
        else if (raisesBy) await expect(seen).toContainText('assumed');
        await page.getByRole('button', { name: 'Start turning' }).click();
        const here = page.locator(`[data-corner=${corner}]`);
        await expect(here).toContainText(new RegExp(`${way} \\d+\\s?mm`));
        await expect(here).toContainText(words);
        await alongWords(here);
        await visit(page, `/jobs/${id}/bay`);
        await expect(page.getByTestId('bay-figure')).toBeVisible();
        for (let k = 0; k < 6; k++) {
          if (
            await page
              .getByText(cornerNames[corner], { exact: false })
              .first()
              .isVisible()
              .catch(() => false)
          )
            break;
          await page.getByRole('button', { name: 'Next corner' }).click();
        }
        await expect(page.getByText(new RegExp(`^${way} \\d+\\s?mm`))).toBeVisible();
        await expect(page.getByTestId('bay-figure')).toContainText(
          /towards|away|out|in|more|fewer|position|bar/,
        );
        await alongWords(page.getByTestId('bay-figure'));
      }
    });

  test('where the collar sits is asked by picture, per axle; the way along the damper follows at once', async ({
    page,
  }) => {
    await visit(page, '/new?class=side-by-side');
    for (const corner of ['front left', 'front right', 'rear left', 'rear right'])
      await field(page, `Measured height, ${corner}`).fill('450');
    await field(page, 'Target height, front').fill('470');
    await field(page, 'Target height, rear').fill('470');
    await expect(page.getByTestId('along-LF')).toContainText('down the damper, assumed');
    await page.getByRole('button', { name: 'Collar sits, front: above the spring, assumed' }).click();
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Below the spring/ })
      .click();
    await expect(page.getByTestId('along-LF')).toHaveText('up the damper');
    await expect(page.getByTestId('along-RF')).toHaveText('up the damper');
    await expect(page.getByTestId('along-LR')).toContainText('down the damper, assumed');
    await page.keyboard.press('Control+z');
    await expect(page.getByTestId('along-LF')).toContainText('down the damper, assumed');
  });
});

test('a margin that rests on a guess is told in whole millimetres; what is typed in inches stands so at once', async ({
  page,
}) => {
  const id = await quickStart(page, 'Whole', ['362', '365', '371', '370'], '350', '360');
  await visit(page, `/jobs/${id}/baseline`);
  const margins = page.getByRole('complementary', { name: 'Margins' });
  const droop = margins.getByRole('listitem').filter({ hasText: 'Droop left' }).first();
  await expect(droop).toContainText('assumed');
  await expect(droop).toContainText(/(?<![.\d])\d+\s?mm/);
  const corner = page.locator('[data-corner=LF]');
  await field(page, 'Front left, reading 1').fill('14 1/4"');
  await expect(corner).toContainText('measured, typed 14 1/4"');
  await page.keyboard.press('Tab');
  await allSent(page);
  await expect(corner).toContainText('measured, typed 14 1/4"');
});
