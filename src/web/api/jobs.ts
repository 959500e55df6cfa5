import {
  keepPreviousData,
  QueryClient,
  notifyManager,
  useInfiniteQuery,
  useQuery,
  type QueryFilters,
} from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import type {
  Away,
  Shelved,
  Book,
  JobAnswer,
  JobList,
  MachineBook,
  PutAway,
  WhereJob,
  Shelf,
} from '#contract/api.ts';
import { applyEntry } from '#core/document/applyEntry.ts';
import { migrateDocument } from '#core/document/migrate.ts';
import type { JobRecord } from '#core/document/types.ts';
import { ApiProblem, callApi } from './client.ts';
import { useDoor } from './door.ts';
import { useReach } from './reach.ts';
import { hearServer } from './serverEvents.ts';
import { onSent, send, useQueue } from './queue.ts';
import type { Unsent } from './unsent.ts';

// A change is shown at once and not a moment later: a box that was ticked would show empty again until then.
notifyManager.setScheduler(queueMicrotask);

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // The server tells of changes; until it can be reached, keep trying and keep showing what is there.
      staleTime: 30_000,
      retry: (count, error) => !(error instanceof ApiProblem && error.problem.status < 500) && count < 3,
      // Somebody who waits is told within about two seconds that there is no connection.
      retryDelay: (count) => 300 * 2 ** count,
      networkMode: 'always',
    },
  },
});

useDoor.subscribe(({ standing }) => {
  if (standing === 'removed') queryClient.clear();
});

const jobKey = (id: string) => ['job', id];

/** The newest version of each job that the server spoke of. */
const heardOf = new Map<string, number>();

function hear(id: string, version: number): void {
  heardOf.set(id, Math.max(version, heardOf.get(id) ?? 0));
}

/** Reads a job; once more when what came had left the server before a version that was heard of on the way. */
async function readJob(id: string): Promise<JobAnswer> {
  const answer = await callApi<JobAnswer>(`/jobs/${id}`);
  return answer.version < (heardOf.get(id) ?? 0) ? callApi<JobAnswer>(`/jobs/${id}`) : answer;
}

/** How many lines of a list are asked for at once. */
const PAGE = 30;

/** A list read page by page; while another search is under way the last one stays. */
function usePaged<Page extends { total: number }>(
  name: string,
  asked: Record<string, string>,
  count: (page: Page) => number,
) {
  return useInfiniteQuery({
    queryKey: [name, 'list', asked],
    queryFn: ({ pageParam }) =>
      callApi<Page>(
        `/${name}?${new URLSearchParams({ ...asked, offset: String(pageParam), limit: String(PAGE) })}`,
      ),
    initialPageParam: 0,
    getNextPageParam: (_last, pages: Page[]) => {
      const read = pages.reduce((sum, page) => sum + count(page), 0);
      return read < (pages[0]?.total ?? 0) ? read : undefined;
    },
    placeholderData: keepPreviousData,
  });
}

/** The lines of the list of jobs, those whose name or machine has the words in it. */
export function useJobList(find = '', shelf: Shelf = 'all') {
  return usePaged<JobList>('jobs', { find, shelf }, ({ jobs }) => jobs.length);
}

/** Puts a job away, or with null back into the list. Throws as `callApi` does. */
export async function putAway(id: string, away: Away | null): Promise<void> {
  await callApi<PutAway>(`/jobs/${id}/away`, { away } satisfies PutAway);
  await Promise.all(
    ['jobs', 'book', 'away'].map((name) => queryClient.invalidateQueries({ queryKey: [name] })),
  );
}

/** How a job is out of the way; null where it is not, undefined until that is known. */
export function useAway(id: string): Shelved | null | undefined {
  const { data } = useQuery({
    queryKey: ['away', id],
    queryFn: () => callApi<WhereJob>(`/jobs/${id}/away`),
  });
  return data?.away;
}

/** Every line of the list that a search finds, read part by part. Throws as `callApi` does. */
export async function wholeList(find: string): Promise<JobList['jobs']> {
  const jobs: JobList['jobs'] = [];
  for (;;) {
    const asked = { find, shelf: 'all', offset: String(jobs.length), limit: '200' };
    const page = await callApi<JobList>(`/jobs?${new URLSearchParams(asked)}`);
    jobs.push(...page.jobs);
    if (page.jobs.length === 0 || jobs.length >= page.total) return jobs;
  }
}

/** The machines of the logbook. */
export function useBook(find = '') {
  return usePaged<Book>('book', { find }, ({ machines }) => machines.length);
}

/** Every setting of one machine. */
export function useMachineBook(key: string | null) {
  return useQuery({
    queryKey: ['book', key],
    queryFn: () => callApi<MachineBook>(`/book/${key}`),
    enabled: key !== null,
  });
}

