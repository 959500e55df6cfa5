import { createHash, randomUUID, X509Certificate } from 'node:crypto';
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { makeNetwork, type Host, type Network } from '../fixtures/hosts.ts';
import { plainDocument, settled } from '../fixtures/records.ts';
import { wheelPicture } from '../fixtures/wheelPictures.ts';

/** The shop's server, an office and tablets, each a host of its own, over https and a network of the test's own. */
test.describe.configure({ mode: 'serial' });
test.skip(process.getuid?.() !== 0, 'hosts of their own are made by root');

const PASSPHRASE = 'three blue springs hang';
const PORT = 4180;
const SHOP = `https://margin.local:${PORT}`;
const DUNLIN = '00000000-0000-4000-8000-000100000000';

let network: Network;
let server: Host;
let data: string;
let program: ChildProcess;
let said = '';
let root: string;
/** The office's browser and a tablet's, which later tests go on with: each is a host of its own. */
let office: Page;
let tablet: Page;
const browsers: Browser[] = [];

/** Waits until the program has said something. */
async function heard(words: RegExp): Promise<RegExpExecArray> {
  await expect.poll(() => words.test(said), { timeout: 60_000 }).toBe(true);
  return words.exec(said) as RegExpExecArray;
}

function begin(): void {
  said = '';
  const env = { ...process.env, DATABASE_URL: '', MARGIN_DATA: data, MARGIN_SHOP: '', PORT: String(PORT) };
  program = spawn('ip', ['netns', 'exec', server.name, process.execPath, 'scripts/start.mjs', '--shop'], {
    env,
  });
  program.stdout?.on('data', (text: Buffer) => (said += text.toString()));
  program.stderr?.on('data', (text: Buffer) => (said += text.toString()));
}

async function end(): Promise<void> {
  if (program.exitCode !== null) return;
  const gone = new Promise((done) => program.once('exit', done));
  program.kill('SIGTERM');
  await gone;
}

async function on(host: Host, trusts: string | null = root): Promise<BrowserContext> {
  const browser = await network.browser(host, trusts);
  browsers.push(browser);
  return browser.newContext({
    viewport: { width: 1100, height: 800 },
    locale: 'en-GB',
    serviceWorkers: 'allow',
  });
}

async function comeIn(page: Page, name: string): Promise<void> {
  await page.goto(SHOP);
  await page.getByLabel('What this device is called').fill(name);
  await page.getByLabel('Passphrase of the shop').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByText('Curlew').first()).toBeVisible();
}

test.beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'margin-shop-'));
  chmodSync(data, 0o755);
  network = makeNetwork();
  server = network.add('server');
  begin();
  await heard(/no passphrase has been set/);
});
test.afterAll(async () => {
  for (const browser of browsers) await browser.close();
  await end();
  network.end();
  rmSync(data, { recursive: true, force: true });
});

test('the network is served once a passphrase has been set at the computer, and not before', async () => {
  const stranger = network.add('stranger');
  const reach = () => {
    try {
      stranger.run('curl', '-sk', '-m', '3', `https://${server.address}:${PORT}/`);
      return true;
    } catch {
      return false;
    }
  };
  expect(reach()).toBe(false);
  server.run(
    'sh',
    '-c',
    `echo '${PASSPHRASE}' | MARGIN_DATA=${data} DATABASE_URL= node scripts/passphrase.mjs`,
  );
  await heard(/a new tablet opens/);
  expect(reach()).toBe(true);
});

test('a tablet fetches the root, and its fingerprint is the one on the computer’s screen', async () => {
  const tablet = network.add('lift1');
  const [, door = ''] = await heard(/a new tablet opens +(http:\/\/\S+)/);
  const [, first = '', second = ''] = await heard(/must show \(SHA-256\):\n +(\S+)\n +(\S+)/);
  expect(door).toBe(`http://${server.address}:${PORT + 1}`);
  const page = await (await on(tablet, null)).newPage();
  await page.goto(door);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link').first().click()]);
  const chunks: Buffer[] = [];
  for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
  root = Buffer.concat(chunks).toString();
  const shown = createHash('sha256').update(new X509Certificate(root).raw).digest('hex').toUpperCase();
  expect((first + second).replaceAll(':', '')).toBe(shown);
  network.name('margin.local', server);
  // Whoever has not come to trust it gets no page.
  await expect(page.goto(SHOP)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/);
});

test('whoever asks on the network where the shop’s name is gets its address', () => {
  const asking = network.add('asks');
  const ask = `
    const mdns = require('multicast-dns')();
    mdns.on('response', ({ answers }) => {
      const found = answers.find(({ name, type }) => name === 'margin.local' && type === 'A');
      if (found) { console.log(found.data); process.exit(0); }
    });
    setInterval(() => mdns.query('margin.local', 'A'), 300);
    setTimeout(() => process.exit(1), 10_000);`;
  expect(asking.run(process.execPath, '-e', ask).trim()).toBe(server.address);
});

