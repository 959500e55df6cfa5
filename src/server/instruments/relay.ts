import { WebSocket } from 'ws';

/** Longer lines are not an instrument's. */
const MOST_BYTES = 10_000;
/** What the tablet has not taken yet; with more than that waiting, what comes is left out: the next reading is fresher anyway. */
const MOST_WAITING_BYTES = 100_000;
const OPEN_MS = 5000;

/** Passes on what an instrument says, to a tablet that may not speak to it itself. Either end closes both. */
export function relayTo(address: string, client: WebSocket): void {
  const instrument = new WebSocket(address, { maxPayload: MOST_BYTES, handshakeTimeout: OPEN_MS });
  instrument.on('message', (data, isBinary) => {
    if (!isBinary && client.bufferedAmount < MOST_WAITING_BYTES) client.send(data.toString());
  });
  instrument.on('close', () => client.close());
  instrument.on('error', () => client.close(1013, 'the instrument is not reached'));
  client.on('close', () => instrument.terminate());
  client.on('error', () => client.terminate());
}
