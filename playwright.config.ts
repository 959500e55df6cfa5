import { defineConfig } from '@playwright/test';
// A plain script without types.
// @ts-expect-error no declarations
import { chromiumPath } from './scripts/lib/debian.mjs';

const SHOP = '**/shop.spec.ts';

/**
 * Browser tests: the built application on a throw-away database, in Debian's Chromium. Held at Playwright 1.59: from 1.60 on
 * every expectation that does not hold yet writes out the whole page, at every try.
 */
export default defineConfig({
  testDir: 'tests/e2e',
  // A machine that does other work beside is slow: that is no fault of what is tested.
  timeout: 120_000,
  expect: { timeout: 20_000, toPass: { timeout: 60_000 } },
  // Each worker brings its own server and database.
  workers: 2,
  // A long file is shared among them too.
  fullyParallel: true,
  // A test that passes only the second time is named by `npm test`, and does not stop it.
  retries: 1,
  reporter: [['line'], ['json', { outputFile: process.env.RESULTS_FILE ?? '.margin/browser.json' }]],
  // The shop's tests wait more than they work: `npm test` has them run beside others.
  projects: [
    { name: 'pages', testIgnore: SHOP },
    { name: 'shop', testMatch: SHOP },
  ],
  use: {
    // What cannot be done is told as that, and not as a test that took too long.
    actionTimeout: 30_000,
    // Dates are written as the reader writes them.
    locale: 'en-GB',
    // Only the tests of working without the server have the browser keep the program.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: chromiumPath(),
      // Compiling beside the page gains nothing where every core has a page already.
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-gpu',
        '--js-flags=--single-threaded',
      ],
    },
  },
});
