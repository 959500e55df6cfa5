import { readFile } from 'node:fs/promises';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const demo = (n: number, stage: string) => `/jobs/00000000-0000-4000-8000-000${n}00000000/${stage}`;

test.describe('the stack lab', () => {
  test.beforeEach(async ({ page }) => {
    await visit(page, '/stack');
    await expect(page.getByRole('group', { name: /spring cross-section$/ })).toBeVisible();
  });

  test('a dual stack is built, its ring said in every way, and the seat moved by key', async ({ page }) => {
    await page.getByRole('button', { name: 'Another spring' }).click();
    for (const [label, value] of [
      ['Rate, spring 1', '60'],
      ['Free, spring 1', '200'],
      ['Solid, spring 1', '60'],
      ['Rate, spring 2', '40'],
      ['Wheel travel', '400'],
      ['Motion ratio', '0.5'],
      ['Preload at full droop', '20'],
      ['Seat reads', '80'],
      ['Sprung weight, ride height', '140'],
    ] as const)
      await field(page, label).fill(value);
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Ring for slider 1' }).click();
    await field(page, 'Gap at ride height').fill('10');
    await page.keyboard.press('Tab');
    const rings = page.getByRole('region', { name: 'Rings' });
    // 10 (1 + 60/40) / 0.5 = 50 up at the wheel.
    await expect(rings).toContainText(/A 10\smm gap here is 1\d\d(\.\d)?\smm from the seat/);
    await expect(rings).toContainText(/50\smm up at the wheel/);
    const seat = Number(await field(page, 'From the seat').inputValue());
    await expect(field(page, 'From the datum')).toHaveValue(String(Math.round(100 * (seat + 80)) / 100));
    await rings.getByRole('checkbox', { name: 'follows the seat' }).uncheck();
    await page.getByRole('slider', { name: 'Seat' }).focus();
    await page.keyboard.press('Shift+ArrowDown');
    await expect(field(page, 'Preload at full droop')).toHaveValue('25');
    await expect(field(page, 'Seat reads')).toHaveValue('85');
    // The ring stays on the body: its gap opens by what the seat moved.
    await expect(field(page, 'Gap at ride height')).toHaveValue('15');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(field(page, 'Preload at full droop')).toHaveValue('20');
    await expect(field(page, 'Gap at ride height')).toHaveValue('10');
  });

  test('a seat is dragged in steps of its thread; a drag is one change', async ({ page }) => {
    const seat = page.getByRole('slider', { name: 'Seat' });
    const box = await seat.boundingBox();
    if (!box) throw new Error('expected the seat to be drawn');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y + 9, { steps: 4 });
    await page.mouse.up();
    const preload = Number(await field(page, 'Preload at full droop').inputValue());
    expect(preload).toBeGreaterThan(12);
    // Eighths of a turn of 2 mm, shown to a tenth.
    expect(Math.abs((preload * 4) % 1)).toBeLessThan(0.21);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(field(page, 'Preload at full droop')).toHaveValue('10');
  });

  test('four setups at most are laid over each other; a link brings exactly them', async ({
    page,
    context,
  }) => {
    for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Copy to compare' }).click();
    await expect(page.getByRole('button', { name: 'Copy to compare' })).toHaveCount(0);
    await field(page, 'Rate, spring 1').fill('70');
    await field(page, 'Name of this setup').fill('Stiffer');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('tab')).toHaveCount(4);
    await expect(page.locator('.legend .traces')).toHaveCount(4);
    await expect(page.getByRole('table').filter({ hasText: 'coil space left' }).getByRole('row')).toHaveCount(
      5,
    );
    await expect(page).toHaveURL(/\?s=.{100}/);
    await page.waitForTimeout(600);
    const other = await context.browser()?.newPage();
    if (!other) throw new Error('expected another page');
    await other.goto(page.url());
    await expect(other.getByRole('tab', { name: 'Stiffer' })).toBeVisible();
    await other.getByRole('tab', { name: 'Stiffer' }).click();
    await expect(field(other, 'Rate, spring 1')).toHaveValue('70');
    await other.close();
  });

  test('a link that was cut short is told, and what was there is kept', async ({ page }) => {
    await field(page, 'Wheel travel').fill('222');
    await page.keyboard.press('Tab');
    // Whatever is typed goes to the address a moment later.
    await expect(page).toHaveURL(/\?s=/);
    await visit(page, '/stack?s=N4IgzgLg');
    await expect(page.getByRole('alert')).toContainText('could not be read');
    await expect(field(page, 'Wheel travel')).toHaveValue('222');
    // Once something is changed the address holds that, and the old link is no more spoken of.
    await field(page, 'Wheel travel').fill('223');
    await page.keyboard.press('Tab');
    await expect(page).not.toHaveURL(/N4IgzgLg$/);
    await expect(page.getByRole('alert')).toHaveCount(0);
  });

  test('what contradicts itself is named where the drawing would be', async ({ page }) => {
    await field(page, 'Solid, spring 1').fill('320');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('alert')).toContainText(/spring 1, solid length: less than the free length/);
    await field(page, 'Solid, spring 1').fill('110');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('group', { name: /spring cross-section$/ })).toBeVisible();
  });

  test('every place in the travel is looked at, run through, and saved as a drawing', async ({ page }) => {
    const table = page.getByRole('table', { name: /^Spring cross-section at/ });
    await page.getByRole('button', { name: 'full droop' }).click();
    await expect(table).toContainText('290 mm long');
    await page.getByRole('button', { name: 'full bump, metal' }).click();
    await expect(table).toContainText('140 mm long');
    await page.getByRole('button', { name: 'Run through the travel' }).click();
    await expect(table).not.toContainText('140 mm long');
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    for (const [name, start] of [
      ['SVG', '<svg'],
      ['PNG', '\u0089PNG'],
    ] as const) {
      const [file] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name }).click(),
      ]);
      const saved = (await readFile(await file.path())).toString('latin1');
      expect(saved.startsWith(start)).toBe(true);
      expect(saved).not.toContain('var(--');
    }
  });

  test('springs go to the rack, and into a job as what is fitted', async ({ page }) => {
    const id = await quickStart(page, 'Turtledove', ['375', '375', '381', '381'], '365', '371');
    await visit(page, '/stack');
    await field(page, 'Name, spring 1').fill('bench coil 55');
    await field(page, 'Rate, spring 1').fill('55');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Put bench coil 55 on the rack' }).click();
    await expect(page.getByRole('button', { name: 'bench coil 55 is on the rack' })).toBeVisible();
    await page.getByRole('button', { name: 'Add to job' }).click();
    await page.getByRole('searchbox', { name: 'Find a job' }).fill('Turtledove');
    await page.getByRole('button', { name: /^Turtledove/ }).click();
    await page.getByRole('radio', { name: 'Rear left' }).check();
    await page.getByRole('button', { name: 'Write it into the job' }).click();
    await expect(page.getByText('Written into Turtledove.')).toBeVisible();
    await allSent(page);
    await visit(page, `/jobs/${id}/intake`);
    await expect(field(page, 'Spring rate, rear')).toHaveValue('55');
    await expect(field(page, 'Spring rate, front')).toHaveValue('');
    await visit(page, '/rack?find=bench+coil');
    await expect(page.locator('[data-spring="bench coil 55"]').getByRole('cell').nth(1)).toHaveText('55');
  });
});

