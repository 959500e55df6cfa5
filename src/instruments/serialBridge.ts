import { RegexParser, SerialPort } from 'serialport';
import { readPlainLine } from '#core/gauge/plainLine.ts';
import type { LineServer } from './lineServer.ts';

export interface SerialOptions {
  path: string;
  baudRate: number;
  /** What the page shows it as. */
  name: string;
  /** What its numbers are in, where it does not say. */
  unit: string;
}

const AGAIN_MS = 2000;

/** Passes on what a serial device sends; one that is unplugged is opened again once it is back. Gives what ends it. */
export function bridgeSerial(
  { path, baudRate, name, unit }: SerialOptions,
  server: LineServer,
  tell: (words: string) => void,
): () => Promise<void> {
  let ended = false;
  let timer: NodeJS.Timeout | undefined;
  let port: SerialPort;
  const again = () => {
    if (!ended) timer = setTimeout(open, AGAIN_MS);
  };
  const open = () => {
    port = new SerialPort({ path, baudRate }, (error) => {
      if (!error) return tell(`Reading ${path}`);
      tell(`${path} cannot be opened (${error.message}). Trying again.`);
      again();
    });
    port.pipe(new RegexParser({ regex: /\r\n|\r|\n/ })).on('data', (text: string) => {
      const reading = readPlainLine(text, name, unit);
      if (reading) server.send(asLine(text, reading, name));
      else if (text.trim() !== '') tell(`Not a reading: ${text.slice(0, 80)}`);
    });
    port.on('close', () => {
      if (!ended) tell(`${path} is gone. Trying again.`);
      again();
    });
    port.on('error', () => undefined);
  };
  open();
  return () =>
    new Promise((done) => {
      ended = true;
      clearTimeout(timer);
      if (port.isOpen) port.close(() => done());
      else done();
    });
}

/** A line of the protocol goes on as it is; a bare number becomes one, in the unit used inside. */
function asLine(text: string, reading: NonNullable<ReturnType<typeof readPlainLine>>, name: string): string {
  if (text.trimStart().startsWith('{')) return text.trim();
  const inside = { length: 'mm', mass: 'kg', pressure: 'bar', angle: 'deg' }[reading.kind];
  return JSON.stringify({ name, unit: inside, value: reading.value, sent: true });
}
