import { asDataUrl } from '../../api/asDataUrl.ts';

/** What is on the page for whoever works with it, and not on paper. */
const NOT_ON_PAPER = 'button, input, select, textarea, script, title, dialog, [class~="print:hidden"]';

/** A part of the page as it stands, able to stand by itself: what is in it, and what it looks like. */
export async function frozen(part: HTMLElement): Promise<{ html: string; css: string }> {
  const copy = part.cloneNode(true) as HTMLElement;
  copy.querySelectorAll(NOT_ON_PAPER).forEach((one) => one.remove());
  copy.querySelectorAll('a').forEach((link) => link.replaceWith(...link.childNodes));
  copy.querySelectorAll('.fraction').forEach(setApart);
  await Promise.all([...copy.querySelectorAll('img')].map(carryAlong));
  return { html: copy.outerHTML, css: await looks() };
}

/** Puts a picture into the page itself; one that cannot be read is left out. */
async function carryAlong(img: HTMLImageElement): Promise<void> {
  const data = await asData(img.src);
  if (data) img.src = data;
  else img.remove();
}

/** Whole and fraction are told apart by the font alone: where it is missing, 18⅜ must not become 183/8. */
function setApart(fraction: Element): void {
  const gap = fraction.previousElementSibling;
  if (gap?.textContent.trim() === '') gap.replaceWith('\u2009');
}

/** Everything the page looks like, with the letters of its own font in it. */
async function looks(): Promise<string> {
  const rules = [...document.styleSheets].flatMap((sheet) => [...sheet.cssRules]);
  const texts = await Promise.all(
    rules.map((rule) => (rule instanceof CSSFontFaceRule ? fontInside(rule) : rule.cssText)),
  );
  return texts.filter((text) => text !== null).join('\n');
}

/** A font with its file in it, if it is the one with the usual letters; others are many, and seldom wanted. */
async function fontInside(rule: CSSFontFaceRule): Promise<string | null> {
  if (!/U\+0{0,3}0?-0{0,2}FF/i.test(rule.style.getPropertyValue('unicode-range'))) return null;
  const address = /url\("?([^")]+)"?\)/.exec(rule.cssText)?.[1];
  const data = address && (await asData(new URL(address, rule.parentStyleSheet?.href ?? location.href).href));
  return data ? rule.cssText.replace(address, data) : null;
}

/** What is at an address as text that can stand in a page; null where it cannot be read. */
async function asData(address: string): Promise<string | null> {
  try {
    return await asDataUrl(await (await fetch(address)).blob());
  } catch {
    return null;
  }
}
