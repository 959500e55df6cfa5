import type { OpenPoint, Unchecked } from '#core/findings/openPoints.ts';
import type { Remedy } from '#core/findings/remedies/remedy.ts';
import type { Stage } from '#core/judgement/stages.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { findingWords } from './findings.ts';
import { percent, type Say } from './figures.ts';

/** An open point in words, and the stage where it is dealt with. */
export interface ToldPoint {
  words: string;
  /** What may be done about it, where there is a choice. */
  ways?: string[];
  stage: Stage;
}

const named = (corners: readonly CornerId[]) => corners.map((id) => cornerNames[id]).join(', ');

/** An open point as the workshop says it; `say` writes mm in the reader's units, `remedies` cure what it is about. */
export function openPointWords(point: OpenPoint, say: Say, remedies: readonly Remedy[] = []): ToldPoint {
  switch (point.code) {
    case 'turning':
      return { words: `Still to turn: ${named(point.corners)}.`, stage: 'turn' };
    case 'unread':
      return {
        words: `Not measured${point.where === 'measure' ? ' since the last turn' : ''}: ${named(point.corners)}.`,
        stage: point.where,
      };
    case 'out':
      return point.where === 'sag'
        ? { words: `Sag is not as wanted: ${named(point.corners)}.`, stage: 'sag' }
        : { words: `Not in tolerance: ${named(point.corners)}.`, stage: 'plan' };
    case 'scales': {
      const { what, now, target } = point.scales;
      const name = what === 'front' ? 'The right front of the front' : 'Cross weight';
      return { words: `${name} stands at ${tenths(now)}, ${tenths(target)} is wanted.`, stage: 'scales' };
    }
    case 'not-sure': {
      const then = point.betterBy === null ? '' : ` Another round makes it ${percent(point.betterBy)}.`;
      // The tape's word comes first: whoever read it out must not be told that all is in.
      const read = point.tapeOut.length > 0 ? `By the tape not in tolerance: ${named(point.tapeOut)}. ` : '';
      return {
        words: `${read}The chance that all true heights are in tolerance is only ${percent(point.chance)}.${then}`,
        stage: point.where,
      };
    }
    case 'rings':
      return {
        words: `Rings are not at their gap, or not moved with their seats: ${named(point.corners)}.`,
        stage: 'rings',
      };
    case 'load':
      return { words: 'The load on board was not checked.', stage: 'prep' };
    case 'finding': {
      const { what, ways } = findingWords(point.finding, say, remedies);
      return { words: what, ways, stage: 'plan' };
    }
  }
}

const tenths = (share: number) => `${(100 * share).toFixed(1)} %`;

/** What was not checked, since nobody gave its limit. */
export const uncheckedWords: Record<Unchecked, string> = {
  thread: 'thread left at every collar',
  travel: 'droop and bump travel',
  springs: 'coil space, and springs seated at droop',
  mount: 'thread held by the lower mounts',
  clearance: 'clearances',
  joint: 'angles of the shaft joints',
};
