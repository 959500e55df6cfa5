import { useCallback, useEffect, useState } from 'react';
import type { Knocked, Looked } from '#contract/door.ts';
import { callApi } from '../../api/client.ts';
import { faultOf } from '../../api/faultOf.ts';
import { takeDoor } from '../../api/door.ts';

const LOOK_EVERY_MS = 1500;

/** A device at the door: it shows six digits, and looks whether somebody has let it in. */
export function useKnock(name: string) {
  const [knocked, setKnocked] = useState<Knocked | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const secret = knocked?.secret;

  const knock = async () => {
    setFault(null);
    try {
      setKnocked(await callApi<Knocked>('/door/knock', { name }));
    } catch (error) {
      setFault(faultOf(error));
    }
  };
  const look = useCallback(
    async (shown: string) => {
      try {
        const looked = await callApi<Looked>('/door/look', { secret: shown, name });
        if (looked.state === 'in') takeDoor(looked.door);
        if (looked.state === 'gone') {
          setKnocked(null);
          setFault('That counted for five minutes, and once. Ask again.');
        }
        return looked.state;
      } catch (error) {
        setFault(faultOf(error));
        return 'waiting';
      }
    },
    [name],
  );
  useEffect(() => {
    if (!secret) return;
    const timer = setInterval(() => void look(secret), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [secret, look]);
  return { digits: knocked?.digits ?? null, fault, knock, look };
}
