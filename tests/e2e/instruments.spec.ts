import { WebSocketServer, type WebSocket } from 'ws';
import type { AddressInfo } from 'node:net';
import type { Page } from '@playwright/test';
import { expect, test, visit } from './app.ts';

/** An instrument that says what a test has it say, ten times a second. */
async function instrument() {
  const server = new WebSocketServer({ host: '127.0.0.1', port: 0 });
  await new Promise((done) => server.once('listening', done));
  let line: object | string | null = null;
  const say = (client: WebSocket) => line !== null && client.send(typeof line === 'string' ? line : JSON.stringify(line));
  const timer = setInterval(() => server.clients.forEach(say), 100);
  return {
    address: `ws://127.0.0.1:${(server.address() as AddressInfo).port}`,
    says: (next: object | string | null) => (line = next),
    sends: (one: object) => server.clients.forEach((client) => client.send(JSON.stringify(one))),
    end: () => {
      clearInterval(timer);
      server.clients.forEach((client) => client.terminate());
      server.close();
    },
  };
} // oxfmt-ignore

async function newCar(page: Page): Promise<void> {
  await visit(page, '/jobs/00000000-0000-4000-8000-000100000000/baseline');
  await expect(page.getByLabel('Front left, reading 3', { exact: true })).toBeVisible();
}

const listen = async (page: Page, address: string) => {
  await page.getByText('Read from an instrument').first().click();
  await page.getByLabel('Address of the instrument, on this machine').fill(address);
  await page.getByRole('button', { name: 'Listen there' }).click();
};

test('a height probe fills the field in hand, by a press, by its own button, and says what is wrong with it', async ({ page }) => {
  const probe = await instrument();
  try {
    await newCar(page);
    await listen(page, probe.address);
    const bar = page.getByRole('region', { name: 'From an instrument' });
    const field = page.getByLabel('Front left, reading 3', { exact: true });
    probe.says({ name: 'probe', unit: 'mm', value: 371.4 });
    await expect(bar).toContainText('Choose a field');
    await field.focus();
    await expect(bar).toContainText('steady');
    await bar.getByRole('button', { name: /^Use it: Front left/ }).click();
    await expect(field).toHaveValue(/371\.4/);
    // Its own button: the next field takes it, once.
    const next = page.getByLabel('Front right, reading 3', { exact: true });
    await next.focus();
    probe.says(null);
    probe.sends({ name: 'probe', unit: 'in', value: 14.5, sent: true });
    await expect(next).toHaveValue(/368\.3/);
    await expect(bar).toContainText('It sends in now, and sent mm before.');
    // It shakes, its battery runs out, it goes silent, nobody knows its unit.
    let k = 0;
    const shaking = setInterval(() => probe.sends({ name: 'probe', unit: 'mm', value: 368 + (k++ % 2 ? 1.5 : -1.5), battery: 0.08 }), 60);
    await expect(bar).toContainText('It shakes by');
    await expect(bar).toContainText('battery is nearly empty');
    clearInterval(shaking);
    await expect(bar).toContainText('Nothing has come from it for a while');
    await expect(bar.getByRole('button', { name: /^Use it/ })).toBeDisabled();
    probe.says({ name: 'probe', unit: 'furlong', value: 1 });
    await expect(bar).toContainText('nobody knows its unit “furlong”');
  } finally {
    probe.end();
  }
}); // oxfmt-ignore

test('a zero that has gone is told; what reads something else than the field takes is not used', async ({ page }) => {
  const caliper = await instrument();
  try {
    await newCar(page);
    await listen(page, caliper.address);
    const bar = page.getByRole('region', { name: 'From an instrument' });
    await page.getByLabel('Front left, reading 3', { exact: true }).focus();
    caliper.says({ name: 'caliper', unit: 'mm', value: 0.4 });
    await expect(bar).toContainText('steady');
    await bar.getByRole('button', { name: 'Set its zero here' }).click();
    caliper.says({ name: 'caliper', unit: 'mm', value: 0.55 });
    await expect(bar).toContainText('0.15');
    // The last of the old place has gone by then.
    await page.waitForTimeout(1000);
    await bar.getByRole('button', { name: 'Set its zero here' }).click();
    await expect(bar).toContainText('Its zero has gone by 0.15 mm');
    await bar.getByRole('button', { name: 'No instrument' }).click();
    await listen(page, caliper.address);
    caliper.says({ name: 'gauge', unit: 'bar', value: 2.3 });
    await page.getByLabel('Front left, reading 3', { exact: true }).focus();
    await expect(bar).toContainText('It reads a pressure; “Front left, reading 3” takes something else.');
  } finally {
    caliper.end();
  }
}); // oxfmt-ignore

test('a caliper that types: what it sends goes into the field, and on to the next', async ({ page }) => {
  await newCar(page);
  await page.getByLabel('Front left, reading 3', { exact: true }).focus();
  // As fast as such a device types.
  for (const sent of ['372.10', '370,4']) {
    for (const key of sent) await page.keyboard.press(key, { delay: 0 });
    await page.keyboard.press('Enter');
  }
  await expect(page.getByLabel('Front left, reading 3', { exact: true })).toHaveValue('372.1');
  await expect(page.getByLabel('Front right, reading 3', { exact: true })).toHaveValue('370.4');
});

test('a serial device of this browser: its bare numbers are taken as its button sends them, and it is waited for', async ({ ownPage: page }) => {
  await page.addInitScript(() => {
    const port = {
      readable: null as ReadableStream<Uint8Array> | null,
      open() {
        port.readable = new ReadableStream({
          start(controller) {
            const sendText = (text: string) => controller.enqueue(new TextEncoder().encode(text));
            Object.assign(window, { deviceSends: sendText, deviceEnds: () => controller.close() });
          },
        });
        return Promise.resolve();
      },
      close() {
        port.readable = null;
        return Promise.resolve();
      },
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port), getPorts: () => Promise.resolve([port]) } });
  });
  await newCar(page);
  await page.getByText('Read from an instrument').first().click();
  await page.getByRole('button', { name: 'A serial device' }).click();
  const field = page.getByLabel('Front left, reading 3', { exact: true });
  await field.focus();
  const sends = (text: string) => page.evaluate((one) => (window as unknown as { deviceSends: (text: string) => void }).deviceSends(one), text);
  await expect(page.getByRole('region', { name: 'From an instrument' })).toContainText('Nothing has come from it yet.');
  // In two pieces, as they come over a wire.
  await sends('+0372');
  await sends(',15 mm\r\n');
  await expect(field).toHaveValue(/372\.[12]/);
  await page.evaluate(() => (window as unknown as { deviceEnds: () => void }).deviceEnds());
  await expect(page.getByRole('region', { name: 'From an instrument' })).toContainText('No connection to the instrument');
  await expect(page.getByRole('region', { name: 'From an instrument' })).not.toContainText('No connection to the instrument');
}); // oxfmt-ignore
