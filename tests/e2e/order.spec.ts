import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { lockAnyway, allSent, expect, field, quickStart, test, visit } from './app.ts';

const demo = (n: number, stage: string) => `/jobs/00000000-0000-4000-8000-000${n}00000000/${stage}`;

test('an adjuster is picked from its picture, for both sides, and the plan then speaks its words', async ({
  page,
}) => {
  const id = await quickStart(page, 'Godwit', ['575', '575', '580', '580'], '575', '600');
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: 'What is turned, rear: seat collar' }).click();
  await expect(page.getByRole('checkbox', { name: 'The same rear right' })).toBeChecked();
  await page.getByRole('button', { name: /^Leaf pack/ }).click();
  await expect(page.getByRole('button', { name: 'What is turned, rear: leaf pack' })).toBeVisible();
  await field(page, 'One step, rear').fill('20');
  await page.keyboard.press('Tab');
  await allSent(page);
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.getByTestId('move-LR')).toContainText('1 leaf more');
  await page.getByRole('button', { name: 'Start turning' }).click();
  await field(page, 'Leaves done, fewer is −').first().fill('1');
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-corner=LR]').getByTestId('done')).toContainText('1 leaf more done');
  await allSent(page);
});

test('what can touch is entered and becomes a margin; a second spring and its ring make a stack', async ({
  page,
}) => {
  const id = await quickStart(page, 'Dotterel', ['375', '375', '381', '381'], '400', '400');
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: /Clearances, bars and floor/ }).click();
  await page.getByRole('button', { name: 'Add a shaft joint' }).click();
  // It starts empty and counts for nothing until it is filled; half filled it is still there after a reload.
  await expect(page.getByText(/not counted yet: what it is, angle now, at most, shaft/)).toBeVisible();
  await field(page, 'What it is, new shaft joint, front left').fill('outer joint');
  await field(page, 'Angle now, new shaft joint, front left').fill('10');
  await field(page, 'At most, outer joint, front left').fill('11');
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-margin=joint]')).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: /Clearances, bars and floor/ }).click();
  await expect(field(page, 'At most, outer joint, front left')).toHaveValue('11');
  await field(page, 'Shaft, outer joint, front left').fill('400');
  await page.keyboard.press('Tab');
  // 25 mm up on a 400 mm shaft from 10 degrees: past 11.
  await expect(page.locator('[data-margin=joint]')).toContainText('out');
  await page.getByRole('button', { name: 'Remove outer joint, front left' }).click();
  await expect(page.locator('[data-margin=joint]')).toHaveCount(0);
  await page.getByLabel('Front bar').selectOption('hooked up while measuring');
  await expect(field(page, 'Bar rate at the wheels, front')).toHaveValue('');
  await expect(field(page, 'Bar rate at the wheels, front')).toHaveAttribute('placeholder', '10 assumed');
  await page.getByRole('button', { name: /Springs and weights/ }).click();
  await field(page, 'Spring rate, front').fill('60');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'One spring more, front' }).click();
  // A further spring says nothing yet, and counts for nothing until it does.
  await expect(field(page, 'Spring rate, spring 2, front')).toHaveValue('');
  await expect(page.getByText('cannot both be right')).toHaveCount(0);
  await field(page, 'Spring rate, spring 2, front').fill('60');
  await page.keyboard.press('Tab');
  await field(page, 'Ring 1 stops the slider, front').fill('70');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: /^Rings/ })).toBeVisible();
  await page.getByRole('button', { name: 'One spring fewer, front' }).click();
  await expect(page.getByRole('link', { name: /^Rings/ })).toHaveCount(0);
  await allSent(page);
});

