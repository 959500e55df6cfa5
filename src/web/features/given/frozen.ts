/** What is on the page for whoever works with it, and not on paper. */
const NOT_ON_PAPER = 'button, input, select, textarea, script, title, dialog, [class~="print:hidden"]';

/** A part of the page as it stands, able to stand by itself: what is in it, and what it looks like. */
export async function frozen(part: HTMLElement): Promise<{ html: string; css: string }> {
  const copy = part.cloneNode(true) as HTMLElement;
  copy.querySelectorAll(NOT_ON_PAPER).forEach((one) => one.remove());
  copy.querySelectorAll('a').forEach((link) => link.replaceWith(...link.childNodes));
  await Promise.all([...copy.querySelectorAll('img')].map(carryAlong));
  return { html: copy.outerHTML, css: looks() };
}

/** Puts a picture into the page itself; one that cannot be read is left out. */
async function carryAlong(img: HTMLImageElement): Promise<void> {
  try {
    const blob = await (await fetch(img.src)).blob();
    img.src = await new Promise<string>((done, fail) => {
      const reader = new FileReader();
      reader.onload = () => done(reader.result as string);
      reader.onerror = () => fail(reader.error ?? new Error('expected a picture that can be read'));
      reader.readAsDataURL(blob);
    });
  } catch {
    img.remove();
  }
}

/** Everything the page looks like but its fonts, which a page that fetches nothing cannot have. */
function looks(): string {
  return [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule) => !(rule instanceof CSSFontFaceRule))
    .map(({ cssText }) => cssText)
    .join('\n');
}
