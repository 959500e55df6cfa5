import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:https';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, startCluster, stopCluster, throwawayFolder } from '../scripts/lib/cluster.mjs';
import { ensurePostgres } from '../scripts/lib/debian.mjs';

const SECONDS = 60;
const PASSPHRASE = 'three blue springs hang';
const at = (values, share) => [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))];
const pause = (ms) => new Promise((done) => setTimeout(done, ms));

/**
 * A shop at work: ten tablets on one job and ten on ten others, an entry a second each for a minute, over https. Each hears of changes and
 * reads its job again. How long a save takes, and until the others have it.
 */
export async function benchTablets(line) {
  const shop = await openShop();
  try {
    const jobs = await Promise.all(Array.from({ length: 11 }, () => shop.newJob()));
    const tablets = await Promise.all(
      Array.from({ length: 20 }, (_, k) => shop.tablet(jobs[k < 10 ? 0 : k - 9])),
    );
    const ends = Date.now() + SECONDS * 1000;
    await Promise.all(tablets.map((tablet, k) => workAway(tablet, k, ends)));
    await pause(1500);
    await told(shop, jobs, tablets, line);
    tablets.forEach(({ end }) => end());
    await longJob(shop, line);
  } finally {
    await shop.close();
  }
}

async function workAway(tablet, k, ends) {
  await pause(50 * k);
  while (Date.now() < ends) {
    const began = Date.now();
    await tablet.write();
    await pause(Math.max(0, 1000 - (Date.now() - began)));
  }
}

async function told(shop, jobs, tablets, line) {
  const saves = tablets.flatMap(({ saves }) => saves);
  const written = new Map(tablets.flatMap(({ written }) => [...written]));
  const seen = tablets.flatMap((tablet) =>
    [...tablet.seen].flatMap(([id, when]) =>
      written.has(id) && !tablet.written.has(id) ? [when - written.get(id)] : [],
    ),
  );
  const kept = (await Promise.all(jobs.map(shop.entriesOf))).flat();
  const lost = [...written.keys()].filter((id) => !kept.includes(id)).length;
  const shared = tablets.slice(0, 10);
  const unseen = shared.reduce(
    (sum, one) =>
      sum +
      shared.flatMap(({ written: theirs }) => [...theirs.keys()]).filter((id) => !one.seen.has(id)).length,
    0,
  );
  line(
    `20 tablets, ${written.size} entries: save, 95 in 100`,
    `${at(saves, 0.95).toFixed(0)} ms`,
    'under 150 ms',
  );
  line('  median, slowest', `${at(saves, 0.5).toFixed(0)}, ${at(saves, 1).toFixed(0)} ms`, '');
  line('  seen on the others, 95 in 100', `${at(seen, 0.95).toFixed(0)} ms`, 'under 1000 ms');
  line('  lost, doubled, never seen', `${lost}, ${kept.length - new Set(kept).size}, ${unseen}`, 'none');
}

/** Whether a write takes longer for what was written before it. */
async function longJob(shop, line) {
  const tablet = await shop.tablet(await shop.newJob(), false);
  const save = async (count) => {
    tablet.saves.length = 0;
    for (let k = 0; k < count; k++) await tablet.write();
    return at(tablet.saves.slice(-60), 0.5);
  };
  const first = await save(60);
  const last = await save(1100);
  tablet.end();
  line('a save in a job of 60, of 1,160 entries', `${first.toFixed(1)}, ${last.toFixed(1)} ms`, 'no slower');
}