/** A job as the server has it, plus what is typed and not sent yet. */
export function useJobRecord(id: string) {
  const query = useQuery({
    queryKey: jobKey(id),
    queryFn: () => readJob(id),
    enabled: id !== '',
  });
  const items = useQueue((state) => state.items);
  const { data } = query;
  return useMemo(() => {
    const mine = items.filter((item) => item.jobId === id);
    return { record: steady(withUnsent(data ?? unsentJob(mine), mine)), query };
    // The query object is new at every render; what counts of it is its data and its state.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [items, data, id, query.status, query.error]);
}

/** What was last given out of each job. */
const given = new Map<string, JobRecord>();

/**
 * The record given out before where nothing is different in it. An entry that the server took is then in the record where it
 * was laid over it before, and all that follows from the job need not be worked out again for that.
 */
function steady(record: JobRecord | null): JobRecord | null {
  if (!record) return null;
  const before = given.get(record.id);
  if (before && isSame(before, record)) return before;
  given.set(record.id, record);
  return record;
}

/** Entries never change, so that a version and the entries in it, by their ids, are the whole of a record. */
function isSame(a: JobRecord, b: JobRecord): boolean {
  return (
    a.version === b.version &&
    a.entries.length === b.entries.length &&
    a.entries.every(({ id }, k) => id === b.entries[k]?.id)
  );
}

/** Lays unsent entries over a record; what does not fit any more is left out here and told as a conflict. */
function withUnsent(record: JobRecord | null, unsent: readonly Unsent[]): JobRecord | null {
  if (!record) return null;
  const known = new Set(record.entries.map(({ id }) => id));
  return unsent.reduce((sofar, { what, refused }) => {
    if (what.kind === 'job' || refused || known.has(what.entry.id)) return sofar;
    const result = applyEntry(sofar, what.entry);
    return result.ok ? result.record : sofar;
  }, record);
}

function unsentJob(unsent: readonly Unsent[]): JobRecord | null {
  const made = unsent.map(({ what }) => (what.kind === 'job' ? what.job : null)).find((job) => job !== null);
  if (!made) return null;
  const blank: JobRecord = { id: made.id, version: 1, document: migrateDocument(made.document), entries: [] };
  return made.entries.reduce((sofar, entry) => {
    const result = applyEntry(sofar, entry);
    return result.ok ? result.record : sofar;
  }, blank);
}

/** Puts an accepted item into the cached record, so that nothing flickers between sent and read back. */
function takeIn(item: Unsent, answer: JobAnswer | { version: number }): void {
  hear(item.jobId, answer.version);
  if (item.what.kind === 'job') {
    queryClient.setQueryData(jobKey(item.jobId), answer as JobAnswer);
    return;
  }
  const { entry } = item.what;
  queryClient.setQueryData<JobRecord>(jobKey(item.jobId), (record) => {
    if (!record || record.entries.some(({ id }) => id === entry.id)) return record;
    const result = applyEntry(record, entry);
    return result.ok && result.record.version === answer.version ? result.record : record;
  });
  const cached = queryClient.getQueryData<JobRecord>(jobKey(item.jobId));
  if (cached?.version !== answer.version)
    void queryClient.invalidateQueries({ queryKey: jobKey(item.jobId) });
}

/**
 * Has what was read read again. What is being read for the first time may have been asked for before it changed, and is then
 * read once more: the first answer would stand for news otherwise.
 */
async function readAgain(what: QueryFilters): Promise<void> {
  const asked = queryClient.getQueryCache().findAll({ ...what, fetchStatus: 'fetching' });
  const isFirst = asked.some(({ state }) => state.data === undefined);
  await queryClient.invalidateQueries(what);
  if (isFirst) await queryClient.invalidateQueries(what);
}

/**
 * Once nothing is being changed any more. A change is shown before the server has it: what was read meanwhile would hide it, and take
 * the field that is being typed in away.
 */
function whenAllIsKept(): Promise<void> {
  if (queryClient.isMutating() === 0) return Promise.resolve();
  return new Promise((done) => {
    const stop = queryClient.getMutationCache().subscribe(() => {
      if (queryClient.isMutating() > 0) return;
      stop();
      done();
    });
  });
}

/**
 * Any job may have named a place on the floor, or show what a kit came to: both are read again where they are next asked for,
 * and not before.
 */
function outdateTaught(): void {
  for (const taught of ['floors', 'kits'])
    void queryClient.invalidateQueries({ queryKey: [taught], refetchType: 'none' });
}

/** Keeps the cache in step with the server for as long as the application is open. */
export function useLiveUpdates(): void {
  useEffect(() => {
    const stop = onSent((item, answer) => {
      takeIn(item, answer);
      void queryClient.invalidateQueries({ queryKey: ['jobs'] });
      void queryClient.invalidateQueries({ queryKey: ['book'] });
      // Where a job is, the server knows once it has it.
      if (item.what.kind === 'job') void readAgain({ queryKey: ['away', item.jobId] });
      outdateTaught();
    });
    const deaf = hearServer((message) => {
      if (message.kind === 'away') {
        useReach.setState(({ awaySince }) => ({ awaySince: awaySince ?? Date.now() }));
        return;
      }
      useReach.setState({ awaySince: null });
      if (message.kind === 'open') {
        void whenAllIsKept().then(() => queryClient.invalidateQueries());
        void send();
        return;
      }
      const { event } = message;
      hear(event.id, event.version);
      void readAgain({ queryKey: ['jobs'] });
      if (event.moved) void readAgain({ queryKey: ['away', event.id] });
      outdateTaught();
      const cached = queryClient.getQueryData<JobRecord>(jobKey(event.id));
      // Our own entries come back as events too; those are in the cache or on their way.
      const sending = useQueue.getState().items.some((item) => item.jobId === event.id && !item.refused);
      if (cached && cached.version < event.version && !sending)
        void readAgain({ queryKey: jobKey(event.id) });
    });
    return () => {
      stop();
      deaf();
    };
  }, []);
}
