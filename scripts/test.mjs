import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureChromium, ensurePostgres } from './lib/debian.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';

/**
 * `npm test`: sets up, then runs every stage, one summary line each. A failure prints the stage's own output and how to
 * run it alone. `npm test -- unit server` runs the named stages only.
 */
const totals = { passed: 0, failed: 0 };

const jest = (project, ...more) => ({
  command: [
    'npx',
    'jest',
    '--selectProjects',
    project,
    '--json',
    `--outputFile=.margin/${project}.json`,
    ...more,
  ],
  count: () => countJest(`.margin/${project}.json`),
});

const stages = [
  { name: 'types', reads: true, command: ['npm', 'run', '--silent', 'types'] },
  { name: 'lint', reads: true, command: ['npm', 'run', '--silent', 'lint'] },
  { name: 'boundaries', reads: true, command: ['npm', 'run', '--silent', 'boundaries'] },
  { name: 'units', reads: true, command: ['npm', 'run', '--silent', 'units'] },
  { name: 'format', reads: true, command: ['npm', 'run', '--silent', 'format:check'] },
  // Arithmetic alone: every core may work. Jest itself would leave one idle.
  { name: 'unit', ...jest('unit', '--maxWorkers=100%') },
  { name: 'server', ...jest('server') },
  { name: 'build', work: () => ensureBuild() },
  { name: 'system', ...jest('system') },
  {
    name: 'browser',
    command: ['npx', 'playwright', 'test'],
    count: () => countPlaywright('.margin/browser.json'),
    remarks: () => playwrightRemarks('.margin/browser.json'),
  },
];

function countJest(file) {
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(file, 'utf8'));
  // A suite that could not even load has no tests to count.
  return { passed: numPassedTests, failed: numFailedTests || numFailedTestSuites };
}

function countPlaywright(file) {
  const { expected, unexpected, flaky } = JSON.parse(readFileSync(file, 'utf8')).stats;
  return { passed: expected + flaky, failed: unexpected };
}

/** Tests that failed at least once, each with the first lines of why. */
function playwrightRemarks(file) {
  const walk = (suite) => [
    ...(suite.suites ?? []).flatMap(walk),
    ...suite.specs.flatMap((spec) =>
      spec.tests
        .filter(({ status }) => status === 'unexpected' || status === 'flaky')
        .map(({ status, results }) => {
          const why = results.find(({ error }) => error)?.error.message ?? 'no reason given';
          const said = status === 'flaky' ? 'passed only the second time' : 'failed';
          return `${said}: ${spec.file}:${spec.line} ${spec.title}\n${why.split('\n').slice(0, 12).join('\n')}`;
        }),
    ),
  ];
  return JSON.parse(readFileSync(file, 'utf8')).suites.flatMap(walk);
}

async function runStage(stage) {
  const began = Date.now();
  if (stage.work) await stage.work();
  const { code, output } = stage.command
    ? await run(stage.command[0], stage.command.slice(1))
    : { code: 0, output: '' };
  const counts = counted(stage, code);
  totals.passed += counts.passed;
  totals.failed += counts.failed;
  const tests = stage.count
    ? `${counts.passed} passed, ${counts.failed} failed`
    : counts.failed
      ? 'failed'
      : 'ok';
  if (counts.failed > 0) console.log(`${output}\nRun it alone: npm test -- ${stage.name}`);
  for (const remark of remarksOf(stage)) console.log(remark);
  console.log(`${stage.name.padEnd(11)} ${tests}  (${((Date.now() - began) / 1000).toFixed(1)} s)`);
}

/** Each stage without tests of its own counts as one check. */
function counted(stage, code) {
  const plain = { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
  if (!stage.count) return plain;
  try {
    const counts = stage.count();
    return code !== 0 && counts.failed === 0 ? { ...counts, failed: 1 } : counts;
  } catch {
    return { passed: 0, failed: 1 };
  }
}

function remarksOf(stage) {
  try {
    return stage.remarks?.() ?? [];
  } catch {
    return [];
  }
}

const asked = process.argv.slice(2);
const chosen = asked.length === 0 ? stages : stages.filter(({ name }) => asked.includes(name));
if (chosen.length === 0) {
  console.log(`No such stage. There are: ${stages.map(({ name }) => name).join(', ')}`);
  process.exit(2);
}
await ensurePackages();
const needs = (...names) => chosen.some(({ name }) => names.includes(name));
if (needs('server', 'system', 'browser')) await ensurePostgres();
if (needs('browser')) await ensureChromium();
if (needs('system', 'browser')) await ensureBuild();
mkdirSync('.margin', { recursive: true });
for (const project of ['unit', 'server', 'system', 'browser'])
  rmSync(`.margin/${project}.json`, { force: true });
// What only reads the sources runs side by side; what measures itself against a database or a browser runs by itself.
const reading = chosen.filter(({ reads }) => reads);
await Promise.all(reading.map(runStage));
for (const stage of chosen) if (!stage.reads) await runStage(stage);
console.log(`${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed === 0 ? 0 : 1);
