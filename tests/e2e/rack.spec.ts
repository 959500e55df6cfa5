import { readFile } from 'node:fs/promises';
import { expect, field, test, visit } from './app.ts';

const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

test.describe('the spring rack', () => {
  test('is sorted, narrowed, typed over and put back', async ({ page }) => {
    await visit(page, '/rack');
    const rows = page.locator('[data-spring]');
    await expect(rows).toHaveCount(25);
    await page.getByRole('button', { name: /^rate, N\/mm/ }).click();
    await expect(rows.first()).toHaveAttribute('data-spring', /^tender 60-70/);
    await page.getByLabel('Inner diameter').selectOption({ label: '60 mm' });
    await field(page, 'Rate from').fill('95');
    await page.getByRole('checkbox', { name: 'in stock only' }).check();
    await expect(page.getByText(/^[1-9] of 1\d\d springs$/)).toBeVisible();
    for (const name of await rows.evaluateAll((all) => all.map((row) => row.getAttribute('data-spring'))))
      expect(name).toMatch(/^60-\d+-1[02]0$/);
    await expect(page).toHaveURL(/rate-from=95.*stock=1|stock=1.*rate-from=95/);
    await page.reload();
    await expect(field(page, 'Rate from')).toHaveValue('95');
    await expect(rows.first()).toBeVisible();
    const [first] = await rows.evaluateAll((all) => all.map((row) => row.getAttribute('data-spring')));
    const stock = field(page, `In stock, ${first}`);
    await expect(stock).toHaveCount(0);
    const edit = page.getByRole('button', { name: `Edit ${first}` });
    await edit.click();
    const before = await stock.inputValue();
    await stock.fill('9');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeEnabled();
    await page.reload();
    await edit.click();
    await expect(stock).toHaveValue('9');
    await stock.fill('8');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(stock).toHaveValue('9');
    expect(before).not.toBe('9');
  });

  test('a spring is new, measured on the press, removed, and back by undo', async ({ page }) => {
    await visit(page, '/rack?find=new+spring');
    await page.getByRole('button', { name: 'New spring' }).click();
    await expect(page.locator('[data-spring="new spring"]')).toBeVisible();
    await page.getByRole('button', { name: 'Measure new spring' }).click();
    for (const [k, [mm, n]] of [
      [20, 1100],
      [40, 2098],
      [60, 3102],
    ].entries()) {
      await field(page, `Compression, reading ${k + 1}`).fill(String(mm));
      await field(page, `Force, reading ${k + 1}`).fill(String(n));
    }
    await page.keyboard.press('Tab');
    await expect(page.getByRole('dialog')).toContainText(/50\.1\sN\/mm ± 0\.\d+/);
    await page.getByRole('button', { name: 'Keep the rate' }).click();
    await expect(field(page, 'Rate, new spring')).toHaveValue('50.05');
    await page.getByRole('button', { name: 'Remove new spring' }).click();
    await expect(page.getByText('No results. Change what is searched for.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(field(page, 'Rate, new spring')).toHaveValue('50.05');
    // Other tests on this rack put in a new one of their own.
    await page.getByRole('button', { name: 'Remove new spring' }).click();
    await expect(page.getByText('No results. Change what is searched for.')).toBeVisible();
  });

  test('what cannot reach the server stays, and is sent again', async ({ page, app }) => {
    await visit(page, '/rack?find=tender+60-70');
    const edit = page.getByRole('button', { name: 'Edit tender 60-70' });
    await edit.click();
    await expect(field(page, 'In stock, tender 60-70')).toHaveValue('4');
    await app.stop();
    await field(page, 'In stock, tender 60-70').fill('6');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('not kept yet');
    await expect(field(page, 'In stock, tender 60-70')).toHaveValue('6');
    await app.start();
    await page.getByRole('button', { name: 'Send it again' }).click();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await page.reload();
    await expect(page.locator('[data-spring="tender 60-70"]').getByRole('cell').nth(8)).toHaveText('6');
  });

  test('a CSV is taken in whole or not at all, and what is saved comes in again unchanged', async ({
    page,
  }) => {
    await visit(page, '/rack?find=quay');
    await page.getByRole('button', { name: 'Import CSV' }).click();
    const file = page.getByLabel('CSV file');
    await file.setInputFiles(csv('bad.csv', 'Part;Rate (lb/in);Length\nquay 1;350;8\nquay 2;soft;8\n'));
    await expect(page.getByRole('alert')).toContainText('Row 3, Rate (lb/in)');
    await expect(page.getByRole('button', { name: /^Import .* spring/ }).last()).toBeDisabled();
    await file.setInputFiles(csv('good.csv', 'Part;Rate (lb/in);Length\nquay 1;350;8\nquay 2;400;8\n'));
    await page.getByLabel('Unit of Length').selectOption('in');
    await page.getByRole('button', { name: 'Import 2 springs' }).click();
    await expect(page.locator('[data-spring="quay 1"]')).toContainText('203.2');
    await expect(page.locator('[data-spring="quay 2"]')).toContainText('70.05');
    const all = async () =>
      (await (await page.request.get('/api/rack')).json()) as { springs: { version: number }[] };
    const before = await all();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export CSV' }).click(),
    ]);
    const saved = await readFile(await download.path());
    await page.getByRole('button', { name: 'Import CSV' }).click();
    await file.setInputFiles({ name: 'again.csv', mimeType: 'text/csv', buffer: saved });
    await page.getByRole('button', { name: `Import ${before.springs.length} springs` }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    const bare = ({ springs }: Awaited<ReturnType<typeof all>>) =>
      springs.map((one) => ({ ...one, version: 0 }));
    expect(bare(await all())).toEqual(bare(before));
  });
});

test.describe('which springs do it', () => {
  const search = '/rack/search?job=00000000-0000-4000-8000-000300000000&corner=LR';

  test('for a corner of a job: found, cut open in the lab where it stands as told', async ({ page }) => {
    await visit(page, search);
    await expect(field(page, 'Wheel travel')).toHaveValue('452');
    await page.getByRole('button', { name: /^Search \d+ springs/ }).click();
    await expect(page.getByTestId('tried')).toContainText(/[1-9]\d* do it/);
    const first = page.locator('[data-found]').first();
    const sag = Number(/(\d+)\smm/.exec(await first.locator('td').nth(1).innerText())?.[1]);
    await first.getByRole('link').click();
    await expect(page.getByRole('table').filter({ hasText: 'coil space left' })).toContainText(
      new RegExp(`${sag}\\smm`),
    );
  });

  test('nothing does it: the page says so, and why not for a spring named', async ({ page }) => {
    await visit(page, search);
    await field(page, 'Coil space').fill('190');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: /^Search/ }).click();
    await expect(page.getByText('Nothing on the rack does it.')).toBeVisible();
    await page.getByLabel('Why not').selectOption({ label: '64-300-050' });
    await expect(page.getByText(/does it in none of the \d+ combinations/)).toBeVisible();
    await expect(page.getByText(/^Nearest:/)).toBeVisible();
    await page.getByLabel('Why not').selectOption({ label: '32-260-007' });
    await expect(page.getByText(/the load alone closes it/)).toBeVisible();
    await page.waitForTimeout(200);
    await page.reload();
    await expect(field(page, 'Coil space')).toHaveValue('190');
  });

  test('a long search tells how far it is and is called off', async ({ page }) => {
    const springs = Array.from(
      { length: 2500 },
      (_, i) => `coil ${i},${20 + (i % 97)},${200 + (i % 211)},${60 + (i % 31)}`,
    );
    await visit(page, '/rack');
    await page.getByRole('button', { name: 'Import CSV' }).click();
    await page
      .getByLabel('CSV file')
      .setInputFiles(csv('many.csv', `name,rate,free,solid\n${springs.join('\n')}\n`));
    await page.getByRole('button', { name: 'Import 2500 springs' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await visit(page, '/rack/search');
    await page.getByRole('button', { name: /^Search/ }).click();
    await expect(page.getByRole('progressbar')).toBeVisible();
    await expect(page.getByTestId('tried')).toContainText('combinations tried');
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    await expect(page.getByTestId('tried')).toContainText('stopped');
    const told = await page.getByTestId('tried').innerText();
    await page.waitForTimeout(500);
    expect(await page.getByTestId('tried').innerText()).toBe(told);
  });
});

test('a spring that is new while the rack is still on its way shows all the same', async ({ page }) => {
  let release: () => void = () => undefined;
  const held = new Promise<void>((done) => (release = done));
  // The first list leaves the server at once, and arrives only once the spring is kept.
  await page.route('**/api/rack', async (route) => {
    if (route.request().method() !== 'GET') return route.continue();
    const early = await route.fetch();
    await held;
    await route.fulfill({ response: early });
  });
  await page.goto('/rack?find=new+spring');
  const kept = page.waitForResponse(
    (one) => one.url().endsWith('/api/rack') && one.request().method() === 'POST',
  );
  await page.getByRole('button', { name: 'New spring', exact: true }).click();
  await kept;
  release();
  await expect(page.locator('tr[data-spring="new spring"]')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('tr[data-spring="new spring"]')).toHaveCount(0);
});
