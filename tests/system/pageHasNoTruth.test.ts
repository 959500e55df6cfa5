import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const FOLDER = 'dist/web/assets';

test('what draws practice machines is in the server’s program, and in no file of the page', () => {
  // What a machine that cannot be drawn fails with: a sentence survives every squeezing.
  const drawn = /expected one fit machine in/;
  expect(readFileSync('dist/server/main.js', 'utf8')).toMatch(drawn);
  const page = readdirSync(FOLDER).filter((name) => name.endsWith('.js'));
  expect(page.length).toBeGreaterThan(10);
  expect(page.filter((name) => drawn.test(readFileSync(join(FOLDER, name), 'utf8')))).toEqual([]);
});
