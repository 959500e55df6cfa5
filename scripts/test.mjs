import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, constants } from 'node:os';
import { ensureChromium, ensureHosts, ensureNginx, ensurePostgres } from './lib/debian.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';

/**
 * `npm test`: sets up, then runs every stage, one summary line each. A failure prints the stage's own output and how to
 * run it alone. `npm test -- unit server` runs the named stages only.
 */
const totals = { passed: 0, failed: 0 };

/** One process of one Jest project: the stages that run side by side share the cores among them. */
const jest = (name, { project = name, config = 'jest.together.config.mjs' } = {}) => {
  const file = `.margin/${project}.json`;
  return {
    name,
    label: project,
    file,
    command: [
      'npx',
      'jest',
      `--config=${config}`,
      `--selectProjects=${project}`,
      '--maxWorkers=1',
      '--json',
      `--outputFile=${file}`,
    ],
    count: () => countJest(file),
  };
};
const check = (script) => ({
  name: script.replace(':check', ''),
  command: ['npm', 'run', '--silent', script],
});
const cores = availableParallelism();

/** One project of the browser's tests. */
const playwright = (name, project) => {
  const file = `.margin/${name}.json`;
  return {
    name,
    file,
    command: ['npx', 'playwright', 'test', `--project=${project}`],
    env: { RESULTS_FILE: file },
    count: () => countPlaywright(file),
    remarks: () => playwrightRemarks(file),
  };
};

/** What is tried as built. */
const BUILT = ['system', 'shop', 'browser'];

/** Those that start servers and wait for them, side by side; then the browser. */
const first = [jest('server'), jest('system', { config: 'jest.config.mjs' }), playwright('shop', 'shop')];
const browser = playwright('browser', 'pages');

/** Those that only calculate: they take what the others leave while they wait, and slow nothing that is waited for. */
const behind = [
  ...['unit1', 'unit2', 'hooks'].map((project) => jest('unit', { project })),
  ...['units', 'types', 'boundaries', 'lint', 'words', 'format:check'].map(check),
].map((stage) => ({ ...stage, priority: constants.priority.PRIORITY_LOW }));
const stages = [...behind, ...first, browser];

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
  const { code, output } = await run(stage.command[0], stage.command.slice(1), {
    env: { ...process.env, ...stage.env },
    priority: stage.priority,
  });
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
  console.log(
    `${(stage.label ?? stage.name).padEnd(11)} ${tests}  (${((Date.now() - began) / 1000).toFixed(1)} s)`,
  );
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
  console.log(`No such stage. There are: ${[...new Set(stages.map(({ name }) => name))].join(', ')}`);
  process.exit(2);
}
await ensurePackages();
const needs = (...names) => chosen.some(({ name }) => names.includes(name));
if (needs('server', ...BUILT)) await ensurePostgres();
if (needs('system')) await ensureNginx();
if (needs('shop', 'browser')) {
  await ensureChromium();
  await ensureHosts();
}
// Built beside those that need nothing of it.
const built = needs(...BUILT) ? ensureBuild() : Promise.resolve();
mkdirSync('.margin', { recursive: true });
for (const { file } of stages) if (file) rmSync(file, { force: true });
/** Works through a list of stages, which several may do at once. */
async function workThrough(list) {
  for (let stage = list.shift(); stage; stage = list.shift()) {
    if (BUILT.includes(stage.name)) await built;
    await runStage(stage);
  }
}
const [before, after] = [first, behind].map((list) => list.filter((stage) => chosen.includes(stage)));
const lanes = (list) => Promise.all(Array.from({ length: cores }, () => workThrough(list)));
const waitedFor = async () => {
  await lanes(before);
  if (chosen.includes(browser)) await workThrough([browser]);
  // What is left then has the machine for itself.
  await lanes(after);
};
await Promise.all([waitedFor(), workThrough(after)]);
await built;
console.log(`${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed === 0 ? 0 : 1);
