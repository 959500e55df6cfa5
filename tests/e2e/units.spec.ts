import type { Page } from '@playwright/test';
import { expect, field, quickStart, test, visit } from './app.ts';

const job = (n: number, stage: string) => `/jobs/00000000-0000-4000-8000-000${n}00000000/${stage}`;
const STAGES = ['intake', 'baseline', 'scales', 'plan', 'measure', 'stance', 'close-out', 'handover'];
const OTHERS = ['intake', 'scales', 'plan', 'sag'];

/** Every page with figures on it; the demo jobs have a car on scales, a sled with air and a bike. */
const pages = [
  '/',
  '/new?class=car',
  '/stack',
  '/rack',
  ...STAGES.map((stage) => job(2, stage)),
  ...[4, 8].flatMap((n) => OTHERS.map((stage) => job(n, stage))),
  job(8, 'riders'),
];

/** Units of one system as they stand behind a figure, and not as a part of another word. */
const OF = {
  mm: /\d\s*(mm|kg|N|bar|km|L|cm³|mm²|N\/mm|N·mm\/°|°\/mm)(?![\w/·²³°])/,
  in: /\d\s*(in|lb|lbf|psi|mi|gal|in³|in²|lb\/in|lb·in\/°|°\/in)(?![\w/·²³°])/,
};

/** Every line of a page with a figure in one of these units. What was typed stands as it was, and says so. */
async function linesIn(page: Page, of: RegExp): Promise<string[]> {
  return page.evaluate((source) => {
    const unit = new RegExp(source);
    const said = document.querySelector('main')?.innerText.split('\n') ?? [];
    return said.filter((line) => unit.test(line) && !/ · |typed/.test(line));
  }, of.source);
}

/** Opens everything that is folded, and what was folded in that. */
async function openAll(page: Page): Promise<void> {
  for (let times = 0; times < 2; times++)
    await page
      .locator('main button[aria-expanded=false], main details:not([open]) > summary')
      .evaluateAll((folds) => folds.forEach((fold) => (fold as HTMLElement).click()));
}

/** Goes to a page with everything on it open. */
async function showAll(page: Page, path: string): Promise<void> {
  await visit(page, path);
  await expect(page.locator('h1, h2').first()).toBeVisible();
  await openAll(page);
}

/** What is cut off of the figures of a page. */
const cutOff = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('main .figures')]
      .filter((one) => one.checkVisibility() && one.scrollWidth > one.clientWidth + 1 && one.clientWidth > 0)
      .map((one) => (one instanceof HTMLInputElement ? one.value || one.placeholder : one.textContent)),
  );

/** The fields of a page that have no room for a height as a tape reads it. */
const tooNarrow = (page: Page) =>
  page.evaluate(() => {
    const pen = document.createElement('canvas').getContext('2d');
    return [...document.querySelectorAll<HTMLInputElement>('main input.figures')]
      .filter((field) => {
        if (!pen || !field.checkVisibility()) return false;
        const { font, paddingLeft, paddingRight } = getComputedStyle(field);
        pen.font = font;
        const needed = pen.measureText('388.5').width + parseFloat(paddingLeft) + parseFloat(paddingRight);
        return field.clientWidth < needed - 2;
      })
      .map((field) => field.labels?.[0]?.innerText);
  });

test('chosen in, no page shows a figure in another unit, and none is cut off', async ({ page }) => {
  await visit(page, '/');
  await page.getByRole('button', { name: 'in', exact: true }).click();
  for (const path of pages) {
    await showAll(page, path);
    expect(await linesIn(page, OF.mm), path).toEqual([]);
    expect(await cutOff(page), `cut off at ${path}`).toEqual([]);
  }
});

test('chosen mm the same, and 768 or 390 px wide every field has room for a height', async ({ page }) => {
  const more = ['prep', 'turn', 'rings', 'ride', 'tape'].map((stage) => job(3, stage));
  for (const path of [...pages, ...more, '/rack/search', '/sag', '/paper']) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await showAll(page, path);
    expect(await linesIn(page, OF.in), path).toEqual([]);
    expect(await cutOff(page), `cut off at ${path}`).toEqual([]);
    for (const width of [768, 390]) {
      await page.setViewportSize({ width, height: 844 });
      expect(await tooNarrow(page), `too narrow at ${path}, ${width} px`).toEqual([]);
    }
  }
});

test('each quantity has its own unit: kg beside inches, and what is typed counts in it', async ({ page }) => {
  const id = await quickStart(page, 'Siskin', ['375', '375', '371', '371'], '365', '362');
  await visit(page, `/jobs/${id}/intake`);
  await page.getByRole('button', { name: 'Units of each quantity' }).click();
  const units = page.getByRole('dialog', { name: 'Units' });
  await units.getByRole('group', { name: 'Length' }).getByRole('button', { name: 'in' }).click();
  await units.getByRole('group', { name: 'Weight' }).getByRole('button', { name: 'kg' }).click();
  await units.getByRole('button', { name: 'Close' }).click();
  await visit(page, `/jobs/${id}/scales`);
  await field(page, 'On the pad, front left, reading 1').fill('300');
  await page.keyboard.press('Tab');
  await page.reload();
  await expect(field(page, 'On the pad, front left, reading 1')).toHaveValue('300');
  await page.getByRole('button', { name: 'Units of each quantity' }).click();
  await units.getByRole('group', { name: 'Weight' }).getByRole('button', { name: 'lb' }).click();
  await units.getByRole('button', { name: 'Close' }).click();
  await expect(field(page, 'On the pad, front left, reading 1')).toHaveValue('661.4');
});
