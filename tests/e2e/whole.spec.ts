import { readFileSync } from 'node:fs';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const demo = (n: number, stage: string) => `/jobs/00000000-0000-4000-8000-000${n}00000000/${stage}`;

test('prep: what is skipped is noted and widens the plan; unequal tyres are told; it survives a reload', async ({
  page,
}) => {
  await quickStart(page, 'Ruff', Array<string>(4).fill('372'), '365', '365');
  const band = async () => {
    await page.getByRole('link', { name: /^Plan/ }).click();
    return page.getByRole('button', { name: /^Height after, front left/ }).textContent();
  };
  const before = await band();
  await page.getByRole('link', { name: /^Prep/ }).click();
  await page.getByRole('button', { name: /^Skip: Anti-roll bar links off/ }).click();
  await page.getByRole('button', { name: /^Skip: Rubber bushes loosened/ }).click();
  await page.getByRole('button', { name: /^Done: Level floor/ }).click();
  await expect(page.getByText('Skipped: differences between left and right')).toBeVisible();
  await field(page, 'Front left').fill('2.4');
  await field(page, 'Front right').fill('2.1');
  await page.keyboard.press('Tab');
  await expect(page.getByTestId('asked-tyres-unlike')).toContainText('The front left tyre has 2.4 bar');
  await allSent(page);
  await page.reload();
  await expect(page.getByRole('link', { name: /^Prep/ })).toContainText('2 skipped');
  await expect(field(page, 'Front right')).toHaveValue('2.1');
  expect(await band()).not.toBe(before);
});

test.describe('bay view', () => {
  test('counts turns by key and by tap, keeps what was counted, and goes on corner by corner', async ({
    page,
  }) => {
    await quickStart(page, 'Plover', Array<string>(4).fill('375'), '365', '365');
    await page.getByRole('link', { name: /^Plan/ }).click();
    await page.getByRole('button', { name: 'Start turning' }).click();
    await page.getByRole('link', { name: 'Bay view' }).click();
    const figure = page.getByTestId('bay-figure');
    await expect(figure).toContainText('turns away from the spring');
    expect(await figure.evaluate((node) => getComputedStyle(node).fontSize)).toBe('44px');
    await page.keyboard.press('Space');
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowLeft');
    await page.getByRole('button', { name: 'Count one turn' }).click();
    await expect(page.getByTestId('counted')).toHaveText(/^3 1\/8 turns$/);
    await page.getByRole('button', { name: 'Done', exact: true }).focus();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByRole('region', { name: 'front right' })).toBeVisible();
    await expect(page.getByText('2 of 4')).toBeVisible();
    for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText('Settle, then measure')).toBeVisible();
    await allSent(page);
    await page.getByRole('link', { name: 'Back to the sheet' }).click();
    await page.getByRole('link', { name: /^Turn/ }).click();
    await expect(page.getByTestId('done').first()).toContainText('3 1/8 turns away from the spring done');
  });

  test('works on a phone, and with the server away', async ({ page, app }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await visit(page, demo(3, 'bay'));
    await expect(page.getByTestId('bay-figure')).toContainText('turns');
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
    await app.stop();
    try {
      await page.getByRole('button', { name: 'Done', exact: true }).click();
      await expect(page.getByText('Settle, then measure')).toBeVisible();
    } finally {
      await app.start();
    }
    await allSent(page);
  });
});

