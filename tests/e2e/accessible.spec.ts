import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, visit } from './app.ts';

const [DUNLIN, SALTMARSH, CURLEW, SLED, SHOVELER] = [1, 2, 3, 4, 8].map(
  (n) => `/jobs/00000000-0000-4000-8000-000${n}00000000`,
);

const CONTRAST = 'color-contrast';

/** What is found wrong; the places of all that is right, which take longest to write out, are not asked for. */
async function seriousFindings(
  page: Page,
  rules: 'all' | 'all but contrast' | 'contrast',
): Promise<string[]> {
  // Without frames there is nothing to gather in a page of its own, which takes three times as long.
  const builder = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);
  if (rules === 'contrast') builder.withRules(CONTRAST);
  if (rules === 'all but contrast') builder.disableRules(CONTRAST);
  const { violations } = await builder.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join('; ')}`);
}

/** How far the page is wider than its window, px. */
const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** Waits until nothing moves or fades any more; what turns for ever is not waited for. */
const settled = (page: Page) =>
  page.evaluate(async () => {
    const ending = document
      .getAnimations()
      .filter(({ effect }) => Number.isFinite(effect?.getComputedTiming().endTime));
    await Promise.allSettled(ending.map(({ finished }) => finished));
  });

const screens: [name: string, path: string, act?: (page: Page) => Promise<void>][] = [
  ['bays', '/'],
  ['new setup', '/new?class=side-by-side'],
  ['intake', `${DUNLIN}/intake`],
  ['baseline', `${DUNLIN}/baseline`],
  ['plan with a sum', `${DUNLIN}/plan`, (page) => page.locator('main [data-sum]').first().click()],
  ['turn', `${CURLEW}/turn`],
  [
    'measure again with its chart',
    `${SALTMARSH}/measure`,
    (page) => page.getByRole('button', { name: 'Draw the rounds' }).click(),
  ],
  ['prep', `${DUNLIN}/prep`],
  [
    'plan with other ways',
    `${DUNLIN}/plan`,
    (page) => page.getByRole('button', { name: /Other ways/ }).click(),
  ],
  [
    'adjusters to pick from',
    `${DUNLIN}/intake`,
    (page) => page.getByRole('button', { name: /^What is turned, front/ }).click(),
  ],
  ['rings', `${CURLEW}/rings`],
  ['scales', `${SALTMARSH}/scales`, (page) => page.getByTestId('trade').waitFor()],
  ['stance', `${SALTMARSH}/stance`],
  [
    'spring cross-section',
    `${SALTMARSH}/plan`,
    (page) => page.getByRole('button', { name: /^Spring cross-section/ }).click(),
  ],
  ['stack lab', '/stack'],
  ['sag bench', `${SHOVELER}/sag`, (page) => page.getByRole('button', { name: /^Book of riders/ }).click()],
  ['sag bench without a job', '/sag?class=scooter'],
  ['helper’s view', `${SHOVELER}/tape`],
  ['rider cards', `${SHOVELER}/riders`],
  ['rack', '/rack?find=32-260'],
  ['settings', '/settings'],
  ['importing a CSV', '/rack', (page) => page.getByRole('button', { name: 'Import CSV' }).click()],
  [
    'spring search',
    `/rack/search?job=${CURLEW?.slice(6)}&corner=LR`,
    (page) => page.getByRole('button', { name: /^Search/ }).click(),
  ],
  ['ride, bracketing', `${SLED}/ride`, (page) => page.getByRole('button', { name: 'Begin' }).click()],
  ['bay view', `${CURLEW}/bay`],
  ['two bays', `/bays?left=${CURLEW?.slice(6)}&right=${DUNLIN?.slice(6)}`],
  ['handover', `${SALTMARSH}/handover`],
  ['measuring sheet', `${SLED}/paper`],
  ['logbook', '/book'],
  ['close out', `${SALTMARSH}/close-out`],
  ['keys', '/', (page) => page.keyboard.press('?')],
  ['command bar', '/', (page) => page.keyboard.press('/')],
  ['help', '/help#preload'],
  ['practice', '/practice', (page) => page.getByText('The same machine for everybody.').waitFor()],
  [
    'a notebook',
    '/practice',
    async (page) => {
      // That with most ends to be told.
      await page.getByRole('combobox').selectOption('snowmobile');
      await page.getByRole('button', { name: 'Roll it in' }).click();
      await page.getByRole('button', { name: 'Begin' }).first().click();
      await page.getByRole('button', { name: 'Hold it there' }).click();
      await page.getByRole('img', { name: /^The lip stands/ }).waitFor();
    },
  ],
  ['a lesson', '/lessons/preload-is-not-stiffness', (page) => page.getByRole('radio').first().check()],
  ['nothing there', '/nowhere'],
];

/**
 * Every pair of colours is held to its contrast by itself. That no other pair is made of them is looked at where most of them
 * stand together: it takes three times as long as all else.
 */
const coloured = [
  'plan with a sum',
  'measure again with its chart',
  'sag bench',
  'bay view',
  'handover',
  'a notebook',
];

test.describe('accessible by day and by night, and nothing scrolls sideways at 768 or 390 px', () => {
  test.describe.configure({ mode: 'parallel' });
  for (const [name, path, act] of screens) {
    test(name, async ({ page }) => {
      await visit(page, path);
      await expect(page.locator('h1').first()).toBeVisible();
      await act?.(page);
      await settled(page);
      const isColoured = coloured.includes(name);
      expect(await seriousFindings(page, isColoured ? 'all' : 'all but contrast'), 'day').toEqual([]);
      if (isColoured) {
        await page.evaluate(() => (document.documentElement.dataset.theme = 'night'));
        // Only colours differ by night.
        expect(await seriousFindings(page, 'contrast'), 'night').toEqual([]);
        await page.evaluate(() => (document.documentElement.dataset.theme = 'day'));
      }
      for (const width of [768, 390]) {
        await page.setViewportSize({ width, height: 844 });
        // A chart takes its new width a moment after the page.
        await expect.poll(() => sideways(page), `scrolls sideways at ${width}`).toBeLessThanOrEqual(0);
      }
    });
  }
});
