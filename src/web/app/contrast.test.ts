import { readFileSync } from 'node:fs';

const style = readFileSync('src/web/app/style.css', 'utf8');

/** The colours of a block of the style sheet, by name, each as three parts from 0 to 255. */
function colours(selector: string): Record<string, readonly number[]> {
  const block = style.slice(style.indexOf(`\n${selector} {`));
  const lines = block.slice(0, block.indexOf('}')).matchAll(/--([a-z-]+): #([0-9a-f]{6});/g);
  return Object.fromEntries(
    [...lines].map(([, name = '', hex = '']) => [
      name,
      [0, 2, 4].map((k) => parseInt(hex.slice(k, k + 2), 16)),
    ]),
  );
}

/** Relative luminance; the contrast of two is (L1 + 0.05) / (L2 + 0.05). Source: WCAG 2.2, "contrast ratio". */
function luminance(colour: readonly number[]): number {
  const [r = 0, g = 0, b = 0] = colour.map((part) => {
    const share = part / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: readonly number[], b: readonly number[]): number {
  const [light = 0, dark = 0] = [luminance(a), luminance(b)].sort((one, other) => other - one);
  return (light + 0.05) / (dark + 0.05);
}

test('black on white is 21, and nothing on itself is 1', () => {
  expect(contrast([0, 0, 0], [255, 255, 255])).toBeCloseTo(21, 9);
  expect(contrast([9, 90, 97], [9, 90, 97])).toBe(1);
});

describe.each([':root', ":root[data-theme='night']"])('the colours of %s', (selector) => {
  const colour = colours(selector);
  const pairs = ['ink', 'second', 'action', 'tight', 'short'].flatMap((text) =>
    ['ground', 'sheet', 'wash'].map((under): [string, string] => [text, under]),
  );
  test.each([...pairs, ['on-action', 'action']])('%s reads on %s', (text = '', under = '') => {
    expect(contrast(colour[text] ?? [], colour[under] ?? [])).toBeGreaterThanOrEqual(4.5);
  });
});
