import sharp from 'sharp';
import { expect, test, visit } from './app.ts';

const CURLEW = '00000000-0000-4000-8000-000100000000';

test('what the shop is called stands at the head of its sheets', async ({ page }) => {
  await visit(page, '/');
  await page.getByRole('link', { name: 'Settings' }).click();
  const name = page.getByLabel('Name of the shop, at the head of sheets');
  await name.fill('Saltmarsh Springs');
  await name.press('Enter');
  await page.reload();
  await expect(name).toHaveValue('Saltmarsh Springs');
  await visit(page, `/jobs/${CURLEW}/handover`);
  await expect(page.getByTestId('shop-name')).toHaveText('Saltmarsh Springs');
  await visit(page, '/settings');
  await name.fill('');
  await name.press('Enter');
  await visit(page, `/jobs/${CURLEW}/handover`);
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  await expect(page.getByTestId('shop-name')).toBeHidden();
});

test('settings that somebody else has changed meanwhile: it is told, shown, and what was typed stays', async ({
  page,
}) => {
  // It hears of nothing that is changed elsewhere.
  await page.route('**/api/events', (route) => route.abort());
  await page.goto('/settings');
  const shop = page.getByRole('region', { name: 'The shop' });
  const name = shop.getByLabel('Name', { exact: true });
  await name.fill('Bo');
  const before = (await (await page.request.get('/api/shop')).json()) as object;
  await page.request.post('/api/shop', { data: { ...before, technicians: ['Ada'] } });
  await shop.getByRole('button', { name: 'Add' }).click();
  await expect(shop.getByRole('alert')).toContainText('changed by somebody else');
  await expect(shop.getByRole('button', { name: 'Remove Ada' })).toBeVisible();
  await expect(name).toHaveValue('Bo');
  await shop.getByRole('button', { name: 'Add' }).click();
  await expect(shop.getByRole('button', { name: 'Remove Bo' })).toBeVisible();
  await expect(shop.getByRole('button', { name: 'Remove Ada' })).toBeVisible();
});

test('this computer alone: it says how tablets come in, and that no backup can be locked yet', async ({
  page,
}) => {
  await visit(page, '/settings');
  await expect(page.getByRole('region', { name: 'Devices' })).toContainText('npm start -- --shop');
  await expect(page.getByRole('region', { name: 'Backup' })).toContainText('none has been set');
  await expect(page.getByRole('region', { name: 'The program' })).toContainText(/Margin \d+\.\d+\.\d+/);
});

test('a machine that is due back stands in the list with its day and the number to call', async ({
  page,
}) => {
  await visit(page, '/');
  const due = page.getByRole('region', { name: 'Due back' });
  const line = due.getByRole('listitem').first();
  await expect(line).toContainText(/due back|Recheck due/i);
  const job = await line.getByRole('link').first().getAttribute('href');
  await visit(page, `${job}?about`);
  await page.getByLabel('Telephone number').fill('+44 1632 960 142');
  await page.getByRole('button', { name: 'Done' }).click();
  await visit(page, '/');
  await expect(due.getByRole('link', { name: /960 142/ })).toHaveAttribute('href', 'tel:+441632960142');
});

test('a logo stands at the head of the sheets until it is removed', async ({ page }) => {
  await visit(page, '/settings');
  const shop = page.getByRole('region', { name: 'The shop' });
  const buffer = await sharp({ create: { width: 300, height: 100, channels: 3, background: '#226644' } })
    .png()
    .toBuffer();
  await shop
    .getByLabel('Logo', { exact: true })
    .setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer });
  await expect(shop.getByAltText('Logo of the shop')).toBeVisible();
  for (const sheet of ['handover', 'paper']) {
    await visit(page, `/jobs/${CURLEW}/${sheet}`);
    const logo = page.getByTestId('shop-logo');
    await expect(logo).toBeVisible();
    await expect.poll(() => logo.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(300);
  }
  await visit(page, '/settings');
  const text = { name: 'a.png', mimeType: 'image/png', buffer: Buffer.from('no picture') };
  await shop.getByLabel('Logo', { exact: true }).setInputFiles(text);
  await expect(shop.getByRole('alert')).toContainText('not a picture that can be read');
  await expect(shop.getByAltText('Logo of the shop')).toBeVisible();
  await shop.getByRole('button', { name: 'Remove it' }).click();
  await expect(shop.getByAltText('Logo of the shop')).toBeHidden();
});

test('a new setup begins with the shop’s tolerance for its class; one typed there stays', async ({
  page,
}) => {
  await visit(page, '/settings');
  const part = page.getByRole('region', { name: 'New jobs' });
  const field = part.getByLabel('Car', { exact: true });
  await field.fill('3.5');
  await field.press('Enter');
  await expect
    .poll(
      async () => ((await (await page.request.get('/api/shop')).json()) as { tolerances: object }).tolerances,
    )
    .toEqual({ car: 3.5 });
  await visit(page, '/new?class=car');
  const tolerance = page.getByLabel('Tolerance ±', { exact: true });
  await expect(tolerance).toHaveValue('3.5');
  await visit(page, '/new?class=truck');
  await expect(tolerance).toHaveValue('');
  await visit(page, '/new?class=car');
  await expect(tolerance).toHaveValue('3.5');
  await tolerance.fill('5');
  await tolerance.press('Enter');
  await visit(page, '/settings');
  await field.fill('');
  await field.press('Enter');
  await visit(page, '/new?class=car');
  await expect(tolerance).toHaveValue('5');
});

test('sag presets that this browser kept by itself become the shop’s, and are forgotten there', async ({
  ownPage: page,
}) => {
  const school = { id: 'own 9', title: 'old lanes', of: 'rider', at: 'wheel', unit: 'mm', low: 88, high: 97, on: ['motorcycle'] }; // oxfmt-ignore
  await page.addInitScript(
    (kept) => {
      if (!localStorage.getItem('margin-sag-schools')) localStorage.setItem('margin-sag-schools', kept);
    },
    JSON.stringify({ state: { schools: [school] }, version: 0 }),
  );
  await visit(page, '/jobs/00000000-0000-4000-8000-000800000000/sag');
  const windows = async () =>
    ((await (await page.request.get('/api/shop')).json()) as { sagWindows: object[] }).sagWindows;
  await page.getByRole('button', { name: /^Windows/ }).click();
  await expect.poll(windows).toEqual([school]);
  await page.getByRole('link', { name: 'Settings' }).click();
  const part = page.getByRole('region', { name: 'New jobs' });
  await expect(part).toContainText('old lanes');
  await part.getByRole('button', { name: 'Forget old lanes' }).click();
  await expect.poll(windows).toEqual([]);
});
