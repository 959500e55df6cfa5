import { createWriteStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { WebSocket } from 'ws';
import type { LineServer } from './lineServer.ts';

/** One line of a recorded session: seconds from its beginning, and what came. */
interface Recorded {
  at: number;
  line: string;
}

/** Writes down what an instrument streams, a line each, until it is stopped; gives what stops it. */
export function record(address: string, file: string): () => Promise<void> {
  const out = createWriteStream(file);
  const began = Date.now();
  const socket = new WebSocket(address);
  socket.on('message', (data) => {
    for (const line of data.toString().split('\n').filter(Boolean))
      out.write(`${JSON.stringify({ at: (Date.now() - began) / 1000, line } satisfies Recorded)}\n`);
  });
  // Whoever asked sees what came up to then.
  socket.on('error', () => socket.close());
  return () =>
    new Promise((done) => {
      socket.close();
      out.end(() => done());
    });
}

/** Reads a recorded session. Throws where a line of it is none, and says which. */
export async function readSession(file: string): Promise<Recorded[]> {
  const lines = (await readFile(file, 'utf8')).split('\n').filter((line) => line.trim() !== '');
  return lines.map((text, k) => {
    const wrong = `${file}, line ${k + 1}: expected {"at": seconds, "line": "what came"}`;
    let read: Partial<Recorded> | null;
    try {
      read = JSON.parse(text) as Partial<Recorded> | null;
    } catch {
      throw new Error(wrong);
    }
    const { at, line } = read ?? {};
    if (typeof at !== 'number' || typeof line !== 'string') throw new Error(wrong);
    return { at, line };
  });
}

/** Streams a session as it once came, faster by `times`; done after its last line. */
export async function replay(session: readonly Recorded[], server: LineServer, times = 1): Promise<void> {
  const began = Date.now();
  for (const { at, line } of session) {
    const wait = (at * 1000) / times - (Date.now() - began);
    if (wait > 0) await new Promise((done) => setTimeout(done, wait));
    server.send(line);
  }
}
