import ReconnectingSocket from 'partysocket/ws';

/** Where lines come from: what it does with them, and how it says whether it is there. */
export interface LineSource {
  /** Says to a simulated instrument what is done to the machine. */
  tell: (command: object) => void;
  close: () => void;
}

interface Listener {
  onLine: (text: string) => void;
  onState: (state: 'reading' | 'away') => void;
}

const TRY_AGAIN_MS = 2000;

/** An address under which a device that hangs on this browser's own computer is meant. */
export const SERIAL_ADDRESS = 'serial:';

/** Whether this browser reads serial devices. */
export const hasSerial = (): boolean => 'serial' in navigator;

/** Listens to a WebSocket; one that is away is tried again. */
export function listenToSocket(address: string, { onLine, onState }: Listener): LineSource {
  // What was said to an instrument that is away is of a moment that has passed: only the newest waits for it.
  const socket = new ReconnectingSocket(address, [], {
    minReconnectionDelay: TRY_AGAIN_MS,
    maxReconnectionDelay: TRY_AGAIN_MS,
    maxEnqueuedMessages: 1,
  });
  socket.onopen = () => onState('reading');
  socket.onclose = () => onState('away');
  socket.onmessage = ({ data }) => String(data).split('\n').filter(Boolean).forEach(onLine);
  return {
    tell: (command) => socket.send(JSON.stringify(command)),
    close: () => {
      socket.onclose = null;
      socket.close();
    },
  };
}

/** As much of a serial port as is used. */
interface Port {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}

interface SerialApi {
  getPorts: () => Promise<Port[]>;
  requestPort: () => Promise<Port>;
}

const serial = () => (navigator as unknown as { serial: SerialApi }).serial;

const BAUD = 9600;

/** Asks which device it is; somebody must have pressed something just before. Throws where none is chosen. */
export const askForPort = async (): Promise<void> => void (await serial().requestPort());

/** Listens to the device that was chosen; one that is unplugged is tried again. */
export function listenToSerial({ onLine, onState }: Listener): LineSource {
  let ended = false;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const run = async () => {
    while (!ended) {
      await readPort(
        (made) => (reader = made),
        (text) => !ended && onLine(text),
        () => !ended && onState('reading'),
      ).catch(() => undefined);
      if (ended) return;
      onState('away');
      await new Promise((done) => setTimeout(done, TRY_AGAIN_MS));
    }
  };
  void run();
  return {
    tell: () => undefined,
    close: () => {
      ended = true;
      void reader?.cancel().catch(() => undefined);
    },
  };
}

/** Reads lines off the chosen port until it ends. */
async function readPort(
  hold: (reader: ReadableStreamDefaultReader<Uint8Array>) => void,
  onLine: (text: string) => void,
  onOpen: () => void,
): Promise<void> {
  const [port] = await serial().getPorts();
  if (!port) throw new Error('expected a device that was chosen');
  if (!port.readable) await port.open({ baudRate: BAUD });
  const reader = port.readable?.getReader();
  if (!reader) throw new Error('expected a device that can be read');
  hold(reader);
  onOpen();
  const decoder = new TextDecoder();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      rest += decoder.decode(value, { stream: true });
      const lines = rest.split(/\r\n|\r|\n/);
      rest = lines.pop() ?? '';
      lines.filter((text) => text.trim() !== '').forEach(onLine);
    }
  } finally {
    reader.releaseLock();
    await port.close().catch(() => undefined);
  }
}
