import { useCallback, useEffect, useRef, useState } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../../api/keeping.ts';
import { readGaugeLine, type GaugeReading } from '#core/gauge/line.ts';
import { readPlainLine } from '#core/gauge/plainLine.ts';
import { InstrumentWatch, type Watched } from '#core/gauge/watch.ts';
import { listenToSerial, listenToSocket, SERIAL_ADDRESS, type LineSource } from './sources.ts';

interface GaugeSetting {
  /** Address of the instrument; null while none is used. */
  address: string | null;
  /** Whether a steady reading is taken by itself. */
  byItself: boolean;
  use: (address: string | null) => void;
  setByItself: (byItself: boolean) => void;
}

/** Which instrument this browser listens to. */
export const useGaugeSetting = create<GaugeSetting>()(
  persist(
    (set) => ({
      address: null,
      byItself: false,
      use: (address) => set({ address }),
      setByItself: (byItself) => set({ byItself }),
    }),
    { name: 'margin-gauge', storage: keptStorage() },
  ),
);

/** The simulated instrument of the server this page came from. */
export function simulatedAddress(): string {
  return `${window.location.origin.replace(/^http/, 'ws')}/instruments/simulated`;
}

/** Where the server passes on an instrument that the shop registered. */
export function relayedAddress(id: string): string {
  return `${window.location.origin.replace(/^http/, 'ws')}/instruments/${id}`;
}

type State = 'off' | 'connecting' | 'reading' | 'away';

/** How often it is looked whether one has gone silent, ms. */
const LOOK_MS = 500;

const seconds = () => performance.now() / 1000;

export interface Gauge {
  state: State;
  readings: Record<string, Watched>;
  /** Lines that could not be read, and the last of the units among them that nobody knows. */
  broken: number;
  wrongUnit: string | null;
  /** Says to a simulated instrument what is done to the machine. */
  tell: (command: object) => void;
  /** Sets the zero of one, by its name, to where it stands. */
  setZero: (name: string) => void;
}

/** What a line says; a serial device may send bare numbers. */
function understood(text: string, address: string): GaugeReading | { wrongUnit: string | null } {
  const plain = address === SERIAL_ADDRESS ? readPlainLine(text, 'serial device', 'mm') : null;
  if (plain) return plain;
  const line = readGaugeLine(text);
  if (line.ok) return line.value;
  const unit = line.faults.find(({ path }) => path === 'unit')?.got;
  return { wrongUnit: typeof unit === 'string' ? unit.slice(0, 20) : null };
}

/**
 * What an instrument streams: the newest reading by name, and what there is to know of it. It is tried again while it is away; lines
 * that cannot be read are counted and passed over.
 */
export function useGauge(): Gauge {
  const address = useGaugeSetting((setting) => setting.address);
  const [state, setState] = useState<Exclude<State, 'off'>>('connecting');
  const [readings, setReadings] = useState<Record<string, Watched>>({});
  const [broken, setBroken] = useState(0);
  const [wrongUnit, setWrongUnit] = useState<string | null>(null);
  const source = useRef<LineSource | null>(null);
  const watches = useRef(new Map<string, InstrumentWatch>());
  const look = useCallback(() => {
    const at = seconds();
    setReadings(
      Object.fromEntries(
        [...watches.current].flatMap(([name, watch]) => {
          const seen = watch.look(at);
          return seen ? [[name, seen]] : [];
        }),
      ),
    );
  }, []);
  useEffect(() => {
    if (address === null) return;
    const known = watches.current;
    const onLine = (text: string) => {
      const line = understood(text, address);
      if ('wrongUnit' in line) {
        setBroken((count) => count + 1);
        if (line.wrongUnit !== null) setWrongUnit(line.wrongUnit);
        return;
      }
      const watch = known.get(line.name) ?? new InstrumentWatch();
      known.set(line.name, watch);
      watch.take(line, seconds());
      look();
    };
    const listener = { onLine, onState: setState };
    source.current =
      address === SERIAL_ADDRESS ? listenToSerial(listener) : listenToSocket(address, listener);
    const timer = setInterval(look, LOOK_MS);
    return () => {
      clearInterval(timer);
      source.current?.close();
      source.current = null;
      known.clear();
      setState('connecting');
      setReadings({});
      setBroken(0);
      setWrongUnit(null);
    };
  }, [address, look]);
  const tell = useCallback((command: object) => source.current?.tell(command), []);
  const setZero = useCallback(
    (name: string) => {
      watches.current.get(name)?.setZero(seconds());
      look();
    },
    [look],
  );
  return { state: address === null ? 'off' : state, readings, broken, wrongUnit, tell, setZero };
}
