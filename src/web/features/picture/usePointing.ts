import { useState } from 'react';
import type { Place, Pointed } from '#core/vision/readPicture.ts';
import { tapped, type Handle } from './handles.ts';

const NOTHING: Pointed = { rim: [], point: null, other: null };

export interface Pointing {
  pointed: Pointed;
  /** What the next tap in the picture places; null while it places nothing. */
  placing: Handle['kind'] | null;
  point: (to: Pointed) => void;
  place: (at: Place) => void;
  beginPlacing: (kind: Handle['kind']) => void;
  /** Starts anew, from what was pointed at in a kept picture or from nothing. */
  reset: (from?: Pointed) => void;
}

/** What somebody points at in a picture. */
export function usePointing(): Pointing {
  const [pointed, point] = useState<Pointed>(NOTHING);
  const [placing, setPlacing] = useState<Handle['kind'] | null>(null);
  return {
    pointed,
    placing,
    point,
    place: (at) => {
      if (!placing) return;
      const next = tapped(pointed, placing, at);
      point(next.pointed);
      if (!next.more) setPlacing(null);
    },
    beginPlacing: (kind) => {
      if (kind === 'rim') point({ ...pointed, rim: [] });
      setPlacing(kind);
    },
    reset: (from = NOTHING) => {
      point(from);
      setPlacing(null);
    },
  };
}
