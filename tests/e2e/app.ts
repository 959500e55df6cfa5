import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { blankCorner, blankDocument } from '#core/document/create.ts';
import type { JobRecord } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
// Plain scripts without types: what they give is said here.
// @ts-expect-error no declarations
import * as cluster from '../../scripts/lib/cluster.mjs';
// @ts-expect-error no declarations
import { ensurePostgres } from '../../scripts/lib/debian.mjs';
import { Desk, follow, isNowhere, ownContext } from './desk.ts';

/** The running application, which a test may stop and start again. */
export interface App {
  address: string;
  stop: () => Promise<void>;
  start: () => Promise<void>;
}

interface Cluster {
  bin: string;
  folder: string;
}

/**
 * Tests of one worker share a page. It is emptied and loaded anew only where the browser keeps something of the last test.
 * A test of the loading itself begins with `page.goto`. One that changes what a page is before it loads takes `ownPage`.
 */
export const test = base.extend<{ ownPage: Page }, { app: App; desk: Desk }>({
  app: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads the pattern to see what is needed.
    async ({}, use) => {
      const bin: string = await ensurePostgres();
      const made: Cluster = { bin, folder: cluster.throwawayFolder() };
      const { url } = await cluster.startCluster({ ...made, throwaway: true });
      let port: number = await cluster.freePort();
      let child: ChildProcess | null = null;
      const app: App = {
        address: '',
        start: async () => {
          child = await launch(url, port);
          app.address = `http://127.0.0.1:${port}`;
        },
        stop: async () => {
          const gone = new Promise((done) => child?.once('exit', done));
          child?.kill('SIGTERM');
          await gone;
        },
      };
      // Somebody else may take a port between its being found free and being listened on.
      await app.start().catch(async () => {
        port = await cluster.freePort();
        await app.start();
      });
      await use(app);
      await app.stop();
      cluster.stopCluster({ ...made, throwaway: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ app }, use) => use(app.address),
  desk: [
    async ({ app, browser }, use) => {
      const desk = new Desk(browser, app.address);
      await use(desk);
      await desk.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ desk }, use) => use(await desk.next()),
  context: ({ page }, use) => use(page.context()),
  ownPage: async ({ app, browser }, use) => {
    const context = await ownContext(browser, app.address);
    await use(await context.newPage());
    await context.close();
  },
});

function launch(url: string, port: number): Promise<ChildProcess> {
  const env = {
    ...process.env,
    DATABASE_URL: url,
    PORT: String(port),
    WRITES_PER_MINUTE: '100000',
    PUBLIC_URL: `http://localhost:${port}`,
  };
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((done, fail) => {
    child.stdout.on('data', (chunk: Buffer) => String(chunk).includes('Margin is on') && done(child));
    child.once('exit', (code) => fail(new Error(`expected the server to start, it ended with ${code}`)));
  });
}

export { expect };

const CORNERS = ['front left', 'front right', 'rear left', 'rear right'] as const;

/** A field by its label. */
export function field(page: Page, label: string): Locator {
  return page.getByLabel(label, { exact: true });
}

/**
 * Goes to an address of the application as its links do: the page is loaded the first time only, which takes
 * longer than everything else a test does. Use `page.goto` where the loading itself is what is tried.
 */
export async function visit(page: Page, path: string): Promise<void> {
  if (isNowhere(page)) {
    await page.goto(path);
    return;
  }
  const shown = page.locator('[data-page]');
  const before = await shown.getAttribute('data-page');
  await follow(page, path);
  const { pathname } = new URL(path, page.url());
  // Whatever it leads to: the page that was left is gone before anything is looked at.
  if (pathname !== before) await expect(shown).not.toHaveAttribute('data-page', before ?? '');
}

/** Opens the margins that are folded since they are well and known. */
export async function showAllMargins(page: Page): Promise<void> {
  await page.getByRole('button', { name: /more (is|are) ok|Every corner/ }).click();
}

/** Waits until the server has everything that was typed. */
export async function allSent(page: Page): Promise<void> {
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<number>((done) => {
            const open = indexedDB.open('margin');
            open.onsuccess = () => {
              const count = open.result.transaction('unsent').objectStore('unsent').count();
              const late = Object.keys(localStorage).filter((key) => key.startsWith('margin-unsent.'));
              count.onsuccess = () => done(count.result + late.length);
              open.result.close();
            };
          }),
      ),
    )
    .toBe(0);
}

const IDS = ['LF', 'RF', 'LR', 'RR'] as const;

