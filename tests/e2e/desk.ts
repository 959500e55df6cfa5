import type { Browser, BrowserContext, Page } from '@playwright/test';

/** An address of the server that shows nothing of the application, from which a test begins. */
const NOWHERE = '/api/health';

export const isNowhere = (page: Page): boolean =>
  !page.url().startsWith('http') || page.url().endsWith(NOWHERE);

/** What every browser of the tests is like. */
const usual = { locale: 'en-GB', serviceWorkers: 'block', viewport: { width: 1280, height: 800 } } as const;

/** Tests that share a page before there is a new one: what it held is let go only with its process. */
const TESTS_A_PAGE = 8;

/** What tests of one worker share: a page, new after so many of them. */
export class Desk {
  private readonly browser: Browser;
  private readonly baseURL: string;
  private open: Page | null = null;
  private tests = 0;

  constructor(browser: Browser, baseURL: string) {
    this.browser = browser;
    this.baseURL = baseURL;
  }

  /** An empty page for the next test. */
  async next(): Promise<Page> {
    if (this.open && ++this.tests <= TESTS_A_PAGE) {
      await cleared(this.open);
      return this.open;
    }
    await this.close();
    this.tests = 1;
    this.open = await (await ownContext(this.browser, this.baseURL)).newPage();
    return this.open;
  }

  async close(): Promise<void> {
    await this.open?.context().close();
    this.open = null;
  }
}

/** A browser of one's own: kept by nothing, known to nobody. */
export function ownContext(browser: Browser, baseURL: string): Promise<BrowserContext> {
  return browser.newContext({ ...usual, baseURL });
}

/**
 * A page that was used before as one that was not: nothing kept, nobody listening. It is loaded anew, but its program
 * need not be compiled again, which is half of what a new page costs.
 */
async function cleared(page: Page): Promise<void> {
  const context = page.context();
  await Promise.all(context.pages().flatMap((other) => (other === page ? [] : [other.close()])));
  for (const heard of ['request', 'response', 'console', 'pageerror', 'dialog', 'download'])
    await page.removeAllListeners(heard, { behavior: 'ignoreErrors' });
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await context.unrouteAll({ behavior: 'ignoreErrors' });
  await page.goto(NOWHERE);
  await page.evaluate(() => {
    localStorage.clear();
    sessionStorage.clear();
  });
  const inspector = await context.newCDPSession(page);
  const { origin } = new URL(page.url());
  await inspector.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await inspector.detach();
  await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null, forcedColors: null });
  await page.setViewportSize(usual.viewport);
  await page.mouse.move(0, 0);
}