test('a strut is read from its hole; load cases have names of their own; a tolerance is taken from a preset', async ({
  page,
}) => {
  const id = await quickStart(page, 'Ruff', ['375', '375', '381', '381'], '375', '381');
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: 'What is turned, front: seat collar' }).click();
  await page.getByRole('button', { name: /^Strut/ }).click();
  await page.getByRole('button', { name: /^Where it is measured/ }).click();
  await expect(field(page, 'Collar datum, front')).toHaveValue('centre of the mounting hole');
  await page.getByLabel('Tolerance from').selectOption({ label: 'careful: 3 mm' });
  await expect(field(page, 'Tolerance, each corner ±')).toHaveValue('3');
  await page.getByRole('button', { name: /Springs and weights/ }).click();
  await page.getByRole('button', { name: 'Add a load', exact: true }).click();
  await page.getByRole('button', { name: 'Add a load case' }).click();
  await field(page, 'Name of load case 3').fill('two up');
  await page.keyboard.press('Tab');
  await field(page, 'Weight, load 1').fill('150');
  await field(page, 'Place ahead, load 1').fill('-900');
  await page.keyboard.press('Tab');
  await page.getByRole('checkbox', { name: 'load 1 aboard two up' }).check();
  await allSent(page);
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.locator('[data-case="two up"]')).toBeVisible();
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: 'Remove load case two up' }).click();
  await expect(field(page, 'Name of load case 3')).toHaveCount(0);
  await allSent(page);
});

test('a picture of the point is kept with the machine, shown, and removed', async ({ page, app }) => {
  await visit(page, demo(6, 'baseline'));
  const buffer = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#778899' } })
    .jpeg()
    .toBuffer();
  const add = page.getByLabel('Add a picture of the point, rear wheel');
  await add.setInputFiles({ name: 'point.jpg', mimeType: 'image/jpeg', buffer });
  await page.getByRole('button', { name: 'Picture 1 of the point, rear wheel' }).click();
  const dialog = page.getByRole('dialog', { name: 'The point, rear wheel' });
  await expect(dialog.getByRole('img')).toHaveJSProperty('naturalWidth', 640);
  await page.keyboard.press('Escape');
  await add.setInputFiles({ name: 'list.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('not a picture that can be read');
  await app.stop();
  await add.setInputFiles({ name: 'point.jpg', mimeType: 'image/jpeg', buffer });
  await expect(page.getByRole('alert')).toContainText('No connection to the server');
  await app.start();
  await page.getByRole('button', { name: 'Send it again' }).click();
  await expect(page.getByRole('button', { name: 'Picture 2 of the point, rear wheel' })).toBeVisible();
  await page.getByRole('button', { name: 'Picture 1 of the point, rear wheel' }).click();
  await dialog.getByRole('button', { name: 'Remove', exact: true }).click();
  await dialog.getByRole('button', { name: 'Delete' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: /^Picture . of the point, rear wheel/ })).toHaveCount(1);
});

test('the next reading is named, and a reading far off what it should be is asked about', async ({
  page,
}) => {
  await visit(page, demo(2, 'measure'));
  const next = page.getByTestId('next-reading');
  // Read twice everywhere and alike: nothing more is asked for until one reading is far from the other.
  await expect(next).toHaveCount(0);
  const second = field(page, 'Front left, reading 2');
  await second.fill('309');
  await second.press('Enter');
  await expect(
    page.getByText(/lower than this round should read|off the other reading/).first(),
  ).toBeVisible();
  await expect(next).toContainText('front left, third reading: hub centre to arch');
  await next.getByRole('button').click();
  await expect(field(page, 'Front left, reading 3')).toBeFocused();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await allSent(page);
});

test('plans side by side: another way is taken and turned', async ({ page }) => {
  const id = await quickStart(page, 'Sanderling', ['379', '371', '381', '381'], '365', '371');
  await visit(page, `/jobs/${id}/plan`);
  await page.getByRole('button', { name: /Other ways to do it/ }).click();
  const alike = page.locator('[data-way=sides]');
  await expect(alike).toContainText('Equal left and right');
  await field(page, 'Aim high for settling').fill('3');
  await page.keyboard.press('Tab');
  await allSent(page);
  await page.getByRole('button', { name: 'Use this plan: Equal left and right' }).click();
  await expect(page).toHaveURL(/\/turn$/);
  // The address changes before the page does: both pages say a seat's move.
  await expect(page.getByText(/ to turn\.$/)).toBeVisible();
  const [left, right] = await Promise.all(
    ['LF', 'RF'].map((corner) =>
      page
        .locator(`[data-corner=${corner}]`)
        .getByText(/ of seat/)
        .last()
        .innerText(),
    ),
  );
  expect(left).toBe(right);
  await allSent(page);
});

test('a kit sheet’s start: its collar readings become the work list', async ({ page }) => {
  await visit(page, demo(1, 'plan'));
  await page.getByRole('button', { name: /Start from a kit sheet/ }).click();
  await field(page, 'Collar to read, front left').fill('60');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/Front left then stands at/)).toBeVisible();
  await page.getByRole('button', { name: 'Use these readings' }).click();
  await expect(page.locator('[data-corner=LF]')).toContainText('stop when the collar reads 60');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await allSent(page);
});

