import { useEffect, useState } from 'react';
import { untilDone } from './untilDone.ts';

/** Work done beside the page. Stands outside of components: another object is other work. */
export interface Work<Of, Told, Value> {
  /** ms without a change before it begins. */
  restMs: number;
  /** Works it out, telling on the way how far it is; null where it was called off. */
  run: (of: Of, tell: (told: Told) => void) => Promise<Value | null>;
  cancel?: () => void;
}

export interface Worked<Told, Value> {
  /** The newest result, of this or of what was asked before; undefined while there is none. */
  value: Value | undefined;
  /** Whether that is still of what was asked before. */
  stale: boolean;
  /** How far it is, while it runs. */
  told: Told | null;
  /** Why it could not be worked out. */
  failed: string | null;
}

interface State<Of, Told, Value> {
  value: { of: Of; value: Value } | null;
  told: { of: Of; told: Told } | null;
  failed: { of: Of; why: string } | null;
}

/** Has something worked out beside the page whenever it changes: what is no longer wanted is called off. */
export function useWorked<Of extends object, Told, Value>(
  of: Of | null,
  { restMs, run, cancel }: Work<Of, Told, Value>,
): Worked<Told, Value> {
  const [state, setState] = useState<State<Of, Told, Value>>({ value: null, told: null, failed: null });
  useEffect(() => {
    if (!of) return undefined;
    let wanted = true;
    const put = (part: Partial<State<Of, Told, Value>>) =>
      wanted && setState((before) => ({ ...before, ...part }));
    const work = async () => {
      try {
        const value = await untilDone<Told, Value | null>(
          (tell) => run(of, tell),
          (told) => put({ told: { of, told } }),
        );
        if (value !== null) put({ value: { of, value }, told: null, failed: null });
      } catch (error) {
        put({ told: null, failed: { of, why: error instanceof Error ? error.message : String(error) } });
      }
    };
    const timer = setTimeout(() => void work(), restMs);
    return () => {
      wanted = false;
      clearTimeout(timer);
      cancel?.();
    };
  }, [of, restMs, run, cancel]);
  return {
    value: state.value?.value,
    stale: state.value?.of !== of,
    told: state.told?.of === of && of !== null ? state.told.told : null,
    failed: state.failed?.of === of && of !== null ? state.failed.why : null,
  };
}
