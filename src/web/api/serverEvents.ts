import type { JobEvent } from '#contract/api.ts';

type Message = { kind: 'open' } | { kind: 'away' } | { kind: 'job'; event: JobEvent };

/**
 * Hears what the server tells of, through one stream for all tabs of a browser: a browser opens only six connections to one
 * server, and a stream in every tab would leave none for saving. The tab that holds the lock has the stream and passes on what
 * comes; when it is closed, another takes over. Returns the function that stops listening.
 */
export function hearServer(take: (message: Message) => void): () => void {
  const others = new BroadcastChannel('margin-events');
  let stream: EventSource | null = null;
  let letGo: () => void = () => undefined;
  const ended = new AbortController();
  others.onmessage = ({ data }: MessageEvent<Message>) => take(data);
  const tell = (message: Message) => {
    if (ended.signal.aborted) return;
    take(message);
    others.postMessage(message);
  };
  const open = () => {
    stream = new EventSource('/api/events');
    stream.addEventListener('open', () => tell({ kind: 'open' }));
    // Tried again by itself, until it is open.
    stream.addEventListener('error', () => tell({ kind: 'away' }));
    stream.addEventListener('job', ({ data }: MessageEvent<string>) =>
      tell({ kind: 'job', event: JSON.parse(data) as JobEvent }),
    );
  };
  // Locks are there on loopback and over https; elsewhere every tab has a stream of its own.
  if (!('locks' in navigator)) open();
  else
    navigator.locks
      .request('margin-events', { signal: ended.signal }, () => {
        // The lock may be given just after somebody has stopped listening: nobody would close the stream then.
        if (ended.signal.aborted) return undefined;
        open();
        return new Promise<void>((done) => (letGo = done));
      })
      .catch(() => undefined);
  return () => {
    ended.abort();
    letGo();
    stream?.close();
    others.close();
  };
}