test('on a tablet over https there is a camera to ask for, and a picture of a wheel is read and taken', async () => {
  const page = await (await on(network.add('camera'))).newPage();
  await comeIn(page, 'Camera');
  const wheel = await wheelPicture(7);
  const id = randomUUID();
  const document = plainDocument((edit) => {
    edit.machine.class = 'car';
    edit.corners.LF.reference.kind = 'hub-arch';
    Object.assign(edit.corners.LF, { targetMm: 330, rimMm: Math.round(wheel.rimMm) });
  });
  const status = await page.evaluate(async (body) => {
    const headers = { 'Content-Type': 'application/json' };
    return (await fetch('/api/jobs', { method: 'POST', headers, body })).status;
  }, JSON.stringify({ id, document, entries: [settled(0)] })); // oxfmt-ignore
  expect(status).toBe(201);
  await page.goto(`${SHOP}/jobs/${id}/picture/LF`);
  await expect(page.getByRole('button', { name: 'Use the camera' })).toBeVisible();
  expect(await page.evaluate(() => isSecureContext && 'getUserMedia' in navigator.mediaDevices)).toBe(true);
  const file = { name: 'wheel.jpg', mimeType: 'image/jpeg', buffer: wheel.jpeg };
  await page.getByLabel('Open a picture').setInputFiles(file);
  const verdict = page.getByTestId('picture-verdict');
  await expect(verdict).toContainText('±');
  expect(Math.abs(Number.parseFloat(await verdict.innerText()) - wheel.archMm)).toBeLessThan(4);
  await page.getByRole('button', { name: 'Take as reading 1' }).click();
  await expect(page.getByTestId('pictures-taken')).toContainText('by picture');
  await expect(page.getByRole('button', { name: /^Read the picture/ })).toBeVisible();
});

test('two devices work on one job, each sees at once what the other types, and a lost one is shut out', async () => {
  office = await (await on(network.add('office'))).newPage();
  await comeIn(office, 'Office');

  const lift = await (await on(network.add('lift2'))).newPage();
  await lift.goto(`${SHOP}/jobs/${DUNLIN}/baseline`);
  await lift.getByLabel('What this device is called').fill('Lift two');
  await lift.getByRole('button', { name: 'Show six digits' }).click();
  const digits = await lift.getByTestId('digits').innerText();

  await office.getByRole('link', { name: 'Settings' }).click();
  await office.getByLabel('Name', { exact: true }).fill('Ada');
  await office.getByRole('button', { name: 'Add' }).first().click();
  await office.getByLabel('The six digits it shows').fill(digits);
  await office.getByRole('button', { name: 'Who is that?' }).click();
  await expect(office.getByText(/Lift two at 10\.77\.0\./)).toBeVisible();
  await office.getByRole('button', { name: 'Let it in' }).click();
  const row = office.locator('[data-device="Lift two"]');
  await row.getByLabel('Who Lift two is with').selectOption('Ada');

  const reading = 'Front left, reading 3';
  await expect(lift.getByLabel(reading, { exact: true })).toBeVisible();
  // It learns who it is with when it asks next.
  await lift.reload();
  await lift.getByLabel(reading, { exact: true }).fill('541');
  await lift.getByLabel(reading, { exact: true }).blur();
  const watcher = await office.context().newPage();
  await watcher.goto(`${SHOP}/jobs/${DUNLIN}/baseline`);
  await expect(watcher.getByLabel(reading, { exact: true })).toHaveValue('541');
  await expect(watcher.getByTitle(/^Undo: .*, by Ada/)).toBeVisible();
  await watcher.getByLabel(reading, { exact: true }).fill('542');
  await watcher.getByLabel(reading, { exact: true }).blur();
  await expect(lift.getByLabel(reading, { exact: true })).toHaveValue('542');

  await row.getByRole('button', { name: 'Remove' }).click();
  await row.getByRole('button', { name: 'Yes, remove it' }).click();
  await expect(lift.getByRole('heading', { name: 'This device was removed from the shop' })).toBeVisible();
  expect(await lift.evaluate(() => ({ ...localStorage }))).toEqual({});
  // Neither what was read nor what was typed is left in the browser's databases.
  const left = () =>
    lift.evaluate(async () => [
      ...(await indexedDB.databases()).map(({ name }) => name),
      ...(await caches.keys()),
    ]);
  await expect.poll(left).toEqual([]);
  await lift.reload();
  await expect(lift.getByRole('heading', { name: 'This device is not in yet' })).toBeVisible();
});