test('close out: seen to, toe in turns of the tie rods, clicks, recheck in a calendar file, handover on paper', async ({
  page,
}) => {
  await visit(page, demo(7, 'close-out'));
  await page.getByRole('button', { name: /^Done: Every lock ring/ }).click();
  await page.getByRole('button', { name: 'Toe front axle' }).click();
  await field(page, 'At the tyres’ front').fill('1502');
  await field(page, 'At the tyres’ rear').fill('1500');
  await field(page, 'Tyre diameter').fill('600');
  await page.keyboard.press('Tab');
  // 3 mm to go: 120 mm of arm times 3 over 1200 is 0.3 mm of rod, at 1.5 mm a turn 0.2 turns.
  await expect(page.getByTestId('toe')).toContainText('Total toe 2 mm out');
  await expect(page.getByTestId('toe')).toContainText('1/4 turn for more toe-in, both alike');
  await page.getByRole('button', { name: /^Damper starting point/ }).click();
  await field(page, 'Rebound clicks, front left').fill('11');
  await field(page, 'After').fill('300');
  await page.keyboard.press('Tab');
  await field(page, 'On').fill('2026-12-11');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save to calendar' }).click();
  const calendar = readFileSync(await (await download).path(), 'utf8');
  expect(calendar).toContain('BEGIN:VEVENT');
  expect(calendar).toContain('DTSTART;VALUE=DATE:20261211');
  // It rings at nine on that day; every line ends as a calendar reads it.
  for (const line of ['BEGIN:VALARM', 'ACTION:DISPLAY', 'TRIGGER:PT9H', 'END:VALARM', 'DTSTAMP:', 'UID:'])
    expect(calendar).toContain(line);
  expect(calendar.split('\r\n').every((line) => !line.includes('\n') && line.length <= 75)).toBe(true);
  expect(calendar.replace(/\r\n[ \t]/g, '')).toContain('SUMMARY:Recheck: Turnstone');
  await allSent(page);
  await page.getByRole('link', { name: 'Handover sheet' }).click();
  await page.emulateMedia({ media: 'print' });
  const sheet = page.getByRole('main');
  await expect(sheet).toContainText('Recheck due 11 December 2026 or after 300 km.');
  await expect(sheet).toContainText('— / 11');
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  for (const format of ['A4', 'Letter']) {
    const paper = await page.pdf({ format, margin: { top: '12mm', bottom: '12mm' } });
    expect(paper.toString('latin1').match(/\/Type\s*\/Page\b/g), format).toHaveLength(1);
  }
  await page.emulateMedia({ media: 'screen' });
  await visit(page, '/?find=turnstone');
  await expect(page.getByRole('link', { name: /Turnstone.*Recheck due 11 December 2026/ })).toBeVisible();
});

test('ride: a note is kept while typed, a symptom has its ladder, what was tried is noted and can be taken back', async ({
  page,
}) => {
  await visit(page, demo(4, 'ride'));
  await page.getByLabel('Note, where and at what speed').fill('dives into the harbour wall corner');
  await page.reload();
  await expect(page.getByLabel('Note, where and at what speed')).toHaveValue(/harbour wall/);
  await page.getByRole('button', { name: 'Add note' }).click();
  await page.getByRole('button', { name: 'bottoms hard and often' }).click();
  await page.getByRole('button', { name: /^Tried: Compression damping/ }).click();
  const notes = page.getByRole('region', { name: 'What was felt' }).getByRole('listitem');
  await expect(notes).toHaveCount(2);
  await expect(notes.first()).toContainText('Compression damping two clicks firmer');
  await notes.first().getByRole('button', { name: 'take back' }).click();
  await expect(notes).toHaveCount(1);
  await allSent(page);
});

test('targets from what the owner wants: written into the fields, undone in one step', async ({ page }) => {
  await quickStart(page, 'Whinchat', ['375', '373', '381', '379'], '370', '370');
  await page.getByRole('link', { name: /^Intake/ }).click();
  await page.getByRole('button', { name: /^Targets from what is wanted/ }).click();
  await page.getByLabel('What is wanted').selectOption('up or down from today');
  await field(page, 'Front, down is −').fill('-30');
  await field(page, 'Rear, down is −').fill('-25');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Set the targets' }).click();
  await expect(field(page, 'Target height, front left')).toHaveValue('345');
  await expect(field(page, 'Target height, rear right')).toHaveValue('354');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(field(page, 'Target height, front')).toHaveValue('370');
  await expect(field(page, 'Target height, rear')).toHaveValue('370');
  await page.getByLabel('What is wanted').selectOption('level, as high as now');
  await page.getByRole('button', { name: 'Set the targets' }).click();
  await expect(field(page, 'Target height, front')).toHaveValue('374');
  await allSent(page);
});
