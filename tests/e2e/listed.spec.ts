import { readFile } from 'node:fs/promises';
import { allSent, expect, field, quickStart, test, visit } from './app.ts';

const READINGS = ['375', '375', '371', '371'];

test('a job is renamed, told whose it is, copied, archived, deleted and put back', async ({ page }) => {
  const id = await quickStart(page, 'Garganey', READINGS, '365', '362');
  await visit(page, '/?find=Garganey');
  await page.getByRole('button', { name: 'More for Garganey' }).click();
  await page.getByRole('menuitem', { name: 'Rename, details' }).click();
  await field(page, 'Job name').fill('Garganey two');
  await field(page, 'Customer').fill('Aster');
  await field(page, 'Plate or frame number').fill('QX 417');
  await field(page, 'Odometer').fill('84210');
  await field(page, 'Came in on').fill('2026-03-02');
  await page.getByRole('button', { name: 'Done' }).click();
  await allSent(page);
  await visit(page, `/jobs/${id}/handover`);
  await expect(page.getByTestId('about')).toHaveText(
    'Customer Aster · plate or frame QX 417 · odometer 84210 km · came in 2 March 2026',
  );

  await visit(page, '/?find=Garganey');
  await expect(page.getByRole('link', { name: /Garganey two/ })).toContainText('QX 417 · Aster');
  await page.getByRole('button', { name: 'More for Garganey two' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByLabel('Job name')).toHaveValue('Garganey two, copy');
  expect(page.url()).not.toContain(id);

  await visit(page, '/?find=Garganey');
  const more = page.getByRole('button', { name: 'More for Garganey two, copy' });
  await more.click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(more).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(more).toBeVisible();
  await more.click();
  await page.getByRole('menuitem', { name: 'Archive' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'is archived' })).toBeVisible();
  await page.getByRole('button', { name: 'Archived and deleted jobs' }).click();
  await more.click();
  await page.getByRole('menuitem', { name: 'Put back' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'is back in the list' })).toBeVisible();
});

test('a job that is out of the way says so on its own pages, and is found by its name', async ({ page }) => {
  const id = await quickStart(page, 'Smew', READINGS, '365', '362');
  await allSent(page);
  const put = async (away: string) =>
    expect(await page.request.post(`/api/jobs/${id}/away`, { data: { away } })).toBeOK();
  await put('archived');
  const note = page.getByRole('status').filter({ hasText: 'This job is archived' });
  await expect(note).toBeVisible();
  await visit(page, '/help');
  await page.keyboard.press('/');
  await page.getByPlaceholder('Job, stage, command or word').fill('Smew');
  await page.getByRole('option', { name: /Smew .*archived/ }).click();
  await expect(note).toBeVisible();
  await put('deleted');
  const deleted = page.getByRole('status').filter({ hasText: 'This job is deleted' });
  await deleted.getByRole('button', { name: 'Put it back' }).click();
  await expect(deleted).toHaveCount(0);
  await visit(page, '/?find=Smew');
  await expect(page.getByRole('link', { name: /Smew/ })).toBeVisible();
});

test('the list as a file: one row a job, with whose it is', async ({ page }) => {
  await quickStart(page, 'Pochard; "one"', READINGS, '365', '362');
  await visit(page, '/?find=Pochard');
  await expect(page.getByRole('link', { name: /Pochard/ })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'List as CSV' }).click(),
  ]);
  const [head, ...rows] = (await readFile((await file.path()) ?? '', 'utf8')).trim().split(/\r?\n/);
  expect(head).toBe(
    'job,machine,class,customer,plate,technician,odometer km,came in,round,next,locked,due,last change,id',
  );
  expect(rows).toHaveLength(1);
  expect(rows[0]).toContain('"Pochard; ""one"""');
});

test('what was undone can be done again by its button', async ({ page }) => {
  const id = await quickStart(page, 'Gadwall', READINGS, '365', '362');
  await visit(page, `/jobs/${id}/baseline`);
  await field(page, 'Front left, reading 2').fill('376');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, 'Front left, reading 2')).toHaveValue('');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(field(page, 'Front left, reading 2')).toHaveValue('376');
  await expect(page.getByRole('button', { name: 'Redo' })).toBeDisabled();
});
