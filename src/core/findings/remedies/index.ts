import type { CornerId } from '../../kinds/corners.ts';
import { marginsFor } from '../../margins/margins.ts';
import type { Answer } from '../../planning/answerShape.ts';
import { standingStill } from '../../planning/replan.ts';
import { tolerances } from '../../tolerances.ts';
import type { Finding, RunOut } from '../finding.ts';
import { byHeight, byMount, byRing, bySeat, mountForSeat } from './byAdjuster.ts';
import { helper, otherRate, otherSprings, rightSpring, roomier, softer } from './bySpring.ts';
import type { Remedy } from './remedy.ts';
import { find } from './tried.ts';

/**
 * What would cure a finding, each tried on the machine as it is believed to be: what does not cure it is left out. Empty
 * where nothing is known that would, or where reading again is the cure.
 */
export function remediesFor(answer: Answer, finding: Finding): Remedy[] {
  const all = triedFor(answer, finding);
  // What breaks something else is told only where nothing better is known.
  const sound = all.filter(({ costs }) => costs.every(({ toMm }) => toMm > -tolerances.missedMm));
  return sound.length > 0 ? sound : all;
}

function triedFor(answer: Answer, finding: Finding): Remedy[] {
  switch (finding.code) {
    case 'run-out':
      // What is no more once the plan is done is cured by it.
      if (finding.when === 'now') return [];
      return ofRunOut(finding.when === 'after' ? answer : standingStill(answer), finding);
    case 'unreachable':
      return ofUnreachable(answer, finding);
    case 'spring':
      return rightSpring(answer, finding.corner, finding.verdict === 'too soft' ? 1 : -1);
    default:
      return [];
  }
}

function ofRunOut(base: Answer, finding: RunOut): Remedy[] {
  const corner = base.corners.find(({ id }) => id === finding.corner);
  const margin = find(marginsFor(base), finding);
  if (!corner || !margin) return [];
  const at = { base, corner, finding, margin };
  switch (finding.kind) {
    case 'droop':
    case 'damper-open':
      return [...bySeat(at, -1), ...otherRate(at, -1)];
    case 'bump-stop':
    case 'bump-metal':
    case 'damper-closed':
      return [...bySeat(at, 1), ...otherRate(at, 1)];
    case 'coil':
      return [...roomier(at), ...mountForSeat(at, 1), ...bySeat(at, -1)];
    case 'seated':
      return [...helper(at), ...softer(at), ...mountForSeat(at, -1)];
    case 'clearance':
    case 'joint':
    case 'ground':
      return [...byHeight(at, 1), ...byHeight(at, -1)];
    case 'thread-up':
      return bySeat(at, -1);
    case 'thread-down':
      return bySeat(at, 1);
    case 'engagement':
      return byMount(at, -1);
    case 'crossover':
      return byRing(at, -1);
    case 'ring-order':
      return byRing(at, 1);
    default:
      return [];
  }
}

function ofUnreachable(answer: Answer, { reason }: Extract<Finding, { code: 'unreachable' }>): Remedy[] {
  switch (reason.kind) {
    case 'thread':
      return [...otherSprings(answer, reason.corner, reason.spring), ...nearestTarget(answer, reason.corner)];
    case 'sag':
      // It sags too much where the sag that is wanted is less.
      return rightSpring(answer, reason.corner, reason.missingMm < 0 ? 1 : -1);
    case 'mount':
      // The seat does the rest of it: nothing is missed.
      return reason.met ? [] : nearestTarget(answer, reason.corner);
    case 'positions':
    case 'droop':
    case 'pressure':
      return nearestTarget(answer, reason.corner);
    default:
      return [];
  }
}

/** The height that the plan gets to, as a target of its own. */
function nearestTarget(answer: Answer, id: CornerId): Remedy[] {
  const corner = answer.corners.find((one) => one.id === id);
  if (!corner || corner.spec.targetMm === null) return [];
  const toMm = corner.specMm;
  return [{ do: 'target', corner: id, toMm, leftMm: null, riseMm: toMm - corner.spec.targetMm, costs: [] }];
}