test.describe('spring cross-section in a job', () => {
  test('a seat tried by hand moves heights and margins, is put back, and can be turned', async ({ page }) => {
    const id = await quickStart(page, 'Siskin', ['375', '375', '381', '381'], '365', '371');
    await visit(page, `/jobs/${id}/intake`);
    await page.getByRole('button', { name: /Springs and weights/ }).click();
    for (const axle of ['front', 'rear']) await field(page, `Spring rate, ${axle}`).fill('50');
    await page.keyboard.press('Tab');
    await page.getByRole('link', { name: /^Plan/ }).click();
    const move = page.getByTestId('move-LF');
    const planned = (await move.textContent()) ?? '';
    await page.getByRole('button', { name: /^Spring cross-section/ }).click();
    await page.getByRole('slider', { name: 'Seat, front left' }).focus();
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(move).not.toHaveText(planned);
    await expect(page.locator('[data-margin=height]').first()).toContainText('out');
    await page.getByRole('button', { name: 'Back to the plan' }).click();
    await expect(move).toHaveText(planned);
    await page.getByRole('slider', { name: 'Seat, front left' }).focus();
    await page.keyboard.press('ArrowDown');
    const tried =
      /: (.*turns? (?:towards|away from) the spring)/.exec((await move.textContent()) ?? '')?.[1] ??
      'nothing';
    await page.getByRole('button', { name: 'Start turning' }).click();
    await expect(page.locator('[data-corner=LF]')).toContainText(tried);
    await allSent(page);
  });

  test('a spring nobody named cannot be judged yet, and the page says what to give', async ({ page }) => {
    await quickStart(page, 'Linnet', ['375', '375', '381', '381'], '365', '371');
    await expect(page.getByTestId('verdict-missing')).toContainText(
      /Can’t tell yet, front left, .*: give the rate/,
    );
  });

  test('rings: a place from the datum becomes a gap; what it trades; both ends in motion', async ({
    page,
  }) => {
    await visit(page, demo(3, 'rings'));
    await field(page, 'Place from the datum, ring 1, front left').fill('255');
    await page.keyboard.press('Tab');
    await expect(field(page, 'Gap wanted, ring 1, front left')).toHaveValue(/^\d\d(\.5)?$/);
    await expect(page.locator('[data-ring=LF-0]')).toContainText(
      /ring 1: .* (away from|towards) the springs/,
    );
    await page.getByRole('button', { name: /^Comfort against bottoming/ }).click();
    await expect(page.getByRole('table').filter({ hasText: 'bottoming:' })).toContainText('J');
    await field(page, 'Rear squats by, at the wheel').fill('60');
    await page.keyboard.press('Tab');
    await expect(page.getByText(/Far apart/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Even the rear gap, left' }).click();
    await expect(field(page, 'Gap wanted, ring 1, rear left')).not.toHaveValue('');
    await expect(page.getByRole('button', { name: 'Even the rear gap, left' })).toHaveCount(0);
    await page.reload();
    await expect(field(page, 'Rear squats by, at the wheel')).toHaveValue('60');
    await allSent(page);
  });
});

test.describe('spring cross-section wherever a corner is shown', () => {
  test('at the baseline as they stand now, while turning as they will, and in the bay', async ({ page }) => {
    await visit(page, '/jobs/00000000-0000-4000-8000-000200000000/baseline');
    await page.getByRole('button', { name: /^Spring cross-section/ }).click();
    await expect(page.getByRole('group', { name: 'Spring cross-section, front left' })).toBeVisible();
    await expect(page.getByRole('slider', { name: 'Seat, front left' })).toHaveCount(0);
    await visit(page, '/jobs/00000000-0000-4000-8000-000300000000/turn');
    await page.getByRole('button', { name: /^Spring cross-section/ }).click();
    await expect(page.getByRole('group', { name: 'Spring cross-section, rear left' })).toBeVisible();
    await expect(page.getByRole('slider')).toHaveCount(0);
    await visit(page, '/jobs/00000000-0000-4000-8000-000300000000/bay');
    await expect(page.getByRole('group', { name: 'Spring cross-section, rear left' })).toBeVisible();
  });
});

test('the wheel of the lab: ratio by levers, a stop’s own table, gas', async ({ page }) => {
  await visit(page, '/stack');
  const rate = page.getByRole('row', { name: /^Setup/ });
  const before = await rate.innerText();
  await page.getByRole('button', { name: 'Motion ratio from: constant' }).click();
  await page.getByRole('dialog').getByLabel('Motion ratio from').selectOption('two lengths and an angle');
  await field(page, 'Damper to arm, °').fill('60');
  await page.keyboard.press('Tab');
  await field(page, 'Pivot to damper').fill('300');
  await page.keyboard.press('Tab');
  await field(page, 'Pivot to wheel').fill('400');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await expect(
    page.getByRole('button', { name: 'Motion ratio from: two lengths and an angle' }),
  ).toBeVisible();
  // The damper at 60 degrees has sin 60 of the ratio, and the wheel rate the square of that.
  await expect(rate).toContainText('21.1');
  expect(before).toContain('28.1');
  await page.getByRole('button', { name: 'Stop pushes by: 4 rows' }).click();
  await page.getByRole('button', { name: 'Another row' }).click();
  await field(page, 'Squeezed, row 5').fill('60');
  await page.keyboard.press('Tab');
  await field(page, 'Pushes with, row 5').fill('9000');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Stop pushes by: 5 rows' })).toBeVisible();
  await page.getByRole('button', { name: 'Gas in the damper: none' }).click();
  await page.getByRole('button', { name: 'There is gas' }).click();
  await field(page, 'Rod area').fill('200');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Gas in the damper: given' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Gas in the damper: given' })).toBeVisible();
});

