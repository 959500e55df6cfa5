import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const MIXED = `interface Corner { heightMm: number; loadKg: number | null; noteMm: string }
declare function raise(byMm: number): void;
export function mix({ heightMm, loadKg }: Corner) {
  raise(loadKg ?? 0);
  const leftMm = heightMm > 3 ? heightMm : -(loadKg ?? 0);
  return { atMm: loadKg, sum: heightMm + (loadKg ?? 0), leftMm };
}`;
const FINE = `export function fine(travelMm: number, rateNPerMm: number, ratio: number) {
  const forceN = travelMm * rateNPerMm;
  const atMm = travelMm / ratio;
  return { forceN, leftMm: Math.max(travelMm - atMm, 0) };
}`;

/** What is told of files, by their names; to read all types takes the same time for several as for one. */
function check(files: Record<string, string>) {
  const folder = mkdtempSync(join(tmpdir(), 'margin-units-'));
  const paths = Object.entries(files).map(([name, lines]) => {
    writeFileSync(join(folder, name), lines);
    return join(folder, name);
  });
  const { status, stderr } = spawnSync(process.execPath, ['scripts/units.mjs', ...paths], {
    encoding: 'utf8',
  });
  rmSync(folder, { recursive: true });
  const told = stderr
    .trim()
    .split('\n')
    .map((line) => line.replace(/^.*\//, ''));
  return { status, told };
}

test('what is called mm is neither given kg nor added to it, nor is it a text; a product, a ratio and its own unit pass', () => {
  const { status, told } = check({ 'fine.ts': FINE, 'mixed.ts': MIXED });
  expect(status).toBe(1);
  expect(told.map((line) => line.split(':').slice(0, 2).join(':'))).toEqual(
    ['1', '4', '5', '6', '6'].map((line) => `mixed.ts:${line}`),
  );
  expect(told[0]).toContain('noteMm is no number');
  expect(told[1]).toContain('byMm is given kg');
});