test('every load case stands on the plan', async ({ page }) => {
  await visit(page, demo(1, 'plan'));
  await expect(page.locator('[data-case]')).toHaveCount(2);
  await expect(page.locator('[data-case="loaded for a week"]')).toContainText(/ok|low|out/);
});

test('rings: a gap by share of bump, the move to it, and the block that proves it', async ({ page }) => {
  await visit(page, demo(3, 'rings'));
  await field(page, 'Share of bump, ring 1, front left').fill('25');
  await page.keyboard.press('Tab');
  const row = page.locator('[data-ring=LF-0]');
  await expect(field(page, 'Gap wanted, ring 1, front left')).toHaveValue(/^\d+(\.5)?$/);
  await expect(row).toContainText(/ring 1: .* towards the springs/);
  await row.getByRole('checkbox').check();
  await allSent(page);
  await page.reload();
  await expect(row.getByRole('checkbox')).toBeChecked();
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('1 to set');
});

test('a caution is ticked as read; back from the road, what the springs lost is learnt', async ({ page }) => {
  const id = await quickStart(page, 'Redshank', ['365', '365', '371', '371'], '365', '371');
  await visit(page, `/jobs/${id}/close-out`);
  await expect(page.getByText('3 cautions not ticked as read.')).toBeVisible();
  await page.getByRole('checkbox', { name: /^Align before the road/ }).check();
  await expect(page.getByText('2 cautions not ticked as read.')).toBeVisible();
  await lockAnyway(page, 'owner is content');
  await field(page, 'Driven since').fill('400');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Measure again, nothing turned' }).click();
  await expect(page).toHaveURL(/\/measure$/);
  await page.getByRole('checkbox', { name: 'driven' }).check();
  for (const [corner, mm] of Object.entries({
    'front left': 361,
    'front right': 361,
    'rear left': 367,
    'rear right': 367,
  }))
    await field(page, `${corner[0]?.toUpperCase()}${corner.slice(1)}, reading 1`).fill(String(mm));
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('lost')).toContainText(/Lost in 400 km: front left .*: [1-4](\.\d)?/);
  await allSent(page);
});

/** A side-by-side that stands as wanted, of whose springs nothing is known, at its rings. */
async function toRings(page: Page) {
  await visit(page, '/new?class=side-by-side');
  for (const [corner, mm] of [
    ['front left', '380'],
    ['front right', '380'],
    ['rear left', '372'],
    ['rear right', '372'],
  ])
    await field(page, `Measured height, ${corner}`).fill(mm ?? '');
  await field(page, 'Target height, front').fill('380');
  await field(page, 'Target height, rear').fill('372');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Start job' }).click();
  await page.waitForURL(/jobs\/[0-9a-f]/);
  await page.getByRole('link', { name: /^Rings/ }).click();
}

