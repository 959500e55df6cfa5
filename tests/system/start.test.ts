import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plainDocument } from '../fixtures/records.ts';
import {
  alive,
  childrenOf,
  freePort,
  postgresPid,
  startScript,
  type Started,
} from '../fixtures/processes.ts';

/** `npm start` as a whole: its database, its ports, its end, and coming back after the worst. */
const data = mkdtempSync(join(tmpdir(), 'margin-start-'));
chmodSync(data, 0o755);
const started: Started[] = [];
const demoJobs = readdirSync('demo').filter((name) => name.endsWith('.json')).length;

afterAll(async () => {
  // Also those that a failed test left behind: they would hold the run for ever.
  for (const one of started) one.child.kill('SIGTERM');
  await Promise.all(started.map(({ ended }) => ended));
  rmSync(data, { recursive: true, force: true });
});

const start = async (env: Record<string, string> = {}) => {
  const app = await startScript({ MARGIN_DATA: data, PORT: String(await freePort()), ...env });
  started.push(app);
  return app;
};
const jobs = async (address: string) =>
  ((await (await fetch(`${address}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] }).jobs;
const addJob = async (address: string, name: string) => {
  const body = JSON.stringify({
    id: randomUUID(),
    document: plainDocument((document) => (document.name = name)),
    entries: [],
  });
  const response = await fetch(`${address}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body,
  });
  expect(response.status).toBe(201);
};

jest.setTimeout(120_000);

test('the first start loads the demo jobs, says where it is, and ends cleanly with its database', async () => {
  const app = await start();
  expect(app.output()).toContain(`Loaded ${demoJobs} demo jobs`);
  expect(app.output()).toContain(`Margin is on ${app.address}`);
  const names = (await jobs(app.address)).map(({ name }) => name);
  expect(names).toHaveLength(demoJobs);
  expect(names).toEqual(expect.arrayContaining(['Curlew', 'Dunlin', 'Saltmarsh Lady']));
  const page = await (await fetch(app.address)).text();
  expect(page).toContain('<div id="root">');
  const script = /assets\/index-[\w-]+\.js/.exec(page)?.[0];
  const { headers } = await fetch(`${app.address}/${script}`, { headers: { 'Accept-Encoding': 'br' } });
  expect(headers.get('content-encoding')).toBe('br');
  expect(headers.get('cache-control')).toContain('immutable');
  const database = postgresPid(data);
  expect(database && alive(database)).toBe(true);

  app.child.kill('SIGINT');
  expect(await app.ended).toBe(0);
  expect(database && alive(database)).toBe(false);
});

test('after everything is killed at once it comes back with nothing lost', async () => {
  const first = await start();
  await addJob(first.address, 'Survivor');
  const database = postgresPid(data) ?? 0;
  const pid = first.child.pid ?? 0;
  for (const victim of [pid, ...childrenOf(pid), database]) process.kill(victim, 'SIGKILL');
  await first.ended;

  const second = await start();
  const names = (await jobs(second.address)).map(({ name }) => name);
  expect(names).toContain('Survivor');
  // An existing database is not given the demo jobs again.
  expect(names).toHaveLength(demoJobs + 1);
  expect(second.output()).not.toMatch(/demo jobs/);
  second.child.kill('SIGTERM');
  expect(await second.ended).toBe(0);
});

test('a database that was left running is taken up, and stopped at the end', async () => {
  const first = await start();
  const database = postgresPid(data) ?? 0;
  const pid = first.child.pid ?? 0;
  for (const victim of [pid, ...childrenOf(pid)]) process.kill(victim, 'SIGKILL');
  await first.ended;
  expect(alive(database)).toBe(true);

  const second = await start();
  expect(postgresPid(data)).toBe(database);
  expect(await jobs(second.address)).toHaveLength(demoJobs + 1);
  second.child.kill('SIGTERM');
  await second.ended;
  expect(alive(database)).toBe(false);
});

test('two starts share the database; the first to end leaves it to the other', async () => {
  const first = await start();
  const second = await startScript({ MARGIN_DATA: data, PORT: String(await freePort()) });
  first.child.kill('SIGTERM');
  expect(await first.ended).toBe(0);
  expect(await jobs(second.address)).toHaveLength(demoJobs + 1);
  second.child.kill('SIGTERM');
  expect(await second.ended).toBe(0);
  expect(postgresPid(data)).toBeNull();
});

/** Asks until it is answered as wanted. */
async function until<T>(ask: () => Promise<T>, isRight: (got: T) => boolean): Promise<T> {
  for (;;) {
    const got = await ask().catch(() => null);
    if (got !== null && isRight(got)) return got;
    await new Promise((done) => setTimeout(done, 100));
  }
}

test('a server or a PostgreSQL that is killed is started again, and what was kept is there', async () => {
  const app = await start();
  await addJob(app.address, 'Before the worst');
  const [server = 0] = childrenOf(app.child.pid ?? 0);
  process.kill(server, 'SIGKILL');
  // While the database is away the answer is a problem, which has no jobs.
  const named = (all: { name: string }[] | undefined) =>
    all?.some(({ name }) => name === 'Before the worst') ?? false;
  await until(() => jobs(app.address), named);
  expect(childrenOf(app.child.pid ?? 0)).not.toContain(server);
  const database = postgresPid(data) ?? 0;
  process.kill(database, 'SIGKILL');
  await until(
    async () => postgresPid(data),
    (pid) => pid !== null && pid !== database && alive(pid),
  );
  await until(() => jobs(app.address), named);
  await addJob(app.address, 'After it');
  expect(app.output()).toMatch(/The server has ended.*PostgreSQL has ended/s);
  app.child.kill('SIGTERM');
  expect(await app.ended).toBe(0);
  expect(postgresPid(data)).toBeNull();
});

test('a start that is killed takes its server with it, and the next start has the port', async () => {
  const app = await start();
  const [server = 0] = childrenOf(app.child.pid ?? 0);
  process.kill(app.child.pid ?? 0, 'SIGKILL');
  await app.ended;
  await until(
    async () => alive(server),
    (still) => !still,
  );
  const next = await start({ PORT: new URL(app.address).port });
  expect(next.output()).toContain(`Margin is on ${app.address}`);
  next.child.kill('SIGTERM');
  expect(await next.ended).toBe(0);
});

test('a taken port is told with what to do', async () => {
  const port = await freePort();
  const taken = createServer();
  await new Promise<void>((done) => taken.listen(port, '127.0.0.1', done));
  const app = await startScript({ MARGIN_DATA: data, PORT: String(port) });
  expect(await app.ended).toBe(1);
  expect(app.output()).toContain(`Port ${port} is taken`);
  expect(app.output()).toMatch(/PORT=\d+ npm start/);
  await new Promise((done) => taken.close(done));
});

test('a port that is none is refused in words', async () => {
  const app = await startScript({ MARGIN_DATA: data, PORT: 'harbour' });
  expect(await app.ended).toBe(1);
  expect(app.output()).toContain('PORT must be a whole number from 1 to 65535');
});

test('DATABASE_URL names another PostgreSQL, which is used and left running', async () => {
  const base = process.env.MARGIN_TEST_DATABASE ?? '';
  const app = await start({ DATABASE_URL: base });
  expect(await jobs(app.address)).toHaveLength(demoJobs);
  expect(postgresPid(data)).toBeNull();
  app.child.kill('SIGTERM');
  expect(await app.ended).toBe(0);
  const again = await start({ DATABASE_URL: base });
  expect(await jobs(again.address)).toHaveLength(demoJobs);
});
