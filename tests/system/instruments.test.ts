import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { WebSocket } from 'ws';
import { readGaugeLine, type GaugeReading } from '#core/gauge/line.ts';
import { simulatedKinds } from '#core/gauge/simulatedInstruments.ts';

const PROGRAM = 'dist/instruments/main.js';
const started: ChildProcess[] = [];
afterEach(() => {
  for (const child of started.splice(0)) child.kill('SIGKILL');
});

/** Starts a program of its own on a free port; where it listens. */
function start(...words: string[]): Promise<{ address: string; child: ChildProcess; said: () => string }> {
  const child = spawn(process.execPath, [PROGRAM, ...words, '--port', '0']);
  started.push(child);
  let said = '';
  return new Promise((done, fail) => {
    child.stdout.on('data', (chunk: Buffer) => {
      said += String(chunk);
      const address = /ws:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
      if (address) done({ address, child, said: () => said });
    });
    child.once('exit', (code) => fail(new Error(`expected it to go on, it ended with ${code}: ${said}`)));
  });
}

/** The next lines from an address. */
function lines(address: string, count: number): Promise<string[]> {
  const socket = new WebSocket(address);
  const all: string[] = [];
  return new Promise((done, fail) => {
    socket.once('error', fail);
    socket.on('message', (data: Buffer) => {
      all.push(...data.toString().split('\n').filter(Boolean));
      if (all.length < count) return;
      socket.terminate();
      done(all.slice(0, count));
    });
  });
}

const readings = (texts: readonly string[]) =>
  texts.map((text) => {
    const line = readGaugeLine(text);
    if (!line.ok) throw new Error(`not a line: ${text}`);
    return line.value;
  });

test.each(simulatedKinds)('a simulated %s is a program of its own that speaks the protocol', async (kind) => {
  const { address } = await start(kind);
  const all = readings(await lines(address, 5));
  expect(new Set(all.map(({ name, kind: of }) => `${name} ${of}`)).size).toBe(1);
  for (const one of all) expect(one.value).not.toBe(0);
});

test('its faults are as asked for: another unit, a low battery, noise, a wrong unit', async () => {
  const { address } = await start('probe', '--unit', 'in', '--battery', '0.1', '--noise', '20');
  const all = readings(await lines(address, 20));
  expect(all[0]).toMatchObject({ unit: 'in', battery: 0.1 });
  expect(all[0]?.value).toBeGreaterThan(300);
  const steps = all.slice(1).map((one, k) => Math.abs(one.value - (all[k] as GaugeReading).value));
  expect(steps.reduce((sum, one) => sum + one, 0) / steps.length).toBeGreaterThan(0.5);
  const wrong = await start('caliper', '--unit', 'furlong');
  const [text = ''] = await lines(wrong.address, 1);
  expect(readGaugeLine(text).ok).toBe(false);
});

test('a session is written down and streamed again as it came', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'margin-session-')), 'session.jsonl');
  const { address } = await start('probe');
  const recorder = spawn(process.execPath, [PROGRAM, 'record', address, file]);
  started.push(recorder);
  const written = () => (existsSync(file) ? readFileSync(file, 'utf8').trim().split('\n') : []);
  while (written().length < 6) await new Promise((done) => setTimeout(done, 100));
  const ended = new Promise((done) => recorder.once('exit', done));
  recorder.kill('SIGINT');
  await ended;
  const recorded = written().map((text) => JSON.parse(text) as { at: number; line: string });
  expect(recorded.length).toBeGreaterThan(4);
  const again = await start('replay', file, '--times', '5');
  const streamed = await lines(again.address, recorded.length);
  // Over and over: it may be joined in the middle, and several of its lines may be alike.
  const sent = recorded.map(({ line }) => line);
  expect(sent.map((_, from) => [...sent.slice(from), ...sent.slice(0, from)])).toContainEqual(streamed);
}); // oxfmt-ignore

test('a file that is no session is refused, with the line', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'margin-session-')), 'wrong.jsonl');
  writeFileSync(file, '{"at": 0, "line": "x"}\n{"at": "soon"}\n');
  const child = spawn(process.execPath, [PROGRAM, 'replay', file]);
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += String(chunk)));
  expect(await new Promise((done) => child.once('exit', done))).toBe(2);
  expect(said).toMatch(/line 2: expected \{"at"/);
});

/** A terminal that stands for a serial device: what is written to it is what the device sends. */
function pseudoTerminal(): Promise<{ path: string; send: (text: string) => void }> {
  const child = spawn('script', ['-qfc', 'tty; stty raw -echo; sleep 60', '/dev/null']);
  started.push(child);
  return new Promise((done) =>
    child.stdout.once('data', (chunk: Buffer) =>
      // A moment for it to leave off writing back what comes.
      setTimeout(() => done({ path: String(chunk).trim(), send: (text) => child.stdin.write(text) }), 300),
    ),
  );
}

test('a serial device is passed on: bare numbers, numbers with units, lines of the protocol; rubbish is said', async () => {
  const { path, send } = await pseudoTerminal();
  const { address, said } = await start('serial', path, '--name', 'caliper 2', '--unit', 'mm');
  const waiting = lines(address, 4);
  for (let k = 0; !said().includes('Reading') && k < 50; k++)
    await new Promise((done) => setTimeout(done, 100));
  await new Promise((done) => setTimeout(done, 200));
  send('70.05\r\n');
  send('+0066,20 mm\r\nErr 7\r\n2.750 in\r\n');
  send('{"name":"probe","unit":"cm","value":36.5,"steady":true}\r\n');
  const all = readings(await waiting);
  expect(all.map(({ name, value, sent }) => [name, Math.round(value * 100) / 100, sent])).toEqual([
    ['caliper 2', 70.05, true],
    ['caliper 2', 66.2, true],
    ['caliper 2', 69.85, true],
    ['probe', 365, false],
  ]);
  for (let k = 0; !said().includes('Err 7') && k < 50; k++)
    await new Promise((done) => setTimeout(done, 100));
  expect(said()).toContain('Not a reading: Err 7');
});

test('a device that is not there is said, and waited for', async () => {
  const { said } = await start('serial', '/dev/nothing-here');
  for (let k = 0; !said().includes('Trying again') && k < 50; k++)
    await new Promise((done) => setTimeout(done, 100));
  expect(said()).toContain('/dev/nothing-here cannot be opened');
});