test('rings by their gap alone: a block of each goes in, and they are done', async ({ page }) => {
  await toRings(page);
  for (const [corner, found, wanted] of [
    ['front left', '34', '22'],
    ['front right', '36', '22'],
    ['rear left', '36', '40'],
  ]) {
    await field(page, `Gap as read, ${corner}`).fill(found ?? '');
    await field(page, `Gap wanted, ${corner}`).fill(wanted ?? '');
  }
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-ring=LF-gap]')).toContainText(/12\s?mm towards the slider/);
  await expect(page.locator('[data-ring=LR-gap]')).toContainText(/4\s?mm towards the seat/);
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('3 to set');
  for (const corner of ['front left', 'front right', 'rear left'])
    await page.getByRole('button', { name: `The block goes in: ring, ${corner}` }).click();
  await expect(page.locator('[data-ring=LF-gap]')).toContainText(/at its gap of 22\s?mm/);
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('in their places');
  await allSent(page);
  const id = /jobs\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
  await visit(page, `/jobs/${id}/handover`);
  await expect(
    page.getByText(/Ring gaps: front left 22\s?mm by block, front right 22\s?mm by block, rear left 40\s?mm/),
  ).toBeVisible();
});

test('rings from their seats, two at a damper: each is set by itself, and the others stay as they were read', async ({
  page,
}) => {
  await toRings(page);
  await page.getByLabel('How it is read').selectOption('seat');
  await page.getByLabel('Rings at a damper').selectOption('2');
  const second = page.locator('[data-ring=LF-seat-2]');
  for (const [which, found, wanted] of [
    ['front left', '118', '106'],
    ['second ring, front left', '246', '250'],
  ]) {
    await field(page, `From the seat as read, ${which}`).fill(found ?? '');
    await field(page, `From the seat wanted, ${which}`).fill(wanted ?? '');
  }
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-ring=LF-seat]')).toContainText(
    /ring 12\s?mm towards the seat.*then it reads 106/,
  );
  await expect(second).toContainText(/ring 4\s?mm towards the slider/);
  await page.getByRole('button', { name: 'It stands there: second ring, front left' }).click();
  await expect(second).toContainText(/stands at 250/);
  await expect(page.locator('[data-ring=LF-seat]')).toContainText(/ring 12\s?mm towards the seat/);
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('1 to set');
  // With the wheels hanging the page says so of every gap.
  await page.getByLabel('The wheels').selectOption('hanging');
  await expect(page.locator('main')).toContainText('with the wheels hanging');
  await page.reload();
  await expect(second).toContainText(/stands at 250/);
});

test('another day, nothing turned: it is measured again before anything is locked, and the loss is learnt', async ({
  page,
}) => {
  const id = await quickStart(page, 'Dunlin two', ['365', '365', '371', '371'], '365', '371');
  await visit(page, `/jobs/${id}/baseline`);
  await page.getByRole('button', { name: /^Measure it again later/ }).click();
  await page.getByRole('button', { name: 'Measure again, nothing turned' }).click();
  await expect(page).toHaveURL(/\/measure$/);
  await expect(page.getByRole('button', { name: /^Measure it again later/ })).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'rolled' }).check();
  for (const [corner, mm] of Object.entries({
    'Front left': 360,
    'Front right': 360,
    'Rear left': 366,
    'Rear right': 366,
  }))
    await field(page, `${corner}, reading 1`).fill(String(mm));
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('lost')).toContainText(/Lost while it stood: front left .*: [2-5](\.\d)?/);
  // What the tape read is the figure; the plan raises it again.
  await expect(page.getByTestId('now-LF')).toContainText(/360\s?mm/);
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.getByTestId('move-LF').or(page.locator('[data-corner=LF]')).first()).toContainText(
    /Raise [3-6]/,
  );
  await allSent(page);
});

