import type { Standing } from '../stance/standing.ts';
import type { Place } from './margin.ts';

/** How far what is said of a corner's springs can be trusted. */
export interface Trust {
  /** Whether the preload is only assumed. */
  assumed: boolean;
  /** One standard deviation of the preload, mm. */
  preloadSd: number;
  /** Whether what it carries is only assumed. */
  loadAssumed: boolean;
}

/** The trust in the coils of a corner; null where nobody has said which they are, or it has none. */
export function trustOf({ answer: { machine } }: Place, { id, corner }: Standing): Trust | null {
  const sources = machine.sources[id];
  if (sources.springs === 'assumed' || !corner.stack) return null;
  return {
    assumed: sources.preload === 'assumed',
    preloadSd: machine.believed.belief.contacts[machine.corners.indexOf(id)]?.preloadMm ?? 0,
    loadAssumed: sources.load === 'assumed',
  };
}
