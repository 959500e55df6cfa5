import { readFileSync } from 'node:fs';
import {
  BlobReader,
  BlobWriter,
  TextReader,
  TextWriter,
  ZipReader,
  ZipWriter,
  type FileEntry,
} from '@zip.js/zip.js';
import sharp from 'sharp';
import { expect, quickStart, test, visit } from './app.ts';

const picture = (shade: string) =>
  sharp({ create: { width: 400, height: 300, channels: 3, background: shade } })
    .jpeg()
    .toBuffer();

interface Saved {
  document: { name: string };
  pictures?: { corner: string; jpeg: string }[];
}
const jobOf = (address: string) => /jobs\/([^/]+)/.exec(address)?.[1] ?? '';

test('a job file carries its pictures, and opens with them again', async ({ page }) => {
  await quickStart(page, 'Phalarope', ['375', '376', '371', '372'], '365', '366');
  const job = jobOf(page.url());
  const send = { headers: { 'Content-Type': 'image/jpeg' }, data: await picture('#557799') };
  expect((await page.request.post(`/api/photos?job=${job}&corner=LR`, send)).status()).toBe(201);
  await page.getByRole('link', { name: /^Intake/ }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a job file' }).click();
  const path = await (await download).path();
  const saved = JSON.parse(readFileSync(path, 'utf8')) as Saved;
  expect(saved.pictures?.map(({ corner }) => corner)).toEqual(['LR']);

  await visit(page, '/');
  await page.getByLabel('Job file').setInputFiles(path);
  await expect(page.getByRole('heading', { name: 'Phalarope' })).toBeVisible();
  const second = jobOf(page.url());
  expect(second).not.toBe(job);
  const { photos } = (await (await page.request.get(`/api/photos?job=${second}`)).json()) as {
    photos: { corner: string }[];
  };
  expect(photos.map(({ corner }) => corner)).toEqual(['LR']);
});

/** The files of a zip whose names begin so, in a zip of their own: what else there is must not be there twice for other tests. */
async function only(zip: Buffer, begins: string): Promise<Buffer> {
  const read = new ZipReader(new BlobReader(new Blob([new Uint8Array(zip)])), { useWebWorkers: false });
  const out = new ZipWriter(new BlobWriter(), { useWebWorkers: false });
  for (const entry of (await read.getEntries()) as FileEntry[])
    if (entry.filename.startsWith(begins))
      await out.add(entry.filename, new TextReader(await entry.getData(new TextWriter())));
  return Buffer.from(await (await out.close()).arrayBuffer());
}

test('all jobs as a zip, and a zip opened again: each is a job, and what cannot be one is told by its name', async ({
  page,
}) => {
  await quickStart(page, 'Godwit 88', ['375', '376', '371', '372'], '365', '366');
  await page.getByRole('link', { name: 'Settings' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save all jobs (zip)' }).click();
  const saved = await download;
  expect(saved.suggestedFilename()).toMatch(/^margin-jobs-.*\.zip$/);
  const data = page.getByRole('region', { name: 'Data in and out' });
  const count = async () =>
    ((await (await page.request.get('/api/jobs?find=Godwit 88')).json()) as { total: number }).total;
  expect(await count()).toBe(1);
  const zip = {
    name: 'all.zip',
    mimeType: 'application/zip',
    buffer: await only(readFileSync(await saved.path()), 'godwit-88'),
  };
  const bent = { name: 'bent.json', mimeType: 'application/json', buffer: Buffer.from('{"id":') };
  await data.getByLabel('Job file').setInputFiles([zip, bent]);
  await expect(data.getByRole('alert')).toContainText('bent.json: The file is not JSON.');
  await expect(data.getByRole('status')).toHaveText('1 of 2 are jobs now.');
  expect(await count()).toBe(2);

  await data
    .getByLabel('Job file')
    .setInputFiles({ name: 'no.zip', mimeType: 'application/zip', buffer: Buffer.from('not a zip at all') });
  await expect(data.getByRole('alert')).toContainText('The zip cannot be read.');
});

test('a file that is JSON and no job is told, and another can be chosen', async ({ page }) => {
  await visit(page, '/settings');
  const data = page.getByRole('region', { name: 'Data in and out' });
  for (const text of ['null', '5', '{"document":{},"entries":[null]}', '{"entries":7}']) {
    const file = { name: 'odd.json', mimeType: 'application/json', buffer: Buffer.from(text) };
    await data.getByLabel('Job file').setInputFiles(file);
    await expect(data.getByRole('alert')).toBeVisible();
    await expect(data.getByRole('button', { name: 'Open job files or a zip' })).toBeEnabled();
  }
});

test('a job saved where its pictures cannot be read says that it is without them', async ({ page }) => {
  await quickStart(page, 'Avocet', ['375', '376', '371', '372'], '365', '366');
  await page.getByRole('link', { name: /^Intake/ }).click();
  await page.route('**/api/photos**', (route) => route.abort());
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a job file' }).click();
  await download;
  await expect(page.getByText('Saved without pictures')).toBeVisible();
});
