import type { Browser, BrowserContext, Page } from '@playwright/test';

/** An address of the server that shows nothing of the application, from which a test begins. */
const NOWHERE = '/api/health';

/** One of the application that shows nothing but that there is nothing. */
const BETWEEN = '/between-tests';

/** What a browser keeps in which nothing was chosen and nothing is half typed. */
const USUALLY_KEPT: Readonly<Record<string, RegExp>> = {
  'margin-door': /"mode":"open"/,
  'margin-drafts': /"drafts":{}/,
};

export const isNowhere = (page: Page): boolean =>
  !page.url().startsWith('http') || page.url().endsWith(NOWHERE);

/** What every browser of the tests is like. */
const usual = { locale: 'en-GB', serviceWorkers: 'block', viewport: { width: 1280, height: 800 } } as const;

/** Tests that share a page before there is a new one: what it held is let go only with its process. */
const TESTS_A_PAGE = 20;

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
      await left(this.open);
      if (!(await this.isUntouched(this.open))) await cleared(this.open);
      return this.open;
    }
    await this.close();
    this.tests = 1;
    this.open = await (await ownContext(this.browser, this.baseURL)).newPage();
    return this.open;
  }

  /**
   * Whether the browser keeps nothing of what the last test did: then the page need not be loaded anew, which takes
   * longer than most of what is tried in it. It then shows a page of which nothing is left behind.
   */
  private async isUntouched(page: Page): Promise<boolean> {
    if (isNowhere(page) || !page.url().startsWith(`${this.baseURL}/`)) return false;
    // A sheet that was given as a link may not ask what is kept; a page that failed leads nowhere.
    return isLedTo(page, BETWEEN).catch(() => false);
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

/** Nobody listens to it any more, nothing stands in its way, and it is as wide as at first. */
async function left(page: Page): Promise<void> {
  const context = page.context();
  await Promise.all(context.pages().flatMap((other) => (other === page ? [] : [other.close()])));
  for (const heard of ['request', 'response', 'console', 'pageerror', 'dialog', 'download'])
    await page.removeAllListeners(heard, { behavior: 'ignoreErrors' });
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await context.unrouteAll({ behavior: 'ignoreErrors' });
  await context.setOffline(false);
  await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null, forcedColors: null });
  await page.setViewportSize(usual.viewport);
  await page.mouse.move(0, 0);
}

/** Whether nothing is kept, and the application shows the page at that address. */
async function isLedTo(page: Page, path: string): Promise<boolean> {
  const kept = await page.evaluate(() => [
    ...Object.entries(localStorage),
    ...Object.entries(sessionStorage),
  ]);
  if (!kept.every(([name, text]) => USUALLY_KEPT[name]?.test(text))) return false;
  await follow(page, path);
  await page.locator(`[data-page="${path}"]`).waitFor({ timeout: 2_000 });
  return true;
}

/** Goes to an address as a link of the application does: nothing is loaded anew. */
export async function follow(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
}

/** A page that was used before as one that was not: loaded anew, and nothing kept. */
async function cleared(page: Page): Promise<void> {
  await page.goto(NOWHERE);
  await page.evaluate(() => {
    localStorage.clear();
    sessionStorage.clear();
  });
  const inspector = await page.context().newCDPSession(page);
  const { origin } = new URL(page.url());
  await inspector.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await inspector.detach();
}
