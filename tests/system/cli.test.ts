import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { hideVehicle, measure } from '../fixtures/shop.ts';

/** Runs the built command. */
function margin(args: readonly string[], input = '') {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['bin/margin.mjs', ...args], {
    input,
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
}

interface Example {
  command: string;
  lines: string[];
  code: number;
}

/** The console blocks of a page: what is typed, what must come out (`...` stands for any lines), how it ends. */
function examplesIn(file: string): Example[] {
  const blocks = [...readFileSync(file, 'utf8').matchAll(/```console\n\$ npx (.+)\n([\s\S]*?)```/g)];
  return blocks.map(([, command = '', output = '']) => {
    const lines = output.trimEnd().split('\n');
    const code = Number(/^# exit (\d)$/.exec(lines.at(-1) ?? '')?.[1] ?? 0);
    return { command, lines: code ? lines.slice(0, -1) : lines, code };
  });
}

const examples = examplesIn('docs/cli.md');

test('the page has an example of every command', () => {
  const commands = examples.map(({ command }) => command.split(' ')[1]);
  expect([...new Set(commands)].sort()).toEqual(['learn', 'plan', 'rounds', 'solve', 'stack']);
});

test('it says which version it is, as the package and the list of changes do', () => {
  const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };
  expect(margin(['--version'])).toEqual({ status: 0, stdout: `margin ${version}\n`, stderr: '' });
  expect(readFileSync('CHANGELOG.md', 'utf8')).toContain(`\n## ${version}\n`);
});

test.each(examples)('$command gives what docs/cli.md says', ({ command, lines, code }) => {
  const [words = '', from] = command.split(' < ');
  const { status, stdout } = margin(words.split(' ').slice(1), from ? readFileSync(from, 'utf8') : '');
  expect(status).toBe(code);
  const actual = stdout.trimEnd().split('\n');
  let at = 0;
  let loose = false;
  for (const line of lines) {
    if (line === '...') {
      loose = true;
      continue;
    }
    const found = loose ? actual.indexOf(line, at) : at;
    expect(actual[found]).toBe(line);
    at = found + 1;
    loose = false;
  }
  if (!loose) expect(at).toBe(actual.length);
});

describe('what is wrong is told by its place', () => {
  const folder = mkdtempSync(join(tmpdir(), 'margin-cli-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const written = (name: string, content: unknown) => {
    const file = join(folder, name);
    writeFileSync(file, typeof content === 'string' ? content : JSON.stringify(content));
    return file;
  };
  const dunlin = JSON.parse(readFileSync('demo/1-dunlin.json', 'utf8')) as {
    document: { corners: { LF: Record<string, unknown> } } & Record<string, unknown>;
    entries: unknown[];
  };
  let spoiltSoFar = 0;
  const spoilt = (edit: (job: typeof dunlin) => void) => {
    const job = structuredClone(dunlin);
    edit(job);
    return written(`job-${++spoiltSoFar}.json`, job);
  };

  test.each<[string, string[], RegExp]>([
    ['no such file', ['solve', join(folder, 'none.json')], /there is no such file/],
    ['no JSON', ['solve', written('text.json', '{ not')], /is not JSON/],
    [
      'a figure out of range',
      ['plan', spoilt((job) => (job.document.corners.LF.ratio = 40))],
      /document\.corners\.LF\.ratio: .*<= 1\.5/,
    ],
    [
      'a field that is missing',
      ['plan', spoilt((job) => delete job.document.corners.LF.pitchMm)],
      /document\.corners\.LF\.pitchMm: got nothing/,
    ],
    [
      'a table that turns back',
      [
        'plan',
        spoilt(
          (job) =>
            (job.document.corners.LF.ratioFrom = {
              kind: 'table',
              rows: [
                [0, 0],
                [90, 50],
                [80, 60],
              ],
            }),
        ),
      ],
      /corners\.LF\.ratioFrom\.rows\[2\]\[0\]: got 80, expected a number above 90/,
    ],
    ['no readings', ['plan', spoilt((job) => (job.entries = []))], /no height readings/],
    [
      'a stack that contradicts itself',
      [
        'stack',
        written('s.json', {
          schema: 'margin-stack',
          schemaVersion: 1,
          strokeMm: 90,
          springs: [{ rateNPerMm: 30, freeLengthMm: 100, solidLengthMm: 120 }],
        }),
      ],
      /springs\[0\]\.solidLengthMm: got 120 mm, expected less than the free length of 100 mm/,
    ],
    ['a step that is none', ['stack', 'docs/examples/stack.json', '--step', '0'], /--step: got 0/],
    ['a command that is none', ['paint'], /unknown command/],
  ])('%s', (_, args, words) => {
    const { status, stdout, stderr } = margin(args);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
    expect(stdout).toBe('');
    expect(status).toBe(2);
  });

  test('a bad line does not stop the lines after it', () => {
    const good = { id: 2, vehicle: 9, nominal: hideVehicle(4).nominal, history: [measure(hideVehicle(4))] };
    const bad = { ...good, id: 1, nominal: { ...good.nominal, tolerance: 'wide' } };
    const { status, stdout } = margin(
      ['rounds'],
      ['no json', JSON.stringify(bad), JSON.stringify(good), ''].join('\n'),
    );
    const [first, second, third] = stdout
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);
    expect(first).toMatchObject({ id: null, error: [{ path: '' }] });
    expect(second).toMatchObject({ id: 1, error: [{ path: 'nominal.tolerance', got: '"wide"' }] });
    expect(third).toMatchObject({ id: 2, adjust: { F: expect.any(Number), R: expect.any(Number) } });
    expect(status).toBe(2);
  });
});

test('a file of version 1 is read as it was meant', () => {
  const job = JSON.parse(readFileSync('demo/2-saltmarsh-lady.json', 'utf8')) as {
    document: Record<string, unknown>;
  };
  const without = (value: unknown, ...keys: string[]) =>
    Object.fromEntries(Object.entries(value as object).filter(([key]) => !keys.includes(key)));
  const document = without(job.document, 'cases', 'loads', 'bars', 'settlingMm');
  const machine = without(job.document.machine, 'massKg', 'frontShare');
  const keep = ['reference', 'targetMm', 'ratio', 'pitchMm', 'travelMm', 'stopMm', 'collar'];
  const corners = Object.fromEntries(
    Object.entries(job.document.corners as Record<string, Record<string, unknown>>).map(([id, corner]) => [
      id,
      Object.fromEntries(keep.map((key) => [key, corner[key]])),
    ]),
  );
  const first = { ...job, document: { ...document, schemaVersion: 1, machine, corners, ownNote: 'kept' } };
  const { status, stdout } = margin(['plan', '-'], JSON.stringify(first));
  expect(status).toBe(0);
  expect((JSON.parse(stdout) as { corners: unknown[] }).corners).toHaveLength(4);
});
