import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const check = (lines: string) => {
  const folder = mkdtempSync(join(tmpdir(), 'margin-units-'));
  const file = join(folder, 'some.ts');
  writeFileSync(file, lines);
  const { status, stderr } = spawnSync(process.execPath, ['scripts/units.mjs', file], { encoding: 'utf8' });
  rmSync(folder, { recursive: true });
  return {
    status,
    told: stderr
      .trim()
      .split('\n')
      .map((line) => line.replace(/^.*?some\.ts:/, '')),
  };
};

test('what is called mm is neither given kg nor added to it, nor is it a text', () => {
  const { status, told } = check(
    `interface Corner { heightMm: number; loadKg: number | null; noteMm: string }
     declare function raise(byMm: number): void;
     export function mix({ heightMm, loadKg }: Corner) {
       raise(loadKg ?? 0);
       const leftMm = heightMm > 3 ? heightMm : -(loadKg ?? 0);
       return { atMm: loadKg, sum: heightMm + (loadKg ?? 0), leftMm };
     }`,
  );
  expect(status).toBe(1);
  expect(told.map((line) => line.replace(/:.*/, ''))).toEqual(['1', '4', '5', '6', '6']);
  expect(told[0]).toContain('noteMm is no number');
  expect(told[1]).toContain('byMm is given kg');
});

test('a product, a ratio and what has its own unit pass', () => {
  const { status } = check(
    `export function fine(travelMm: number, rateNPerMm: number, ratio: number) {
       const forceN = travelMm * rateNPerMm;
       const atMm = travelMm / ratio;
       return { forceN, leftMm: Math.max(travelMm - atMm, 0) };
     }`,
  );
  expect(status).toBe(0);
});
