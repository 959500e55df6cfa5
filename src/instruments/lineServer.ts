import type { AddressInfo } from 'node:net';
import { WebSocket, WebSocketServer } from 'ws';

/** What listens for pages and gives each of them every line. */
export interface LineServer {
  address: string;
  send: (line: string) => void;
  close: () => Promise<void>;
}

/** Listens on this machine alone; port 0 takes any that is free. */
export function serveLines(port: number): Promise<LineServer> {
  const server = new WebSocketServer({ host: '127.0.0.1', port, maxPayload: 1000 });
  return new Promise((done, fail) => {
    server.once('error', fail);
    server.once('listening', () =>
      done({
        address: `ws://127.0.0.1:${(server.address() as AddressInfo).port}`,
        send: (line) =>
          server.clients.forEach(
            (client) => client.readyState === WebSocket.OPEN && client.send(`${line}\n`),
          ),
        close: () =>
          new Promise((closed) => {
            server.clients.forEach((client) => client.terminate());
            server.close(() => closed());
          }),
      }),
    );
  });
}
