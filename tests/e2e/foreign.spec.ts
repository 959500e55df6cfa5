import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium, type Browser } from '@playwright/test';
// A plain script without types.
// @ts-expect-error no declarations
import { chromiumPath } from '../../scripts/lib/debian.mjs';
import { expect, test } from './app.ts';

/** Pages of other sites, in a browser on the computer that Margin runs on. */
let browser: Browser;
test.beforeAll(async () => {
  browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu', '--host-resolver-rules=MAP evil.test 127.0.0.1'],
  });
});
test.afterAll(() => browser.close());

test('a name that was made to lead to this computer gets no page and no job', async ({ app }) => {
  const page = await browser.newPage();
  const answer = await page.goto(app.address.replace('127.0.0.1', 'evil.test'));
  expect(answer?.status()).toBe(421);
  // The page is of the same origin as what it asks for, as far as the browser can tell.
  const tried = await page.evaluate(async () => {
    const jobs = await fetch('/api/jobs');
    const write = await fetch('/api/jobs', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{}',
    });
    const removal = await fetch('/api/rack/00000000-0000-4000-9000-000000000104', { method: 'DELETE' });
    return [jobs.status, write.status, removal.status];
  });
  expect(tried).toEqual([421, 421, 421]);
});

test('a page of another site reads nothing and writes nothing', async ({ app }) => {
  const site = createServer((_asked, answer) =>
    answer.setHeader('Content-Type', 'text/html').end('<p>wheels'),
  );
  await new Promise<void>((done) => site.listen(0, '127.0.0.1', done));
  try {
    const page = await browser.newPage();
    await page.goto(`http://evil.test:${(site.address() as AddressInfo).port}/`);
    const tried = await page.evaluate(async (address) => {
      const nothing = () => 'nothing';
      const read = await fetch(`${address}/api/jobs`).then((answer) => answer.text(), nothing);
      // As plain web forms send, which asks nobody first.
      await fetch(`${address}/api/kits`, { method: 'POST', mode: 'no-cors', body: '{}' }).then(
        nothing,
        nothing,
      );
      const stream = await new Promise((done) => {
        const one = new EventSource(`${address}/api/events`);
        one.onopen = () => done('open');
        one.onerror = () => done('nothing');
      });
      return { read, stream };
    }, app.address);
    expect(tried.read).toBe('nothing');
    expect(tried.stream).toBe('nothing');
    const { kits } = (await (await fetch(`${app.address}/api/kits`)).json()) as { kits: unknown[] };
    expect(kits.length).toBe(2);
  } finally {
    site.close();
  }
});

test('a script in what somebody typed is shown as what it is, on the sheet and in what is given out', async ({
  page,
  app,
}) => {
  const { document } = JSON.parse(readFileSync('demo/3-curlew.json', 'utf8')) as { document: object };
  const name = `<img src=x onerror="document.title='in'">`;
  const id = randomUUID();
  const job = {
    id,
    document: { ...document, name, note: `<script>document.title='in'</script>` },
    entries: [],
  };
  expect((await page.request.post('/api/jobs', { data: job })).status()).toBe(201);
  for (const path of [`/jobs/${id}/baseline`, `/jobs/${id}/handover`]) {
    await page.goto(`${app.address}${path}`);
    await expect(page.locator('h1').first()).toContainText(name);
    await expect(page.locator('img[src="x"]')).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Give it as a link' }).click();
  await page.getByRole('button', { name: 'Make the link' }).click();
  await page.goto(await page.getByLabel('Link to the sheet').inputValue());
  await expect(page.locator('h1')).toContainText(name);
  await expect(page.locator('img[src="x"]')).toHaveCount(0);
  await expect(page).toHaveTitle(name);
});