test('a code that was filmed lets one tablet in; the second is told, and shows digits instead', async () => {
  const made = await office.evaluate(async () => {
    const headers = { 'Content-Type': 'application/json' };
    const answer = await fetch('/api/devices/codes', { method: 'POST', headers, body: '{}' });
    return ((await answer.json()) as { secret: string }).secret;
  });
  const film = async (name: string) => {
    const page = await (await on(network.add(name))).newPage();
    await page.goto(`${SHOP}/pair#${made}`);
    await page.getByRole('button', { name: 'Come in by the code' }).click();
    return page;
  };
  const first = await film('lift5');
  await expect(first.getByText('Curlew').first()).toBeVisible();
  const second = await film('lift6');
  await expect(second.getByRole('alert')).toContainText('Ask again');
  await second.getByRole('button', { name: 'Show six digits' }).click();
  await expect(second.getByTestId('digits')).toHaveText(/^\d{3} \d{3}$/);
});

test('a tablet out of touch opens the pages it saw, says so, and what is typed there is kept until it is back', async () => {
  const context = await on(network.add('lift3'));
  tablet = await context.newPage();
  const page = tablet;
  await comeIn(page, 'Lift three');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.goto(`${SHOP}/jobs/${DUNLIN}/bay`);
  await page.goto(`${SHOP}/jobs/${DUNLIN}/baseline`);
  const reading = page.getByLabel('Front right, reading 3', { exact: true });
  await expect(reading).toBeVisible();
  await end();

  await page.goto(`${SHOP}/jobs/${DUNLIN}/bay`);
  await expect(page.getByText('Back to the sheet')).toBeVisible();
  await page.goto(`${SHOP}/jobs/${DUNLIN}/baseline`);
  await expect(page.getByText(/Out of touch since/)).toBeVisible();
  await reading.fill('553');
  await reading.blur();
  await expect(page.getByTestId('unsent')).toContainText('1 entry unsent, kept here');
  await page.reload();
  await expect(reading).toHaveValue('553');

  begin();
  await heard(/a new tablet opens/);
  await expect(page.getByTestId('unsent')).toBeEmpty({ timeout: 30_000 });
  await expect(page.getByText(/Out of touch since/)).toBeHidden();
  const other = await context.newPage();
  await other.goto(`${SHOP}/jobs/${DUNLIN}/baseline`);
  await expect(other.getByLabel('Front right, reading 3', { exact: true })).toHaveValue('553');
});

test('a newer program is offered while somebody works, and used once it is said so', async () => {
  const page = tablet;
  await page.goto(`${SHOP}/jobs/${DUNLIN}/baseline`);
  const reading = page.getByLabel('Front right, reading 3', { exact: true });
  await reading.fill('551');
  const program = 'dist/web/sw.js';
  const before = readFileSync(program);
  try {
    writeFileSync(program, `${before.toString()}\n// A newer one.\n`);
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
    await expect(page.getByText('A newer Margin is here.')).toBeVisible();
    // Nothing is taken from under the hand of whoever types.
    await expect(reading).toHaveValue('551');
    await page.evaluate(() => Object.assign(window, { stillThis: true }));
    await page.getByRole('button', { name: 'Use it now' }).click();
    await expect.poll(() => page.evaluate(() => 'stillThis' in window).catch(() => true)).toBe(false);
    await expect(page.getByText('A newer Margin is here.')).toBeHidden();
    await expect(reading).toHaveValue('551');
  } finally {
    writeFileSync(program, before);
  }
});

test('a page of another site, also one that takes the server’s address for its own, reads and writes nothing', async () => {
  const evil = network.add('evil');
  network.name('evil.test', evil);
  const site = spawn('ip', [
    'netns', 'exec', evil.name, process.execPath, '-e',
    `require('http').createServer((q, a) => a.setHeader('Content-Type', 'text/html').end('<p>wheels')).listen(${PORT}, '${evil.address}')`,
  ]); // oxfmt-ignore
  try {
    const foreign = await office.context().newPage();
    await expect
      .poll(() =>
        foreign.goto(`http://evil.test:${PORT}/`).then(
          () => true,
          () => false,
        ),
      )
      .toBe(true);
    const tried = await foreign.evaluate(async (shop) => {
      const what: string[] = [];
      for (const [method, path] of [
        ['GET', '/api/jobs'],
        ['POST', '/api/jobs'],
        ['GET', '/api/door'],
      ] as const)
        what.push(
          await fetch(shop + path, {
            method,
            credentials: 'include',
            ...(method === 'POST' && { body: '{}' }),
          }).then(
            async (answer) => `${answer.status} ${await answer.text()}`,
            () => 'nothing',
          ),
        );
      const socket = await new Promise((done) => {
        const one = new WebSocket(`${shop.replace('https', 'wss')}/instruments/simulated`);
        one.onopen = () => done('open');
        one.onerror = () => done('nothing');
      });
      return [...what, socket];
    }, SHOP);
    expect(tried).toEqual(['nothing', 'nothing', 'nothing', 'nothing']);
  } finally {
    site.kill();
  }
});