test('ride: a damper setting found by halves, and an earlier setting opened beside this one', async ({
  page,
}) => {
  await visit(page, demo(2, 'ride'));
  await page.getByRole('button', { name: 'Begin' }).click();
  await field(page, 'Clicks from full hard to full soft').fill('12');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: '12 is better' }).click();
  await page.getByRole('button', { name: '6 is better' }).click();
  await page.getByRole('button', { name: '6 is better' }).click();
  await expect(page.getByTestId('bracketed')).toHaveText('7');
  await page.getByRole('button', { name: 'Record as set' }).click();
  await allSent(page);
  await page
    .getByRole('region', { name: 'Earlier settings' })
    .getByRole('link', { name: 'Baseline' })
    .click();
  await expect(page.getByRole('heading', { name: 'Saltmarsh Lady' })).toBeVisible();
  await expect(page.getByRole('combobox').nth(1)).toHaveValue(/\.0$/);
});

test('a sled’s blocks and strap are set by position', async ({ page }) => {
  await visit(page, demo(4, 'intake'));
  await field(page, 'Limiter strap holes').fill('6');
  await page.keyboard.press('Tab');
  await page.getByRole('link', { name: /^Ride/ }).click();
  await page.getByLabel('Transfer blocks').selectOption('3 of 4');
  await page.getByLabel('Limiter strap').selectOption('2 of 6');
  await allSent(page);
  await page.reload();
  await expect(page.getByLabel('Transfer blocks')).toHaveValue('3');
});

test('the measuring sheet is one page of paper, A4 and Letter, for every class and for a job', async ({
  page,
}) => {
  for (const path of [
    '/paper?class=car',
    '/paper?class=snowmobile',
    '/paper?class=motorcycle',
    demo(1, 'paper'),
  ]) {
    await visit(page, path);
    await expect(page.getByRole('article', { name: 'Measuring sheet' })).toBeVisible();
    await page.waitForTimeout(200);
    for (const format of ['A4', 'Letter']) {
      const paper = await page.pdf({ format, margin: { top: '12mm', bottom: '12mm' } });
      expect(paper.toString('latin1').match(/\/Type\s*\/Page\b/g), `${path} ${format}`).toHaveLength(1);
    }
  }
});

test('lists are found by words and read on', async ({ page }) => {
  await visit(page, '/');
  await page.getByRole('searchbox', { name: 'Search jobs and machines' }).fill('merg');
  await expect(page.getByRole('link', { name: /Merganser/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Dunlin/ })).toHaveCount(0);
  await page.getByRole('searchbox').fill('no such boat');
  await expect(page.getByText('No results. Type part of a job’s or a machine’s name.')).toBeVisible();
  await visit(page, '/book?find=turnst');
  await expect(page.getByRole('heading', { name: 'Turnstone' })).toBeVisible();
});

test('a machine that came out a little high is left to settle: that is aimed for, and it is in', async ({
  page,
}) => {
  await quickStart(page, 'Whinchat', ['385', '385', '391', '391'], '365', '371');
  await page.getByRole('link', { name: /^Plan/ }).click();
  await page.getByRole('button', { name: 'Start turning' }).click();
  const done = page.getByRole('button', { name: /^Done,/ });
  await expect(done).toHaveCount(4);
  while ((await done.count()) > 0) await done.first().click();
  await page.getByRole('link', { name: /^Measure again/ }).click();
  await page.getByRole('checkbox', { name: 'bounced' }).check();
  for (const [corner, mm] of Object.entries({
    'Front left': 369,
    'Front right': 369,
    'Rear left': 375,
    'Rear right': 375,
  }))
    for (const reading of [1, 2]) await field(page, `${corner}, reading ${reading}`).fill(String(mm));
  await page.keyboard.press('Tab');
  const verdict = page.getByTestId('verdict');
  await expect(verdict).not.toContainText('finish');
  await page.getByRole('button', { name: /^Leave it to settle: [34]\s?mm high/ }).click();
  await expect(page.getByRole('button', { name: /^Leave it to settle/ })).toHaveCount(0);
  await expect(verdict).toContainText('finish');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(verdict).not.toContainText('finish');
  await allSent(page);
});