/** A new car as the quick start leaves it: four readings, two targets. Ends on its sheet. */
export async function quickStart(
  page: Page,
  name: string,
  readings: readonly string[],
  front: string,
  rear: string,
): Promise<string> {
  const id = randomUUID();
  const document = blankDocument('car', name);
  for (const corner of IDS)
    document.corners[corner] = {
      ...(document.corners[corner] ?? blankCorner('car', corner)),
      targetMm: Number(corner.endsWith('F') ? front : rear),
    };
  const entries = IDS.map((corner, k) => ({
    id: randomUUID(),
    at: new Date().toISOString(),
    label: `Height, ${CORNERS[k] ?? ''}`,
    undoOf: null,
    redoOf: null,
    type: 'fact',
    fact: { kind: 'height', round: 0, corner, slot: '1', mm: Number(readings[k]) },
    replaces: null,
  }));
  const made = await page.request.post('/api/jobs', { data: { id, document, entries } });
  expect([made.status(), await made.text()]).toEqual([201, expect.any(String)]);
  await visit(page, `/jobs/${id}/next`);
  // Where it leads is settled before anything else is gone to.
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}/(?!next)\\w+`));
  return id;
}

/** Starts turning and ticks everything off as told; gives the mm of seat that were turned in that round, by corner. */
export async function turnAsTold(
  page: Page,
  jobId: string,
  round: number,
): Promise<Partial<Record<CornerId, number>>> {
  const done = page.getByRole('button', { name: /^Done,/ });
  // It cannot be pressed for the moment that its chance is worked out anew.
  await expect(async () => {
    if (!(await done.first().isVisible()))
      await page.getByRole('button', { name: 'Start turning' }).click({ timeout: 2_000 });
    await expect(done.first()).toBeVisible({ timeout: 4_000 });
  }).toPass();
  while ((await done.count()) > 0) await done.first().click();
  await allSent(page);
  const record = (await (await page.request.get(`/api/jobs/${jobId}`)).json()) as JobRecord;
  return Object.fromEntries(
    record.entries.flatMap((entry): [CornerId, number][] =>
      entry.type === 'fact' &&
      entry.fact.kind === 'adjustment' &&
      entry.fact.round === round &&
      entry.fact.corner !== null
        ? [[entry.fact.corner, entry.fact.mm]]
        : [],
    ),
  );
}

const WHEELS = ['Front left', 'Front right', 'Rear left', 'Rear right'] as const;

/** Reads all four corners of a machine on wheels once, in the stage that is open. */
export async function readAll(page: Page, values: readonly number[]): Promise<void> {
  for (const [k, corner] of WHEELS.entries())
    await field(page, `${corner}, reading 1`).fill(String(values[k]));
  await page.keyboard.press('Tab');
}

/** Starts turning, ticks every wheel off as issued and goes on. */
export async function turnAll(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Start turning' }).click();
  for (const corner of WHEELS)
    await page.getByRole('button', { name: `Done, ${corner.toLowerCase()}` }).click();
  await page.getByTestId('next').click();
}

/** Locks a job whatever is open, with the reason that is then asked for. */
export async function lockAnyway(page: Page, reason: string): Promise<void> {
  const why = field(page, 'Why it goes out all the same');
  const lock = page.getByRole('button', { name: /^Lock it/ });
  await expect(lock).toBeVisible();
  await lock.click();
  if (await why.isVisible()) {
    await why.fill(reason);
    await lock.click();
  }
}

/** Has the sag bench show the fields for pressed and lifted. */
export async function pressAndLift(page: Page): Promise<void> {
  const way = page.getByLabel('pressed and lifted, which takes friction out', { exact: true });
  if (!(await way.isChecked())) await way.check();
}

/** Types into a field and leaves it. */
export async function put(page: Page, label: string, value: string | number): Promise<void> {
  await field(page, label).fill(String(value));
  await page.keyboard.press('Tab');
}

/** Opens a folded part of a sheet; one that is open stays so. */
export async function unfold(page: Page, title: RegExp): Promise<void> {
  const panel = page.getByRole('button', { name: title });
  if ((await panel.getAttribute('aria-expanded')) === 'false') await panel.click();
}

/** A job begun on New setup from what was read of its four wheels, in their order; ends on its sheet. */
export async function beginSetup(
  page: Page,
  machine: string,
  readings: readonly (number | null)[],
  more: () => Promise<void>,
): Promise<string> {
  await visit(page, `/new?class=${machine}`);
  for (const [k, corner] of WHEELS.entries()) {
    const mm = readings[k] ?? null;
    if (mm !== null) await put(page, `Measured height, ${corner.toLowerCase()}`, mm);
  }
  await more();
  await page.getByRole('button', { name: 'Start job' }).click();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+\/(?!next)/);
  return /\/jobs\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
}
