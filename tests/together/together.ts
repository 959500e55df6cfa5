import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';

/**
 * Files of tests run in one another's company: by itself each one loads all that it tries and begins cold, which takes
 * two fifths of the time. Run alone, as while working on one, they are what they are here.
 */
export function together(files: readonly string[]): void {
  for (const file of files)
    describe(file, () => {
      // Named only here, and read while its tests are gathered.
      // oxlint-disable-next-line typescript/no-require-imports
      require(resolve(file));
    });
}

/** Every file of tests under a folder. */
export function testsUnder(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .sort();
}

/** Whether a file asks for a page without a browser. */
export const wantsPage = (file: string): boolean =>
  readFileSync(file, 'utf8').startsWith('/** @jest-environment jsdom */');

/** Parts that take about as long as each other: what is longer takes longer. */
export function inParts(files: readonly string[], count: number): string[][] {
  const parts = Array.from({ length: count }, () => ({ size: 0, files: [] as string[] }));
  const sized = files.map((file) => ({ file, size: statSync(file).size })).sort((a, b) => b.size - a.size);
  for (const { file, size } of sized) {
    const lightest = parts.reduce((least, part) => (part.size < least.size ? part : least));
    lightest.size += size;
    lightest.files.push(file);
  }
  return parts.map((part) => part.files);
}
