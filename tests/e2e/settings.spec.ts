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
  await visit(page, '/settings');
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
