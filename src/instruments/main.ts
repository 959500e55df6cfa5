import { Command, InvalidArgumentError } from 'commander';
import {
  noFaults,
  simulatedKinds,
  simulatedLine,
  type SimulatedKind,
} from '#core/gauge/simulatedInstruments.ts';
import { seededUniform } from '#core/numerics/random.ts';
import { serveLines } from './lineServer.ts';
import { bridgeSerial } from './serialBridge.ts';
import { readSession, record, replay } from './session.ts';

const EVERY_MS = 100;
const PORTS: Record<SimulatedKind, number> = {
  probe: 4501,
  caliper: 4502,
  pressure: 4503,
  angle: 4504,
  toe: 4505,
};

const say = (words: string) => process.stdout.write(`${words}\n`);

/** A number of an option. Throws where it is none. */
function numeric(text: string): number {
  const value = Number(text);
  if (!Number.isFinite(value)) throw new InvalidArgumentError('Expected a number.');
  return value;
}

const program = new Command('instruments').description('Simulated instruments, and bridges for real ones.');

interface SimulatedOptions {
  port: number;
  noise: number;
  dropOut: number;
  drift: number;
  battery: number | null;
  unit: string | null;
}

for (const kind of simulatedKinds)
  program
    .command(kind)
    .description(`a simulated ${kind}, ten lines a second`)
    .option('--port <port>', 'where it listens', numeric, PORTS[kind])
    .option('--noise <times>', 'times its usual noise', numeric, noFaults.noise)
    .option(
      '--drop-out <seconds>',
      'seconds of each minute in which nothing comes',
      numeric,
      noFaults.dropOutS,
    )
    .option('--drift <by>', 'what its zero goes by in an hour', numeric, noFaults.driftPerHour)
    .option('--battery <share>', 'share of its battery left, 0 to 1', numeric, null)
    .option('--unit <unit>', 'the unit it sends in, right or wrong', (text) => text, null)
    .action(async ({ port, noise, dropOut, drift, battery, unit }: SimulatedOptions) => {
      const server = await serveLines(port);
      const uniform = seededUniform(port);
      const faults = { noise, dropOutS: dropOut, driftPerHour: drift, battery, unit };
      const began = Date.now();
      say(`A simulated ${kind} listens at ${server.address}`);
      setInterval(() => {
        const line = simulatedLine(kind, (Date.now() - began) / 1000, uniform, faults);
        if (line) server.send(JSON.stringify(line));
      }, EVERY_MS);
    });

program
  .command('serial')
  .description('passes on what a serial device sends')
  .argument('<device>', 'such as /dev/ttyUSB0 or COM3')
  .option('--baud <rate>', 'its speed', numeric, 9600)
  .option('--name <name>', 'what the page shows it as', 'serial device')
  .option('--unit <unit>', 'what its numbers are in where it does not say', 'mm')
  .option('--port <port>', 'where it listens', numeric, 4510)
  .action(
    async (
      path: string,
      { baud, name, unit, port }: { baud: number; name: string; unit: string; port: number },
    ) => {
      const server = await serveLines(port);
      say(`${path} is passed on at ${server.address}`);
      bridgeSerial({ path, baudRate: baud, name, unit }, server, say);
    },
  );

program
  .command('record')
  .description('writes a session down until it is stopped with Ctrl+C')
  .argument('<address>', 'of the instrument, such as ws://127.0.0.1:4501')
  .argument('<file>', 'where to')
  .action((address: string, file: string) => {
    const stop = record(address, file);
    say(`Writing ${file}. Stop with Ctrl+C.`);
    process.once('SIGINT', () => void stop().then(() => process.exit(0)));
  });

program
  .command('replay')
  .description('streams a session as it once came, over and over')
  .argument('<file>', 'that was recorded')
  .option('--times <times>', 'so many times as fast', numeric, 1)
  .option('--port <port>', 'where it listens', numeric, 4520)
  .action(async (file: string, { times, port }: { times: number; port: number }) => {
    const session = await readSession(file);
    const server = await serveLines(port);
    say(`${session.length} lines are streamed at ${server.address}`);
    while (session.length > 0) await replay(session, server, times);
  });

program.parseAsync().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 2;
});
