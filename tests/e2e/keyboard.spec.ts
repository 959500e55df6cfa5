import type { Page } from '@playwright/test';
import { allSent, expect, field, test, visit } from './app.ts';

/** What has the focus, by the name a screen reader would say. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const here = document.activeElement as HTMLInputElement | null;
    return (
      here?.getAttribute('aria-label') ??
      here?.labels?.[0]?.textContent ??
      here?.textContent ??
      ''
    ).trim();
  });

/** Waits until something of that name is on the page, then walks with Tab until it has the focus. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  const there = page.getByLabel(name).or(page.getByText(name)).first();
  await expect(there).toBeVisible();
  const passed: string[] = [];
  for (let n = 0; n < 120; n++) {
    await page.keyboard.press('Tab');
    const here = await focused(page);
    if (name.test(here)) return;
    passed.push(here);
  }
  throw new Error(`expected to reach ${name}, passed ${passed.join(' | ')}`);
}

async function typeAll(page: Page, values: readonly string[]): Promise<void> {
  for (const value of values) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  }
}

test('a whole job without a mouse: start, measure, plan, turn in the bay, measure again, lock', async ({
  page,
}) => {
  await visit(page, '/?find=dunlin');
  await expect(page.locator('a[href*="000100000000"]')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/\/new/);
  await tabTo(page, /^Measured height, front left/);
  // A unit may be typed with any of them.
  await typeAll(page, ['14 3/4 in', '375', '381', '15"']);
  await tabTo(page, /^Target height, front/);
  await typeAll(page, ['365', '371']);
  await tabTo(page, /^Name of the job/);
  await page.keyboard.type('Phalarope');
  await tabTo(page, /^Start job/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Phalarope' })).toBeVisible();
  await page.keyboard.press('m');
  await expect(page).toHaveURL(/\/baseline$/);
  await expect.poll(() => focused(page)).toMatch(/reading|Collar|Travel/);
  await tabTo(page, /^rolled$/);
  await page.keyboard.press('Space');
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/\/scales$/);
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/\/plan$/);
  // The sum of the focused figure, and back to it.
  await expect(page.getByTestId('move-LF')).toContainText('turns away from the spring');
  await page.keyboard.press('1');
  await page.keyboard.press('s');
  const sum = page.getByRole('region', { name: /Calculation: Seat move, front left/ });
  await expect(sum).toContainText('thread pitch per turn');
  await page.keyboard.press('Escape');
  await expect(sum).toBeHidden();
  await expect(page.locator('[data-corner=LF] [data-sum]').first()).toBeFocused();
  await tabTo(page, /^Start turning/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/turn$/);
  await expect(page.getByRole('link', { name: /Bay view/ }).first()).toBeVisible();
  await page.keyboard.press('b');
  await expect(page).toHaveURL(/\/bay$/);
  for (let corner = 1; corner <= 4; corner++) {
    await expect(page.getByText(`${corner} of 4`)).toBeVisible();
    await page.keyboard.press('Space');
    await page.keyboard.press('Enter');
  }
  await allSent(page);
  await tabTo(page, /^Back to the sheet/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/measure$/);
  await expect(page.getByTestId('next-reading')).toBeVisible();
  await page.keyboard.press('m');
  await expect.poll(() => focused(page)).toBe('Front left, reading 1');
  await typeAll(page, ['365', '365', '371', '371']);
  await tabTo(page, /^rolled$/);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await allSent(page);
  // Undo takes back the last thing, also after a reload.
  await page.reload();
  await expect(page.getByLabel('rolled')).toBeChecked();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('rolled')).not.toBeChecked();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByLabel('rolled')).toBeChecked();
  await allSent(page);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/\/stance$/);
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/\/close-out$/);
  // Read once each, it is not sure enough to go out without a word.
  await tabTo(page, /^Lock it/);
  await page.keyboard.press('Enter');
  await expect(field(page, 'Why it goes out all the same')).toBeFocused();
  await page.keyboard.type('read once, that will do');
  await tabTo(page, /^Lock it/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Locked at these heights/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/Locked at these heights/)).toBeHidden();
  await allSent(page);
  await page.keyboard.press('/');
  await expect(page.getByPlaceholder('Job, stage, command or word')).toBeFocused();
  await page.keyboard.type('jobs');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
});

test('an adjuster is picked with the keyboard, and the focus comes back to where it was', async ({
  page,
}) => {
  await visit(page, '/jobs/00000000-0000-4000-8000-000500000000/intake');
  await tabTo(page, /^What is turned, front wheel/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await tabTo(page, /^Preload spacers/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect.poll(() => focused(page)).toBe('What is turned, front wheel: preload spacers');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'What is turned, front wheel: fork cap' })).toBeVisible();
  await allSent(page);
});

test('what lies over a page goes with it: Back leaves no command bar or list of keys behind', async ({
  page,
}) => {
  await visit(page, '/');
  const over = page.getByRole('dialog');
  for (const key of ['/', '?']) {
    await visit(page, '/book');
    await page.keyboard.press(key);
    await expect(over).toBeVisible();
    await page.goBack();
    await expect(over).toHaveCount(0);
  }
});
