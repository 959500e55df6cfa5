import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { situations } from '../fixtures/situations/index.ts';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

/** Puts a situation of the table, or its twin, on the server; gives the way to its sheet. */
async function put(page: Page, name: string): Promise<string> {
  const situation = situations.find((one) => one.name === name);
  if (!situation) throw new Error(`expected a situation named "${name}", got none`);
  const { document, entries } = situation.job();
  const id = randomUUID();
  const own = entries.map((entry) => ({ ...entry, id: randomUUID() }));
  const made = await page.request.post('/api/jobs', { data: { id, document, entries: own } });
  expect([made.status(), await made.text()]).toEqual([201, expect.any(String)]);
  return `/jobs/${id}`;
}

/** A situation, where on the sheet it is told, in which words, and its way out. */
const told: { name: string; stage: string; region: string; what: RegExp; way: RegExp }[] = [
  { name: 'collar past the end of good thread', stage: 'close-out', region: 'Still open', what: /collar stands 5 mm past the end of good thread towards the spring/, way: /Move the seat 5 mm \(2 1\/2 turns\) away from the spring\. The corner then stands [\d.]+ mm lower\./ },
  { name: 'lower mount below its engagement', stage: 'close-out', region: 'Still open', what: /Front left: the lower mount holds 3 mm less thread than it must/, way: /Screw the lower mount in by 3 mm \(2 turns\)/ },
  { name: 'spring loose with the wheel hanging', stage: 'close-out', region: 'Still open', what: /Front left: the spring is 8 mm loose with the wheel hanging/, way: /Fit a helper spring that takes up 11 mm/ },
  { name: 'coils touch before the end of travel', stage: 'plan', region: 'Correct these', what: /Front left, main: the coils touch 20 mm before the end of its travel/, way: /Fit a spring of the same rate that can be pressed 21 mm further/ },
  { name: 'a clearance below its least', stage: 'plan', region: 'Correct these', what: /tyre to arch: it is 8 mm nearer than it may be/, way: /Move the seat [\d.]+ mm .* towards the spring/ },
  { name: 'the thread ends before the target', stage: 'plan', region: 'Why it cannot be reached', what: /seat would have to move .*, and 2 mm of thread is left that way/, way: /Fit a spring \d+ mm longer.*Fit a spring \d+ % stiffer.*Take [\d.]+ mm as the target/ },
  { name: 'a low exhaust decides the height', stage: 'plan', region: 'Why it cannot be reached', what: /Exhaust has to stay 100 mm over the ground, and decides the height: front left 38\d mm in place of 365 mm/, way: /Move the part/ },
  { name: 'nothing can be turned there', stage: 'plan', region: 'Why it cannot be reached', what: /Nothing can be turned rear left/, way: /Take the height it has as its target/ },
  { name: 'too much sag with the thread used up', stage: 'plan', region: 'Springs and rings', what: /Front left and front right: the spring is too soft\. Rider sag is 8 mm too much/, way: /Look for a stiffer one/ },
  { name: 'a tender open at rest', stage: 'plan', region: 'Springs and rings', what: /the tender is [\d.]+ mm from solid where the machine rests/, way: /works as a soft spring/ },
  { name: 'nearly all thread used up is a hint', stage: 'plan', region: 'Springs and rings', what: /95 % of the thread towards the spring is used up/, way: /Little is left for a load/ },
]; // oxfmt-ignore

test.describe('what is found is told on the sheet with its way out, and not of the twin', () => {
  for (const { name, stage, region, what, way } of told)
    test(name, async ({ page }) => {
      await visit(page, `${await put(page, name)}/${stage}`);
      const place = page.getByRole('region', { name: region });
      await expect(place).toContainText(what);
      await expect(place).toContainText(way);
      await visit(page, `${await put(page, `${name}: twin`)}/${stage}`);
      await expect(page.getByRole('heading', { name: 'Margins' })).toBeVisible();
      await expect(page.getByText(what)).toHaveCount(0);
    });
});

test('a finding opens to the figures it goes by, each with where it is from', async ({ page }) => {
  await visit(page, `${await put(page, 'lower mount below its engagement')}/plan`);
  const place = page.getByRole('region', { name: 'Correct these' });
  await expect(place.getByText(/^thread diameter/)).toBeHidden();
  await place.getByText('what this goes by').click();
  await expect(place.getByText(/^thread diameter/)).toHaveText(/14\smm given/);
  await expect(place).toContainText(/least to keep.*21\smm given/);
});

