import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, existsSync, mkdtempSync, openSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from './lib/cluster.mjs';
import { ensureBuild } from './lib/build.mjs';
import { seededRandom } from './lib/seededRandom.mjs';

/**
 * `npm run faults`: kills the server, PostgreSQL, one of its backends or `npm start` itself, 60 times in an order that a seed
 * decides, while entries are written. Every entry that was acknowledged must be there once in the end.
 * FAULTS=n and SEED=n choose how many and which.
 */
const KILLS = Number(process.env.FAULTS ?? 60);
const random = seededRandom(Number(process.env.SEED ?? 1));
const WRITERS = 3;

await ensureBuild();
const data = mkdtempSync(join(tmpdir(), 'margin-faults-'));
chmodSync(data, 0o755);
const port = await freePort();
const address = `http://127.0.0.1:${port}`;
const pause = (ms) => new Promise((done) => setTimeout(done, ms));

/** What it said of itself, in case it did not come back. */
const log = openSync(join(data, 'said.log'), 'a');
let app = begin();
let over = false;

function begin() {
  return spawn(process.execPath, ['scripts/start.mjs'], {
    env: {
      ...process.env,
      DATABASE_URL: '',
      MARGIN_DATA: data,
      PORT: String(port),
      WRITES_PER_MINUTE: '1000000',
    },
    stdio: ['ignore', log, log],
  });
}

/** s. Nothing takes longer to come back. */
const MOST_S = 60;

/** Asks until an answer comes through; a refusal, or none at all, is an error. */
async function surely(path, body) {
  for (const began = Date.now(); Date.now() - began < 1000 * MOST_S;) {
    const answer = await fetch(`${address}/api${path}`, {
      ...(body && {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      }),
      signal: AbortSignal.timeout(15_000),
    }).catch(() => null);
    if (answer?.ok) return answer.json();
    if (answer && answer.status < 500)
      throw new Error(`refused with ${answer.status}: ${await answer.text()}`);
    await pause(100);
  }
  throw new Error(`it did not come back in ${MOST_S} s; what it said is in ${data}`);
}

const children = (pid) => {
  const file = `/proc/${pid}/task/${pid}/children`;
  return existsSync(file) ? readFileSync(file, 'utf8').trim().split(' ').filter(Boolean).map(Number) : [];
};
const postmaster = () => {
  const note = join(data, 'postgres', 'data', 'postmaster.pid');
  return existsSync(note) ? Number(readFileSync(note, 'utf8').split('\n')[0]) : null;
};
/** A backend that serves Margin, by what it calls itself. */
const backends = () =>
  children(postmaster() ?? 0).filter((pid) => {
    const line = `/proc/${pid}/cmdline`;
    return existsSync(line) && readFileSync(line, 'utf8').includes('margin margin');
  });
const kill = (pid) => {
  try {
    if (pid) process.kill(pid, 'SIGKILL');
    return Boolean(pid);
  } catch {
    return false;
  }
};
const any = (list) => list[Math.floor(random() * list.length)];

const faults = {
  server: () => kill(any(children(app.pid))),
  PostgreSQL: () => kill(postmaster()),
  'a backend': () => kill(any(backends())),
  'npm start': async () => {
    const gone = new Promise((done) => app.once('exit', done));
    kill(app.pid);
    await gone;
    // Its server ends with it, and gives the port back.
    for (let tries = 0; tries < 100 && (await isTaken()); tries++) await pause(100);
    app = begin();
    return true;
  },
};

const isTaken = () =>
  fetch(`${address}/api/health`, { signal: AbortSignal.timeout(1000) }).then(
    () => true,
    () => false,
  );

/** Writes notes one after the other; gives the ids of those that were acknowledged. */
async function write(job, writer) {
  const acknowledged = [];
  for (let k = 0; !over; k++) {
    const entry = {
      id: randomUUID(),
      at: new Date().toISOString(),
      label: 'Note',
      undoOf: null,
      redoOf: null,
      type: 'fact',
      fact: {
        kind: 'note',
        round: 0,
        corner: null,
        slot: `w${writer}-${k}`,
        words: `note ${k} of ${writer}`,
      },
      replaces: null,
    };
    await surely(`/jobs/${job}/entries`, entry);
    acknowledged.push(entry.id);
    await pause(20);
  }
  return acknowledged;
}

await surely('/health');
const demo = readdirSync('demo').find((name) => name.endsWith('.json'));
const { document } = JSON.parse(readFileSync(join('demo', demo), 'utf8'));
const jobs = Array.from({ length: WRITERS }, () => randomUUID());
for (const id of jobs) await surely('/jobs', { id, document, entries: [] });
const writing = jobs.map(write);

const tally = {};
for (let done = 0; done < KILLS;) {
  await pause(300 + 1200 * random());
  const what = any(Object.keys(faults));
  if (!(await faults[what]())) continue;
  tally[what] = (tally[what] ?? 0) + 1;
  done++;
  // One thing dies at a time, mostly: now and then the next comes before it is up again.
  if (random() < 0.7) await surely('/health');
}
over = true;
let lost = 0;
let doubled = 0;
let all = 0;
for (const [k, acknowledged] of (await Promise.all(writing)).entries()) {
  const { entries } = await surely(`/jobs/${jobs[k]}`);
  for (const id of acknowledged) {
    const times = entries.filter((entry) => entry.id === id).length;
    lost += times === 0 ? 1 : 0;
    doubled += times > 1 ? 1 : 0;
    all++;
  }
}
app.kill('SIGTERM');
await new Promise((done) => app.once('exit', done));
rmSync(data, { recursive: true, force: true });
console.log(
  `killed: ${Object.entries(tally)
    .map(([what, times]) => `${what} ${times}`)
    .join(', ')}`,
);
console.log(`${all} entries acknowledged, ${lost} lost, ${doubled} doubled`);
process.exit(lost + doubled > 0 ? 1 : 0);
