const FRAMES = 180;

/**
 * A seat moved a little in every frame, four corners cut open on the sheet and up to four setups in the lab: how long the
 * frames then take.
 */
export async function benchDrag({ app, browser, line }) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 1100 } })).newPage();
  await page.goto(`${app.address}/jobs/00000000-0000-4000-8000-000200000000/plan`);
  await page.getByRole('button', { name: /^Spring cross-section/ }).click();
  await page.getByRole('slider', { name: 'Seat, front left' }).waitFor();
  await told(page, 'Seat, front left', 'sheet, four corners cut open: frame', line);
  await page.goto(`${app.address}/stack`);
  for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Copy to compare' }).click();
  await page.locator('.legend .traces').nth(3).waitFor();
  await told(page, 'Seat', 'stack lab, four setups drawn: frame', line);
  await page.context().close();
}

async function told(page, label, name, line) {
  const run = () =>
    page.evaluate(
      ([which, count]) =>
        new Promise((done) => {
          const times = [];
          const works = [];
          let last = performance.now();
          const step = () => {
            const now = performance.now();
            times.push(now - last);
            last = now;
            const seat = document.querySelector(`[role=slider][aria-label="${which}"]`);
            const key = Math.floor(times.length / 12) % 2 === 0 ? 'ArrowDown' : 'ArrowUp';
            const began = performance.now();
            seat.dispatchEvent(new window.KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
            // The page has drawn what the key did once a task after this frame runs.
            const channel = new window.MessageChannel();
            channel.port1.onmessage = () => works.push(performance.now() - began);
            channel.port2.postMessage(null);
            if (times.length < count) requestAnimationFrame(step);
            else setTimeout(() => done({ times: times.slice(10), works: works.slice(10) }), 100);
          };
          requestAnimationFrame(step);
        }),
      [label, FRAMES],
    );
  await run();
  const { times, works } = await run();
  const at = (values, share) => [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))];
  line(`${name}, median`, `${at(times, 0.5).toFixed(1)} ms`, '60 a second: 16.7 ms');
  line('  nine in ten within', `${at(times, 0.9).toFixed(1)} ms`, '');
  line('  work a movement takes, median', `${at(works, 0.5).toFixed(1)} ms`, '');
}
