import { createInterface } from 'node:readline';
import { Writable } from 'node:stream';

/** Asks for a line; at a terminal it does not show what is typed. */
export function askSecret(question: string): Promise<string> {
  process.stdout.write(question);
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: silent, terminal: process.stdin.isTTY });
  return new Promise((done) => {
    let line = '';
    lines.once('line', (text) => {
      line = text;
      lines.close();
    });
    lines.once('close', () => {
      process.stdout.write('\n');
      done(line);
    });
  });
}
