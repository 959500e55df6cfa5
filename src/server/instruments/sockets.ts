import { ServerResponse, type IncomingMessage } from 'node:http';
import type { Server as SecureServer } from 'node:https';
import type { Server } from 'node:http';
import type { Duplex } from 'node:stream';
import type { Request, RequestHandler } from 'express';
import { WebSocketServer, type WebSocket } from 'ws';
import type { Database } from '#db/connect.ts';
import { isOwnHost } from '../http/allowed.ts';
import type { JobEvents } from '../services/events.ts';
import { readSettings } from '../services/shopSettings.ts';
import { deviceOf } from '../shop/door.ts';
import { relayTo } from './relay.ts';
import { streamSimulated } from './simulated.ts';

const PATH = /^\/instruments\/(simulated|[0-9a-f-]{36})$/;
/** What the page says is done to the machine; longer is not read. */
const MOST_BYTES = 200;
const MOST_CONNECTIONS = 40;

interface SocketDeps {
  db: Database;
  events: JobEvents;
  hosts: readonly string[];
  sessions: RequestHandler | null;
}

/**
 * Instruments of the server over WebSocket: the simulated one, and those that the shop registered, passed on. Host, Origin and session
 * are checked as with every request; a removed device's sockets end at once. Gives what ends it.
 */
export function serveSockets(server: Server | SecureServer, deps: SocketDeps): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MOST_BYTES });
  const owners = new WeakMap<WebSocket, string>();
  const endRemovals = deps.events.onRemoved((id) =>
    sockets.clients.forEach((client) => owners.get(client) === id && client.terminate()),
  );
  const upgrade = async (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    const [, which] = PATH.exec(request.url ?? '') ?? [];
    if (!which || !isOurs(request, deps.hosts) || sockets.clients.size >= MOST_CONNECTIONS) {
      refuse(socket, '404 Not Found');
      return;
    }
    const owner = await ownerOf(request, deps);
    if (owner === null) {
      refuse(socket, '401 Unauthorized');
      return;
    }
    const serve = which === 'simulated' ? streamSimulated : await relayOf(deps.db, which);
    if (!serve) {
      refuse(socket, '404 Not Found');
      return;
    }
    sockets.handleUpgrade(request, socket, head, (client) => {
      owners.set(client, owner);
      serve(client);
    });
  };
  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    socket.on('error', () => socket.destroy());
    upgrade(request, socket, head).catch(() => refuse(socket, '503 Service Unavailable'));
  });
  return () => {
    endRemovals();
    sockets.clients.forEach((client) => client.terminate());
    sockets.close();
  };
}

function refuse(socket: Duplex, status: string): void {
  socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
}

/** A page of another origin, or under a name that is not ours, has no business here. */
function isOurs({ headers }: IncomingMessage, hosts: readonly string[]): boolean {
  const { origin, host = '' } = headers;
  if (!isOwnHost(host, hosts)) return false;
  return origin === undefined || origin === `http://${host}` || origin === `https://${host}`;
}

/** The device that asks, empty where nobody signs in; null where it is not in. */
async function ownerOf(request: IncomingMessage, { db, sessions }: SocketDeps): Promise<string | null> {
  if (!sessions) return '';
  const asked = request as Request;
  await new Promise<void>((done, fail) =>
    sessions(asked, new ServerResponse(request) as never, (error?: unknown) =>
      error ? fail(error as Error) : done(),
    ),
  );
  return (await deviceOf(db, asked).catch(() => null))?.id ?? null;
}

/** What passes a registered instrument on; null where none is registered under this id. */
async function relayOf(db: Database, id: string): Promise<((client: WebSocket) => void) | null> {
  const found = (await readSettings(db)).instruments.find((one) => one.id === id);
  return found ? (client) => relayTo(found.address, client) : null;
}
