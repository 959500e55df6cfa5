import { openDB, type DBSchema } from 'idb';
import { create } from 'zustand';
import type { ConflictBody, JobAnswer, NewJob } from '#contract/api.ts';
import type { Problem } from '#contract/problems.ts';
import { upgradedEntry } from '#core/document/upgradeFact.ts';
import { migrateJob } from '#core/document/migrate.ts';
import type { Entry } from '#core/document/types.ts';
import { useDoor } from './door.ts';
import { useKeeping } from './keeping.ts';
import { ApiProblem, callApi, holdsAll } from './client.ts';
import { jot, jotted, unjot } from './journal.ts';
import type { Unsent } from './unsent.ts';

interface QueueDb extends DBSchema {
  unsent: { key: string; value: Unsent };
}

/** The server is not reached, does not answer, is asked too much, fails, or does not know this device any more, or is older than this page. */
export type Held = 'away' | 'silent' | 'busy' | 'failing' | 'out' | 'older';

interface Queue {
  items: Unsent[];
  /** Why what is typed does not get through; null while it does. */
  held: Held | null;
  ready: boolean;
}

/** Everything typed and not yet kept by the server, in order. Lives in the browser's own database as well. */
export const useQueue = create<Queue>()(() => ({ items: [], held: null, ready: false }));

export type SentListener = (item: Unsent, answer: JobAnswer | { version: number }) => void;

const RETRIES_MS = [500, 1000, 2000, 4000];

/** ms. A server that has not answered by then is said to be silent, whatever comes of it. */
const SILENT_MS = 4000;
const sentListeners = new Set<SentListener>();
// Without a database in the browser (private windows, refused storage) the queue lives in this page alone.
const db = (async () =>
  openDB<QueueDb>('margin', 1, {
    upgrade: (fresh) => void fresh.createObjectStore('unsent', { keyPath: 'id' }),
  }))();
db.catch(notKept);

function notKept(): void {
  useKeeping.setState({ queue: false });
}

/** Keeps an item beyond this page; where that fails it stays in memory, and the reader is told. */
async function keep(item: Unsent): Promise<void> {
  jot(item);
  try {
    await (await db).put('unsent', item);
    unjot(item.id);
    useKeeping.setState({ queue: true });
  } catch {
    notKept();
  }
}
// A device that was removed from the shop keeps nothing of it.
useDoor.subscribe(({ standing }, before) => {
  if (standing !== 'removed' || before.standing === 'removed') return;
  useQueue.setState({ items: [], held: null });
  void db.then((open) => open.clear('unsent')).catch(() => undefined);
});

let sending = false;
let retry: ReturnType<typeof setTimeout> | undefined;
let failures = 0;

/** Takes up what an earlier visit left and starts sending. */
export async function openQueue(): Promise<void> {
  const left = await db.then((open) => open.getAll('unsent')).catch(() => []);
  const late = jotted();
  useQueue.setState(({ items }) => ({
    items: inOrder([...[...left, ...late].map(upToDate), ...items]),
    ready: true,
  }));
  late.forEach((item) => void keep(item));
  window.addEventListener('online', () => void send());
  void send();
}

/** What an older page left unsent, as this one writes it. */
function upToDate(item: Unsent): Unsent {
  const { what } = item;
  return {
    ...item,
    what:
      what.kind === 'job'
        ? { ...what, job: migrateJob(what.job) as NewJob }
        : { ...what, entry: upgradedEntry(what.entry) as Entry },
  };
}

function inOrder(items: Unsent[]): Unsent[] {
  return [...new Map(items.map((item) => [item.id, item])).values()].sort((a, b) => a.order - b.order);
}

/** Hears of every item the server took. */
export function onSent(listener: SentListener): () => void {
  sentListeners.add(listener);
  return () => sentListeners.delete(listener);
}

/** With who wrote it, where this device is with somebody. */
function signed(what: Unsent['what']): Unsent['what'] {
  const by = useDoor.getState().device?.technician;
  if (!by) return what;
  return what.kind === 'entry'
    ? { ...what, entry: { ...what.entry, by } }
    : { ...what, job: { ...what.job, entries: what.job.entries.map((entry) => ({ by, ...entry })) } };
}

/** Puts something in the queue. It shows at once and is sent as soon as the server is there. */
export function enqueue(jobId: string, unsigned: Unsent['what']): void {
  const what = signed(unsigned);
  const id = what.kind === 'job' ? what.job.id : what.entry.id;
  const order = Math.max(Date.now(), ...useQueue.getState().items.map((item) => item.order + 1));
  const item: Unsent = { id, jobId, order, what, refused: null };
  useQueue.setState(({ items }) => ({ items: [...items, item] }));
  void keep(item);
  void send();
}

/** Forgets an item: it was sent, or the reader let it go. */
export function dropUnsent(id: string): void {
  useQueue.setState(({ items }) => ({ items: items.filter((item) => item.id !== id) }));
  unjot(id);
  void db.then((open) => open.delete('unsent', id)).catch(() => undefined);
}

/** Sends what is waiting, one after the other, until it is done or the server is away. */
export async function send(): Promise<void> {
  if (sending) return;
  sending = true;
  clearTimeout(retry);
  try {
    for (let item = nextItem(); item; item = nextItem()) await sendOne(item);
    failures = 0;
    useQueue.setState({ held: null });
  } catch (error) {
    useQueue.setState({ held: heldBy(error) });
    retry = setTimeout(() => void send(), RETRIES_MS[Math.min(failures++, RETRIES_MS.length - 1)]);
  } finally {
    sending = false;
  }
}

function nextItem(): Unsent | undefined {
  return useQueue.getState().items.find(({ refused }) => refused === null);
}

function heldBy(error: unknown): Held {
  if (error instanceof ApiProblem) {
    if (error.problem.status === 401) return 'out';
    if (error.problem.code === 'page-newer') return 'older';
    return error.problem.code === 'too-many' ? 'busy' : 'failing';
  }
  return error instanceof DOMException && error.name === 'TimeoutError' ? 'silent' : 'away';
}

async function sendOne(item: Unsent): Promise<void> {
  const silent = setTimeout(() => useQueue.setState({ held: 'silent' }), SILENT_MS);
  try {
    const answer =
      item.what.kind === 'job'
        ? await callApi<JobAnswer>('/jobs', item.what.job)
        : await callApi<{ version: number }>(`/jobs/${item.jobId}/entries`, item.what.entry);
    sentListeners.forEach((listener) => listener(item, answer));
    dropUnsent(item.id);
  } catch (error) {
    if (!(error instanceof ApiProblem) || holdsAll(error.problem)) throw error;
    refuse(item, error.problem);
  } finally {
    clearTimeout(silent);
  }
}

function refuse(item: Unsent, problem: Problem): void {
  const conflict = problem.code === 'conflict' ? (problem.conflict as ConflictBody) : null;
  const refused: Unsent = { ...item, refused: { problem, conflict } };
  useQueue.setState(({ items }) => ({ items: items.map((one) => (one.id === item.id ? refused : one)) }));
  void keep(refused);
}
