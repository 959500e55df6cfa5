import { readFileSync } from 'node:fs';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const demo = (n: number, stage: string) => `/jobs/00000000-0000-4000-8000-000${n}00000000/${stage}`;
const column = 'Margins';

test.describe('what is turned, and what is wanted beside heights', () => {
  test('a sled: cam and pressure are told as such, turned, and the sag they give is shown', async ({
    page,
  }) => {
    await visit(page, demo(4, 'plan'));
    await expect(page.getByTestId('move-RA')).toContainText('Position 3, both sides alike');
    await expect(page.getByTestId('move-LS')).toContainText(/Add air to 5\.\d bar/);
    // An end of which no sag is wanted has no place on the plan.
    await expect(page.getByTestId('move-FA')).toHaveCount(0);
    await expect(page.getByTestId('sag-RA')).toContainText(
      /sag ≈ 94 estimated → 6\d ± \d\.\d\smm predicted, for 64\smm/,
    );
    await page.getByRole('button', { name: 'Start turning' }).click();
    for (const corner of ['left ski', 'right ski', 'skid rear arm'])
      await page.getByRole('button', { name: `Done, ${corner}` }).click();
    await expect(page.getByText('Everything is set.')).toBeVisible();
    await allSent(page);
  });

  test('a lower mount: heights by its thread, margins for what it keeps engaged, turned on its own line', async ({
    page,
  }) => {
    await quickStart(page, 'Godwit', Array<string>(4).fill('375'), '365', '365');
    await page.getByRole('link', { name: /^Intake/ }).click();
    await page.getByRole('button', { name: 'What is turned, front: seat collar' }).click();
    await page.getByRole('button', { name: /^Seat and lower mount/ }).click();
    await expect(field(page, 'Mount thread, front')).toHaveCount(0);
    await field(page, 'Mount pitch, front').fill('2');
    await page.keyboard.press('Tab');
    await page.getByRole('checkbox', { name: 'Same both sides, front' }).uncheck();
    await field(page, 'Mount thread, front left').fill('14');
    await field(page, 'Thread engaged now, front left').fill('38');
    await page.keyboard.press('Tab');
    const margins = page.getByRole('complementary', { name: column });
    // It is well and known, so it is folded away until it is asked for.
    await expect(margins).not.toContainText('Lower mount, thread engaged');
    await margins.getByRole('button', { name: /more (is|are) ok/ }).click();
    await margins.getByRole('button', { name: 'Lower mount, thread engaged' }).click();
    await expect(page.getByRole('region', { name: /^Calculation: Lower mount/ })).toContainText('14');
    await page.getByRole('link', { name: /^Plan/ }).click();
    await expect(page.getByTestId('mount-LF')).toContainText(/lower mount .* turns in/);
    await expect(page.getByTestId('move-LF')).toContainText('lower mount');
    await page.getByRole('button', { name: 'Start turning' }).click();
    await page.getByRole('button', { name: 'Lower mount done, front left' }).click();
    await expect(field(page, 'Lower mount moved, front left')).not.toHaveValue('');
    await field(page, 'Lower mount moved, front right').fill('-4.5');
    await page.keyboard.press('Tab');
    await allSent(page);
    await page.reload();
    await expect(field(page, 'Lower mount moved, front right')).toHaveValue('-4.5');
  });

  test('cross weight: asked for, it is had, opened as a sum, and what was asked before is back by undo', async ({
    page,
  }) => {
    await visit(page, demo(2, 'intake'));
    await field(page, 'Cross weight wanted, RF + LR').fill('50.2');
    await page.keyboard.press('Tab');
    await page.getByRole('link', { name: /^Plan/ }).click();
    const line = page.getByTestId('cross');
    await expect(line).toContainText(/→ 50\.[1-3] ± [\d.]+ % predicted, 50\.2 wanted/);
    await line.getByRole('button').click();
    await expect(page.getByRole('region', { name: /^Calculation: Cross weight/ })).toContainText(
      'on the rear right',
    );
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(line).toContainText('50.0 wanted');
    await allSent(page);
  });

  test('a ring is brought to the gap asked for, and the page says where it then takes over', async ({
    page,
  }) => {
    await visit(page, demo(3, 'intake'));
    await field(page, 'Gap wanted, ring 1, front').fill('20');
    await page.keyboard.press('Tab');
    await page.getByRole('link', { name: /^Plan/ }).click();
    await expect(page.getByTestId('ring-LF')).toContainText(/ring 1: .*gap then\s20/s);
    await expect(page.getByRole('region', { name: 'Springs and rings' })).toContainText('of the bump left');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await allSent(page);
  });

  test('a sag that cannot be had says why, and how much stiffer a spring would do it', async ({ page }) => {
    await visit(page, demo(6, 'plan'));
    await expect(page.getByRole('region', { name: 'Why it cannot be reached' })).toContainText(
      /rear wheel would sag [\d.]+ mm too much with its adjuster at the end/,
    );
    await expect(page.getByRole('region', { name: 'Why it cannot be reached' })).toContainText(
      /Fit a spring \d+ % stiffer/,
    );
    await expect(page.getByTestId('verdict-RW')).toHaveCount(0);
    await expect(page.getByTestId('move-RW')).toContainText('1 groove towards the spring');
  });
});