test('everything turned the wrong way: that is checked before anything else, and put right at every corner at once', async ({
  page,
}) => {
  const sheet = await put(page, 'all four turned the other way, by the tape alone');
  await visit(page, `${sheet}/next`);
  await expect(page).toHaveURL(/measure$/);
  const doubt = page.getByTestId('doubt');
  await expect(doubt).toContainText(
    'front left, front right, rear left and rear right collars were turned the other way',
  );
  await visit(page, '/');
  await expect(page.locator('main')).toContainText(/check which way it was turned, front left/i);
  await visit(page, `${sheet}/measure`);
  await doubt.getByRole('button', { name: 'It was: put the record right' }).click();
  await expect(doubt).toHaveCount(0);
  await allSent(page);
  await page.getByRole('link', { name: /^Plan/ }).click();
  // Each went down by 12: from 341 it is 24 up, at two to one.
  await expect(page.getByTestId('move-LF')).toContainText(/Raise 2[345] mm/);
});

test('two digits swapped: asked about on New setup as soon as all are read', async ({ page }) => {
  await visit(page, '/new?class=car');
  for (const [k, mm] of ['327', '375', '388', '386'].entries())
    await field(
      page,
      `Measured height, ${['front left', 'front right', 'rear left', 'rear right'][k] ?? ''}`,
    ).fill(mm);
  await page.keyboard.press('Tab');
  const asked = page.getByTestId('asked-pair-apart');
  await expect(asked).toContainText('Is it 372 mm front left');
  await expect(asked.getByRole('link')).toHaveCount(0);
  await field(page, 'Measured height, front left').fill('372');
  await page.keyboard.press('Tab');
  await expect(asked).toHaveCount(0);
});

test('two digits swapped: asked about on the plan before it is followed, and gone once corrected', async ({
  page,
}) => {
  const id = await quickStart(page, 'Sandpiper', ['327', '375', '388', '386'], '350', '360');
  await visit(page, `/jobs/${id}/plan`);
  const asked = page.getByTestId('asked-pair-apart');
  await expect(asked).toContainText('Is it 372 mm front left, with two digits swapped?');
  await asked.getByRole('link', { name: 'Correct it' }).click();
  await field(page, 'Front left, reading 1').fill('372');
  await page.keyboard.press('Tab');
  await allSent(page);
  await visit(page, `/jobs/${id}/plan`);
  await expect(page.getByTestId('move-LF')).toContainText('Lower');
  await expect(asked).toHaveCount(0);
});

test('entries that cannot all be so are asked about until one is changed, or they are said to be right', async ({
  page,
}) => {
  const sheet = await put(page, 'tyres left and right unlike');
  await visit(page, `${sheet}/prep`);
  const asked = page.getByTestId('asked-tyres-unlike');
  await expect(asked).toContainText('The front left tyre has 1.3 bar');
  await asked.getByRole('button', { name: 'It is right' }).click();
  await expect(asked).toHaveCount(0);
  await allSent(page);
  await page.reload();
  await expect(field(page, 'Front right')).toHaveValue('0.8');
  await expect(asked).toHaveCount(0);
  // Another figure is another question.
  await field(page, 'Front right').fill('0.7');
  await page.keyboard.press('Tab');
  await expect(asked).toContainText('0.7 bar');
  await field(page, 'Front right').fill('1.3');
  await page.keyboard.press('Tab');
  await expect(asked).toHaveCount(0);
});

test('a height typed in centimetres is asked about where it was typed, and stays as typed', async ({
  page,
}) => {
  await visit(page, `${await put(page, 'a height typed in centimetres')}/baseline`);
  await expect(page.getByTestId('asked-in-cm')).toContainText('36.5 mm was read, about 365 mm is expected');
  await expect(field(page, 'Front left, reading 1')).toHaveValue('36.5');
});

test('cautions are those of what is really turned', async ({ page }) => {
  const cautions = page.getByText('Never undo the top nut of a damper');
  await visit(page, `${await put(page, 'the thread ends before the target: twin')}/plan`);
  await page.getByRole('button', { name: 'Start turning' }).click();
  await expect(cautions).toBeVisible();
  await visit(page, `${await put(page, 'leaves too coarse for the target')}/plan`);
  const turning = page.getByRole('button', { name: 'Start turning' });
  if (await turning.isEnabled()) await turning.click();
  await expect(page.getByText('Keep fingers out of the coils')).toBeVisible();
  await expect(cautions).toHaveCount(0);
});