async function openShop() {
  const bin = await ensurePostgres();
  const folder = throwawayFolder();
  const { url } = await startCluster({ bin, folder, throwaway: true });
  const files = mkdtempSync(join(tmpdir(), 'margin-tablets-'));
  const port = await freePort();
  const env = { ...process.env, DATABASE_URL: url, NODE_ENV: 'production' };
  const set = spawn(process.execPath, ['dist/server/passphrase.js'], {
    env,
    stdio: ['pipe', 'ignore', 'inherit'],
  });
  set.stdin.end(`${PASSPHRASE}\n`);
  await new Promise((done) => set.once('exit', done));
  const more = { PORT: String(port), MARGIN_SHOP: '1', MARGIN_ADDRESS: '127.0.0.1', MARGIN_FILES: files };
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...env, ...more },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((done) =>
    server.stdout.on('data', (text) => String(text).includes('Margin is on') && done()),
  );
  const { root } = JSON.parse(readFileSync(join(files, 'certificate', 'authority.json'), 'utf8'));
  const office = visitor(port, root);
  await office.ask('POST', '/door/sign-in', { passphrase: PASSPHRASE, name: 'Office' });
  const { body: list } = await office.ask('GET', '/jobs?limit=1');
  const { body: model } = await office.ask('GET', `/jobs/${list.jobs[0].id}`);
  return {
    newJob: async () => {
      const id = randomUUID();
      await office.ask('POST', '/jobs', { id, document: { ...model.document, note: '' }, entries: [] });
      return id;
    },
    entriesOf: async (id) => (await office.ask('GET', `/jobs/${id}`)).body.entries.map((entry) => entry.id),
    tablet: async (job, listens = true) => {
      const { body } = await office.ask('POST', '/devices/codes', {});
      return tabletOn({ port, root, secret: body.secret, job, listens });
    },
    close: async () => {
      server.kill('SIGTERM');
      await new Promise((done) => server.once('exit', done));
      stopCluster({ bin, folder, throwaway: true });
      rmSync(files, { recursive: true, force: true });
    },
  };
}

function visitor(port, ca) {
  const agent = new Agent({ keepAlive: true, ca, servername: 'margin.local' });
  let cookie = '';
  const options = (method, path) => ({
    host: '127.0.0.1',
    port,
    agent,
    method,
    path: `/api${path}`,
    headers: {
      Host: `margin.local:${port}`,
      'Content-Type': 'application/json',
      ...(cookie && { Cookie: cookie }),
    },
  });
  const ask = (method, path, body) =>
    new Promise((done, fail) => {
      const asked = request(options(method, path), (answer) => {
        let text = '';
        cookie = answer.headers['set-cookie']?.[0].split(';')[0] ?? cookie;
        answer.on('data', (data) => (text += data));
        answer.on('end', () => done({ status: answer.statusCode, body: JSON.parse(text || 'null') }));
      });
      asked.on('error', fail);
      asked.end(body && JSON.stringify(body));
    });
  const listen = (hear) => {
    const asked = request(options('GET', '/events'), (answer) => {
      answer.on('error', () => undefined);
      answer.on('data', (data) => hear(String(data)));
    });
    asked.on('error', () => undefined);
    asked.end();
    return () => asked.destroy();
  };
  return { ask, listen, close: () => agent.destroy() };
}

async function tabletOn({ port, root, secret, job, listens }) {
  const { ask, listen, close } = visitor(port, root);
  await ask('POST', '/door/look', { secret, name: 'Tablet' });
  const written = new Map();
  const seen = new Map();
  const saves = [];
  let reading = false;
  let again = false;
  const readAgain = async () => {
    again = true;
    if (reading) return;
    reading = true;
    while (again) {
      again = false;
      const { body } = await ask('GET', `/jobs/${job}`);
      const now = Date.now();
      for (const { id } of body.entries) if (!seen.has(id)) seen.set(id, now);
    }
    reading = false;
  };
  const deaf = listens
    ? listen((text) => text.includes(job) && void readAgain().catch(() => undefined))
    : () => undefined;
  const write = async () => {
    const id = randomUUID();
    const fact = { kind: 'note', round: 0, corner: null, slot: id.slice(0, 13), words: 'front left again' };
    const base = { id, at: new Date().toISOString(), label: 'Note', undoOf: null, redoOf: null };
    const entry = { ...base, type: 'fact', fact, replaces: null };
    const began = performance.now();
    const { status, body } = await ask('POST', `/jobs/${job}/entries`, entry);
    if (status !== 201)
      throw new Error(`expected an entry to be kept, got ${status}: ${JSON.stringify(body)}`);
    saves.push(performance.now() - began);
    written.set(id, Date.now());
  };
  return { write, written, seen, saves, end: () => (deaf(), close()) };
}