test.describe('machines of every class', () => {
  test('a motorcycle through the quick start; what was typed for another class comes back with it', async ({
    page,
  }) => {
    await visit(page, '/new?class=car');
    await field(page, 'Measured height, front left').fill('375');
    await page.keyboard.press('Tab');
    await page.getByRole('radio', { name: 'motorcycle', exact: true }).click();
    // What is ridden begins with its sag; heights are one step away.
    await page.getByRole('link', { name: 'Set it by heights' }).click();
    await expect(field(page, 'Measured height, front left')).toHaveCount(0);
    await field(page, 'Measured height, front wheel').fill('78');
    await field(page, 'Measured height, rear wheel').fill('560');
    await field(page, 'Target height, rear wheel').fill('568');
    await page.keyboard.press('Tab');
    await expect(page.getByTestId('first-answer')).toContainText('towards the spring');
    await page.getByRole('radio', { name: 'car', exact: true }).click();
    await expect(field(page, 'Measured height, front left')).toHaveValue('375');
    await page.getByRole('radio', { name: 'motorcycle', exact: true }).click();
    await page.getByRole('link', { name: 'Set it by heights' }).click();
    await expect(field(page, 'Target height, rear wheel')).toHaveValue('568');
    await field(page, 'Name of the job').fill('Knot');
    await page.getByRole('button', { name: 'Start job' }).click();
    await expect(page.getByRole('heading', { name: 'Knot' })).toBeVisible();
    await allSent(page);
    await page.getByRole('link', { name: /^Plan/ }).click();
    await expect(page.getByTestId('move-RW')).toContainText('towards the spring');
  });

  test('the next job on a machine starts with what the last one taught', async ({ page }) => {
    await visit(page, demo(7, 'close-out'));
    await page.getByRole('button', { name: 'Next job on this machine' }).click();
    await expect(page.getByText('Its ratios are as Turnstone taught them.')).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Turnstone, again' })).toBeVisible();
    await allSent(page);
    await page.reload();
    await expect(page.getByText('Its ratios are as Turnstone taught them.')).toBeVisible();
  });
});

test.describe('job files', () => {
  test('saved from intake, opened on Bays as a job of its own with everything in it', async ({ page }) => {
    await quickStart(page, 'Dotterel', ['375', '376', '371', '372'], '365', '366');
    const first = page.url();
    await page.getByRole('link', { name: /^Intake/ }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as a job file' }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe('dotterel.margin.json');
    const path = await file.path();
    expect(JSON.parse(readFileSync(path, 'utf8'))).toMatchObject({ document: { name: 'Dotterel' } });

    await visit(page, '/');
    await page.getByLabel('Job file').setInputFiles(path);
    await expect(page.getByRole('heading', { name: 'Dotterel' })).toBeVisible();
    expect(page.url()).not.toBe(first);
    await page.getByRole('link', { name: /^Baseline/ }).click();
    await expect(field(page, 'Rear right, reading 1')).toHaveValue('372');
  });

  test('a file that is not right is refused with where and why, and nothing is made', async ({ page }) => {
    await visit(page, '/');
    const lines = page.getByRole('listitem');
    await expect(lines.first()).toBeVisible();
    // The shelves are read one by one: the last of them is there.
    for (const name of ['Jobs', 'Due back'])
      await expect(page.getByRole('region', { name, exact: true })).toBeVisible();
    const before = await lines.count();
    const put = (text: string) =>
      page
        .getByLabel('Job file')
        .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await put('{"id": ');
    await expect(page.getByRole('alert')).toContainText('The file is not JSON.');
    const job = JSON.parse(readFileSync('demo/5-merganser.json', 'utf8')) as {
      document: { corners: { FW: { travelMm: number } } };
    };
    job.document.corners.FW.travelMm = -4;
    await put(JSON.stringify(job));
    await expect(page.getByRole('alert')).toContainText('/document/corners/FW/travelMm');
    await page.reload();
    await expect(lines).toHaveCount(before);
  });
});
