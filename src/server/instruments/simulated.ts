import type { WebSocket } from 'ws';
import { SimulatedGauge } from '#core/gauge/simulated.ts';
import { padPlaces, SimulatedPads } from '#core/gauge/simulatedPads.ts';
import { seededUniform } from '#core/numerics/random.ts';

const EVERY_MS = 100;

/**
 * A simulated instrument behind the line protocol: two height gauges and four pads that stream ten times a second to whoever
 * connects. It is told what is done to the machine with `{"do": "alone-press", "end": "rear"}`, and what rolls on to the pads
 * with `{"do": "roll", "kg": [...]}`; a real instrument takes no lines.
 */
export function streamSimulated(socket: WebSocket): void {
  const began = Date.now();
  const seconds = () => (Date.now() - began) / 1000;
  const gauges = {
    front: new SimulatedGauge('front', seededUniform(11)),
    rear: new SimulatedGauge('rear', seededUniform(12)),
  };
  const pads = new SimulatedPads(seededUniform(13));
  const timer = setInterval(() => {
    const lines = [...Object.values(gauges).map((gauge) => gauge.read(seconds())), ...pads.read(seconds())];
    socket.send(lines.map((line) => `${JSON.stringify(line)}\n`).join(''));
  }, EVERY_MS);
  socket.on('message', (data: Buffer) => {
    const asked = readCommand(data.toString());
    if (asked?.end) gauges[asked.end].set(asked.what, seconds());
    if (asked?.kg) pads.roll(asked.kg, seconds());
  });
  socket.on('close', () => clearInterval(timer));
  socket.on('error', () => socket.terminate());
}

interface Command {
  what: string;
  end?: 'front' | 'rear';
  kg?: number[];
}

function readCommand(text: string): Command | null {
  try {
    const { do: what, end, kg } = JSON.parse(text) as Record<string, unknown>;
    if (typeof what !== 'string') return null;
    if (end === 'front' || end === 'rear') return { what, end };
    return what === 'roll' && isWeights(kg) ? { what, kg } : null;
  } catch {
    return null;
  }
}

function isWeights(kg: unknown): kg is number[] {
  return (
    Array.isArray(kg) &&
    kg.length === padPlaces.length &&
    kg.every((one) => typeof one === 'number' && one >= 0 && one < 10_000)
  );
}
