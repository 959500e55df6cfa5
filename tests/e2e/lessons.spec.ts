import { lessonIds, lessonTexts } from '#words/lessons.ts';
import { expect, test, visit } from './app.ts';

test('a lesson: a guess first, then it is moved, then checked, counted as done, and on to the next', async ({ page }) => {
  await visit(page, '/practice');
  await page.getByRole('link', { name: 'To the lessons' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Reading a tape');
  // Nothing moves, and nothing is asked, before somebody has said what he thinks.
  await expect(page.getByRole('slider')).toHaveCount(0);
  await expect(page.getByText('Comes once it is moved.')).toBeVisible();
  await page.getByRole('radio', { name: 'About 70 mm' }).check();
  await expect(page.getByText('Noted. See for yourself.')).toBeVisible();
  for (const dial of ['End of the tape, along', 'End of the tape, up', 'At the top, along', 'Eye above the lip'])
    await page.getByLabel(dial).fill('0');
  await expect(page.getByText('✓ That is it.')).toBeVisible();
  await expect(page.getByText('No: About 7 mm.')).toBeVisible();
  // A wrong answer is told, and can be put right.
  await page.getByRole('radio', { name: 'Write down 365' }).check();
  await expect(page.getByText('No: Look where end and eye were, and read again.')).toBeVisible();
  await page.getByRole('radio', { name: /^Look where end/ }).check();
  await expect(page.getByRole('navigation', { name: 'Lessons' }).getByRole('img', { name: 'done' })).toHaveCount(1);
  await page.getByRole('link', { name: 'Next: Settle before you read' }).click();
  await page.getByRole('radio', { name: 'About 6 mm' }).check();
  await page.getByRole('slider').fill('2');
  await expect(page.getByText('Right.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Lessons' }).getByRole('img', { name: 'done' })).toHaveCount(1);
}); // oxfmt-ignore

test('every lesson draws itself by day and by night, at 390 px too, with nothing wider than the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const id of lessonIds) {
    await visit(page, `/lessons/${id}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(lessonTexts[id].title);
    await page.getByRole('radio').first().check();
    await expect(page.getByRole('region', { name: 'Move it' }).locator('svg').first()).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
  }
}); // oxfmt-ignore
