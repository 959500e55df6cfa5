import { gzipSync } from 'node:zlib';
import { expect, test, visit } from './app.ts';

test('the first load is under 250 kB of JavaScript, and the chart library is not in it', async ({ page }) => {
  const scripts: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(response.body());
  });
  await visit(page, '/?find=curlew');
  await expect(page.getByText('Curlew').first()).toBeVisible();
  const bodies = await Promise.all(scripts);
  const size = bodies.reduce((sum, body) => sum + gzipSync(body).length, 0);
  expect(size).toBeGreaterThan(50_000);
  expect(size).toBeLessThan(250_000);
  expect(bodies.some((body) => /plotly/i.test(body.toString()))).toBe(false);
});

test('nothing is fetched from anywhere else', async ({ page, app }) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(app.address) && !request.url().startsWith('data:'))
      foreign.push(request.url());
  });
  for (const path of ['/', '/new', '/jobs/00000000-0000-4000-8000-000200000000/measure']) {
    await visit(page, path);
    await page.waitForTimeout(300);
  }
  expect(foreign).toEqual([]);
});
