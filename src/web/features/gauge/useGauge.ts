import { useCallback, useEffect, useRef, useState } from 'react';
import ReconnectingSocket from 'partysocket/ws';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../../api/keeping.ts';
import { readGaugeLine, type GaugeReading } from '#core/gauge/line.ts';

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

const TRY_AGAIN_MS = 2000;

/**
 * What an instrument streams: the newest reading by name. It is tried again while it is away; lines that cannot be read
 * are counted and passed over.
 */
export function useGauge(): {
  state: State;
  readings: Record<string, GaugeReading>;
  broken: number;
  /** Says to a simulated instrument what is done to the machine. */
  tell: (command: object) => void;
} {
  const address = useGaugeSetting((setting) => setting.address);
  const [state, setState] = useState<Exclude<State, 'off'>>('connecting');
  const [readings, setReadings] = useState<Record<string, GaugeReading>>({});
  const [broken, setBroken] = useState(0);
  const socket = useRef<ReconnectingSocket | null>(null);
  useEffect(() => {
    if (address === null) return;
    // What was said to an instrument that is away is of a moment that has passed: only the newest waits for it.
    const made = new ReconnectingSocket(address, [], {
      minReconnectionDelay: TRY_AGAIN_MS,
      maxReconnectionDelay: TRY_AGAIN_MS,
      maxEnqueuedMessages: 1,
    });
    socket.current = made;
    made.onopen = () => setState('reading');
    made.onclose = () => setState('away');
    made.onmessage = ({ data }) => {
      for (const text of String(data).split('\n').filter(Boolean)) {
        const line = readGaugeLine(text);
        if (line.ok) setReadings((all) => ({ ...all, [line.value.name]: line.value }));
        else setBroken((count) => count + 1);
      }
    };
    return () => {
      made.onclose = null;
      made.close();
      socket.current = null;
      setState('connecting');
      setReadings({});
    };
  }, [address]);
  const tell = useCallback((command: object) => socket.current?.send(JSON.stringify(command)), []);
  return { state: address === null ? 'off' : state, readings, broken, tell };
}
