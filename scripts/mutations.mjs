import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import ts from 'typescript';

/**
 * Flips signs, factors and comparisons of the core, one at a time, in a copy of the tree, and reports which no unit test
 * notices. `npm run mutations [how many] [first seed] [path prefix]`; takes hours for all of them.
 */
const [count = '200', seed = '1', prefix = 'src/core/'] = process.argv.slice(2);
const swaps = {
  [ts.SyntaxKind.PlusToken]: ['-', 'sign'],
  [ts.SyntaxKind.MinusToken]: ['+', 'sign'],
  [ts.SyntaxKind.AsteriskToken]: ['/', 'factor'],
  [ts.SyntaxKind.SlashToken]: ['*', 'factor'],
  [ts.SyntaxKind.LessThanToken]: ['<=', 'comparison'],
  [ts.SyntaxKind.LessThanEqualsToken]: ['<', 'comparison'],
  [ts.SyntaxKind.GreaterThanToken]: ['>=', 'comparison'],
  [ts.SyntaxKind.GreaterThanEqualsToken]: ['>', 'comparison'],
};

/** Every place of a file that can be flipped: where, and what to write there. */
function placesOf(file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const places = [];
  const add = (node, to, kind) =>
    places.push({ file, from: node.getStart(source), until: node.getEnd(), to, kind, line: lineOf(node) });
  const lineOf = (node) => source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1;
  const saysText = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);
  const visit = (node) => {
    if (ts.isBinaryExpression(node)) {
      const swap = swaps[node.operatorToken.kind];
      if (swap && !saysText(node.left) && !saysText(node.right)) add(node.operatorToken, ...swap);
    }
    if (
      ts.isPrefixUnaryExpression(node) &&
      node.operator === ts.SyntaxKind.MinusToken &&
      !ts.isNumericLiteral(node.operand)
    )
      places.push({
        file,
        from: node.getStart(source),
        until: node.operand.getStart(source),
        to: '',
        kind: 'sign',
        line: lineOf(node),
      });
    if (!ts.isTypeNode(node)) ts.forEachChild(node, visit);
  };
  visit(source);
  return places;
}

/** Numbers in [0, 1) from a seed (mulberry32), so that a sample can be drawn again. */
function randomFrom(state) {
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const root = process.cwd();
const files = execFileSync('git', ['ls-files', prefix], { encoding: 'utf8' })
  .split('\n')
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'));
const random = randomFrom(Number(seed));
const sample = files
  .flatMap(placesOf)
  .map((place) => ({ place, key: random() }))
  .sort((a, b) => a.key - b.key)
  .slice(0, Number(count))
  .map(({ place }) => place);

const copy = mkdtempSync(join(tmpdir(), 'margin-mutations-'));
for (const file of execFileSync('git', ['ls-files'], { encoding: 'utf8' }).trim().split('\n'))
  cpSync(join(root, file), join(copy, file), { recursive: true });
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));

/** Whether tests fail, or never end. */
function fails(args) {
  const run = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      'node_modules/jest/bin/jest.js',
      '--selectProjects=unit',
      '--bail',
      '--silent',
      ...args,
    ],
    { cwd: copy, timeout: 300_000, stdio: 'ignore', killSignal: 'SIGKILL' },
  );
  return run.status !== 0;
}

if (fails(['--maxWorkers=100%'])) throw new Error('expected the tests to pass before anything is flipped');

const results = [];
for (const [k, place] of sample.entries()) {
  const path = join(copy, place.file);
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, text.slice(0, place.from) + place.to + text.slice(place.until));
  // Those beside it first: they are quick and mostly notice.
  const noticed =
    fails(['--passWithNoTests', '--testPathPatterns', `${dirname(place.file)}/`]) ||
    fails(['--findRelatedTests', place.file]);
  writeFileSync(path, text);
  results.push({ ...place, noticed });
  const written = text.slice(place.from, place.until).trim();
  console.log(
    `${k + 1} ${noticed ? 'noticed' : 'NOT NOTICED'} ${place.kind} ${place.file}:${place.line} ${written} to ${place.to || 'nothing'}`,
  );
}
rmSync(copy, { recursive: true });

const share = (kinds) => {
  const own = results.filter(({ kind }) => kinds.includes(kind));
  const noticed = own.filter((one) => one.noticed).length;
  return `${noticed} of ${own.length} noticed (${own.length ? ((100 * noticed) / own.length).toFixed(1) : '-'} %)`;
};
console.log(`signs and factors: ${share(['sign', 'factor'])}`);
console.log(`comparisons: ${share(['comparison'])}`);
