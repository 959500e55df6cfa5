import type { RequestHandler } from 'express';
import { deviceIn } from '../http/signedIn.ts';
import type { JobEvents } from '../services/events.ts';

const KEEP_ALIVE_MS = 20_000;

/** GET /api/events: server-sent events, one `job` event for every job that changes. Ends when its device is removed. */
export function eventStream(events: JobEvents): RequestHandler {
  return (request, response) => {
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      Connection: 'keep-alive',
    });
    response.write('retry: 1000\n\n');
    const stop = events.listen((event) => response.write(`event: job\ndata: ${JSON.stringify(event)}\n\n`));
    const device = deviceIn(response);
    const endRemoval = events.onRemoved((id) => id === device?.id && response.end());
    const beat = setInterval(() => response.write(': here\n\n'), KEEP_ALIVE_MS);
    request.on('close', () => {
      clearInterval(beat);
      stop();
      endRemoval();
    });
  };
}