test('intake: a spring from the rack on both sides, and a linkage by its places', async ({ page }) => {
  await visit(page, '/jobs/00000000-0000-4000-8000-000200000000/intake');
  await page.getByRole('button', { name: 'From the rack, rear' }).click();
  const dialog = page.getByRole('dialog', { name: 'From the rack, rear' });
  await dialog.getByLabel('Find a spring').fill('52-140-070');
  await dialog.getByRole('button', { name: /^52-140-070/ }).click();
  await expect(field(page, 'Spring rate, rear')).toHaveValue('70');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'Spring rate, rear')).toHaveValue('50');
  await allSent(page);
  await visit(page, '/jobs/00000000-0000-4000-8000-000600000000/intake');
  await page.getByRole('button', { name: /^Motion ratio from, rear wheel/ }).click();
  await page.getByRole('dialog').getByLabel('Motion ratio from').selectOption('a linkage');
  // Places are typed one by one, and none counts before the last; what is drawn until then is called an example.
  await expect(page.getByText('An example, until every place is typed.')).toBeVisible();
  const places: [string, number, number][] = [
    ['Arm pivot', 0, 0],
    ['Axle', -560, 0],
    ['Link on arm', -200, -20],
    ['Rocker pivot', 0, -150],
    ['Link on rocker', -200, -150],
    ['Damper on rocker', -200, -130],
    ['Damper on frame', -200, 190],
  ];
  for (const [name, forward, up] of places)
    for (const [along, mm] of [['forward', forward], ['up', up]] as const) {
      await expect(page.getByTestId('linkage-ratio')).toHaveCount(0);
      await field(page, `${name}, ${along}`).fill(String(mm));
      await page.keyboard.press('Tab');
    } // oxfmt-ignore
  await expect(page.getByTestId('linkage-ratio')).toContainText('0.357 at droop');
  await expect(page.getByText('Not counted yet')).toHaveCount(0);
  await field(page, 'Axle, forward').fill('-60');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'lock or stretch' })).toBeVisible();
  await page.keyboard.press('Escape');
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await allSent(page);
});
