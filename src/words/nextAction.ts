import type { NextDo } from '#core/judgement/nextAction.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersTold } from './corners.ts';
import { tellMetric, type Tell } from './figures.ts';
import { recheckWords } from './recheck.ts';

/** The one thing to do next, in the workshop's words: "turn front left". */
export function nextWords(next: NextDo, tell: Tell = tellMetric): string {
  switch (next.code) {
    case 'locked':
      return next.due ? recheckWords(next.due, tell) : 'locked at its heights';
    case 'set-targets':
      return 'set the target heights';
    case 'say-step':
      return `say how far one step goes, ${cornerNames[next.corner]}`;
    case 'turn':
      return `turn ${cornerNames[next.corner]}`;
    case 'measure':
      return 'measure';
    case 'measure-corners':
      return `measure ${namesOf(next.corners, next.of)}`;
    case 'settle-and-measure':
      return 'settle, then measure';
    case 'measure-corners-again':
      return next.corners.length === next.of ? 'measure again' : `measure ${namesOf(next.corners, next.of)}`;
    case 'read-sag':
      return `read the sag, ${next.alone ? 'nobody on' : 'rider on'}${next.corners.length === next.of ? '' : `, ${namesOf(next.corners, next.of)}`}`;
    case 'read-sag-again':
      return `near the edge of its window${next.corners.length === next.of ? '' : ` (${namesOf(next.corners, next.of)})`}: read once more`;
    case 'set-ring':
      return `set the ring ${cornerNames[next.corner]}`;
    case 'lock':
      return 'in tolerance: lock it';
    case 'open-points':
      return `in tolerance, ${next.open} ${next.open === 1 ? 'point' : 'points'} open: see to ${next.open === 1 ? 'it' : 'them'}`;
    case 'check-collars':
      return `check which way it was turned, ${cornersTold(next.corners)}`;
    case 'the-rest':
      return `this part stands right: go on with ${cornersTold(next.corners)}, or finish`;
    case 'check-reading':
      return `measure ${cornerNames[next.corner]} again`;
    case 'find-out-why':
      return `find out why ${cornerNames[next.corner]} is off`;
    case 'read-again':
      return next.settle ? 'roll it, then read once more to be sure' : 'read once more to be sure';
    case 'decide-nearest':
      return 'as near as it goes: decide';
    case 'decide-out-of-reach':
      return 'target cannot be reached: choose what to change';
  }
}

function namesOf(some: readonly CornerId[], of: number): string {
  if (some.length === of) return of === 4 ? 'all four corners' : 'both ends';
  return some.map((id) => cornerNames[id]).join(', ');
}
