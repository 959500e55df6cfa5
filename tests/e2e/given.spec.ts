import { expect, test, visit } from './app.ts';

const DUNLIN = '00000000-0000-4000-8000-000100000000';

test('a handover sheet is given as a link: opened by whoever has it, as it stood, until it is taken back', async ({
  page,
  browser,
}) => {
  await visit(page, `/jobs/${DUNLIN}/handover`);
  const name = await page.locator('h1').innerText();
  await page.getByRole('button', { name: 'Give it as a link' }).click();
  const dialog = page.getByRole('dialog', { name: 'Give it as a link' });
  await dialog.getByLabel('It opens for').selectOption('7 days');
  await dialog.getByRole('button', { name: 'Make the link' }).click();
  const address = await dialog.getByLabel('Link to the sheet').inputValue();
  expect(address).toMatch(/\/s\/[\w-]{22}$/);
  await expect(dialog.getByAltText('The link as a code that a camera reads')).toBeVisible();

  // A customer: another browser, which knows nothing of the shop.
  const customer = await (await browser.newContext()).newPage();
  const asked: string[] = [];
  customer.on('request', (request) => asked.push(request.url()));
  const problems: string[] = [];
  customer.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
  await customer.goto(address);
  await expect(customer.locator('h1')).toHaveText(name);
  await expect(customer.locator('h1')).toHaveCSS('font-size', '26px');
  await expect(customer.getByText('Front left').first()).toBeVisible();
  // The font comes along, and where it does not a whole still stands apart from its fraction.
  expect(
    await customer.evaluate(() =>
      document.fonts.ready.then((fonts) => [...fonts].map(({ status }) => status)),
    ),
  ).toEqual(['loaded']);
  const turns =
    (await customer
      .getByText(/\d\/\d/)
      .first()
      .textContent()) ?? '';
  expect(turns).toMatch(/^(\d+\u2009)?\d\/\d/);
  await expect(customer.locator('button, a, input')).toHaveCount(0);
  expect(asked.filter((one) => one !== address && !one.startsWith('data:'))).toEqual([]);
  expect(problems).toEqual([]);
  await customer.setViewportSize({ width: 390, height: 844 });
  expect(
    await customer.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    ),
  ).toBeLessThanOrEqual(0);

  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Settings' }).click();
  const links = page.getByRole('region', { name: 'Links for customers' });
  await links.getByRole('button', { name: 'Take back, Dunlin' }).click();
  await expect(links).not.toContainText('Dunlin');
  await customer.reload();
  await expect(customer.getByText('There is nothing under this link, or no longer.')).toBeVisible();
  await customer.context().close();
});

test('on a telephone no two figures of the sheet run into each other', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const n of [1, 2, 8]) {
    await visit(page, `/jobs/00000000-0000-4000-8000-000${n}00000000/handover`);
    await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
    const close = await page.locator('tr').evaluateAll((rows) =>
      rows.flatMap((row) => {
        const inked = [...row.children].map((cell) => {
          const range = document.createRange();
          range.selectNodeContents(cell);
          return [...range.getClientRects()].filter(({ width }) => width > 0);
        });
        return inked
          .slice(1)
          .flatMap((rects, k) =>
            rects.flatMap((one) =>
              (inked[k] ?? [])
                .filter(
                  (other) => other.top < one.bottom && one.top < other.bottom && one.left - other.right < 3,
                )
                .map(() => row.textContent),
            ),
          );
      }),
    );
    expect(close).toEqual([]);
  }
});
