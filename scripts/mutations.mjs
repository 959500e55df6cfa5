import { execFile, execFileSync } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { flippablePlaces, switchedText } from './lib/flips.mjs';
import { seededRandom } from './lib/seededRandom.mjs';

/**
 * Flips signs, factors and comparisons of the core, one at a time, and reports which no unit test notices.
 * `npm run mutations [how many] [first seed] [path prefix] [leave out test files that take more seconds than this]`.
 *
 * All flips are written into one copy of the tree, each behind a switch, so that nothing is compiled twice; a first run
 * records which test file passes by which flip, and only those are run for it, those beside it first.
 */
const [count = '200', seed = '1', prefix = 'src/core/', most = 'Infinity'] = process.argv.slice(2);
const root = process.cwd();
const tracked = execFileSync('git', ['ls-files'], { encoding: 'utf8' }).trim().split('\n');
const random = seededRandom(Number(seed));
const sample = tracked
  .filter((file) => file.startsWith(prefix) && file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file) => flippablePlaces(file, readFileSync(file, 'utf8')))
  .map((place) => ({ place, key: random() }))
  .sort((a, b) => a.key - b.key)
  .slice(0, Number(count))
  .map(({ place }, id) => ({ ...place, id }));

const copy = mkdtempSync(join(tmpdir(), 'margin-mutations-'));
const hits = join(copy, '.hits');
for (const file of tracked) cpSync(join(root, file), join(copy, file), { recursive: true });
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
mkdirSync(hits);
for (const file of new Set(sample.map((place) => place.file))) {
  const own = sample.filter((place) => place.file === file);
  writeFileSync(join(copy, file), switchedText(file, readFileSync(join(root, file), 'utf8'), own));
}
writeFileSync(
  join(copy, 'flipSwitch.cjs'),
  `const fs = require('node:fs');
const active = Number(process.env.FLIP ?? -1);
const seen = new Uint8Array(${sample.length});
globalThis.__flipped = active >= 0 ? (id) => id === active : (id) => { seen[id] = 1; return false; };
const began = Date.now();
if (active < 0) afterAll(() => {
  const { testPath } = expect.getState();
  fs.writeFileSync(${JSON.stringify(hits)} + '/' + testPath.replaceAll('/', '+') + '.json',
    JSON.stringify({ testPath, ms: Date.now() - began, seen: [...seen.keys()].filter((id) => seen[id]) }));
});
`,
);
writeFileSync(
  join(copy, 'asGiven.cjs'),
  `const Sequencer = require('@jest/test-sequencer').default;
module.exports = class extends Sequencer {
  sort(tests) {
    const order = (process.env.FLIP_ORDER ?? '').split(':');
    return [...tests].sort((a, b) => order.indexOf(a.path) - order.indexOf(b.path));
  }
};
`,
);
const config = (await import(join(root, 'jest.config.mjs'))).default.projects[0];
writeFileSync(
  join(copy, 'flips.config.json'),
  JSON.stringify({ ...config, rootDir: copy, setupFilesAfterEnv: ['<rootDir>/flipSwitch.cjs'] }),
);

/** Runs the tests given and says whether they pass; they fail, too, when they never end. */
function tests(args, env, minutes) {
  return new Promise((resolve) => {
    execFile(
      process.execPath,
      ['node_modules/jest/bin/jest.js', '--config', 'flips.config.json', '--silent', ...args],
      {
        cwd: copy,
        timeout: minutes * 60_000,
        killSignal: 'SIGKILL',
        maxBuffer: 1 << 28,
        env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules', ...env },
      },
      (error, _, said) => resolve({ pass: !error, said: error?.signal ?? said }),
    );
  });
}

const before = await tests(['--maxWorkers=100%'], {}, 20);
if (!before.pass)
  throw new Error(
    `expected the tests to pass before anything is flipped, got\n${before.said.slice(Math.max(before.said.indexOf('FAIL'), before.said.length - 4000))}`,
  );
const testFiles = readdirSync(hits).map((name) => JSON.parse(readFileSync(join(hits, name), 'utf8')));

/** Tests beside a file mostly notice; after them those that pass by the most in the least time. */
function besideFirst({ file }, a, b) {
  const beside = ({ testPath }) => (testPath.includes(`/${dirname(file)}/`) ? 0 : 1);
  const perPlace = ({ ms, seen }) => ms / seen.length;
  return beside(a) - beside(b) || perPlace(a) - perPlace(b);
}

/** Most comparisons differ only where two figures are equal: the quick tests alone look for those. */
const mostFor = ({ kind }) => (kind === 'comparison' ? Math.min(Number(most), 2) : Number(most));

/** Flips one place, runs the tests that pass by it, and says whether one of them fails. */
async function tried(place) {
  const passing = testFiles
    .filter(({ seen, ms }) => seen.includes(place.id) && ms <= 1000 * mostFor(place))
    .sort((a, b) => besideFirst(place, a, b))
    .map(({ testPath }) => testPath);
  const noticed =
    passing.length > 0 &&
    !(
      await tests(
        [
          '--runInBand',
          '--bail',
          '--testSequencer',
          join(copy, 'asGiven.cjs'),
          '--runTestsByPath',
          ...passing,
        ],
        { FLIP: String(place.id), FLIP_ORDER: passing.join(':') },
        5,
      )
    ).pass;
  const verdict = noticed ? 'noticed' : passing.length > 0 ? 'NOT NOTICED' : 'NEVER RUN';
  console.log(
    `${place.id + 1} ${verdict} ${place.kind} ${place.file}:${place.line} ${place.written} to ${place.flipped}`,
  );
  return { ...place, noticed };
}

const waiting = [...sample];
const results = [];
const works = async () => {
  for (let place = waiting.shift(); place; place = waiting.shift()) results.push(await tried(place));
};
await Promise.all(Array.from({ length: availableParallelism() }, works));
rmSync(copy, { recursive: true });

const share = (kinds) => {
  const own = results.filter(({ kind }) => kinds.includes(kind));
  const noticed = own.filter((one) => one.noticed).length;
  return `${noticed} of ${own.length} noticed (${own.length ? ((100 * noticed) / own.length).toFixed(1) : '-'} %)`;
};
console.log(`signs and factors: ${share(['sign', 'factor'])}`);
console.log(`comparisons: ${share(['comparison'])}`);
