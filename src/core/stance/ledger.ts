import type { Answer } from '../planning/answerShape.ts';
import { angleAfter } from './joint.ts';
import { risenSince } from './risen.ts';
import type { BootDocument, ClearanceDocument } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import { distanceAfter, knownClearance } from './clearance.ts';
import { standings, type Standing } from './standing.ts';

/** One thing that can touch, or an angle that can grow too far, followed from where it was measured. */
export interface LedgerLine {
  corner: CornerId;
  /** Its place in the corner's list. */
  index: number;
  kind: 'clearance' | 'joint';
  name: string;
  /** As measured; mm, or degrees of a joint, like all that follow. */
  measured: number;
  now: number;
  after: number;
  /** Where it is least (a joint: most) over the load cases, after the plan. */
  worst: { value: number; loadCase: string };
  /** At both ends of the travel. */
  atBump: number;
  atDroop: number;
  /** mm that the body has risen then: since it was measured, of a joint since the baseline. */
  risenMm: { now: number; after: number; worst: number; atBump: number; atDroop: number };
  /** Least distance, or most angle. */
  limit: number;
  /** Whether the worst of the load cases is within its limit; at an end only touching counts. */
  ok: boolean;
  touchesAtEnd: boolean;
  /** Whether how it changes is only taken for granted. */
  assumed: boolean;
}

/** Every clearance and joint of every corner read, as it is and as it will be. */
export function ledgerOf(answer: Answer): LedgerLine[] {
  const all = standings(answer);
  return answer.corners.flatMap(({ id }) => {
    const own = all.filter((standing) => standing.id === id);
    const [here] = own;
    if (!here) return [];
    const nowMm = risenSince(answer, id);
    const { clearances, boots } = answer.document.corners[id];
    const line = (at: (risenMm: number) => number, worse: (a: number, b: number) => boolean) => {
      const cases = own.map(({ risenMm, loadCase }) => ({ value: at(risenMm), loadCase, risenMm }));
      const [first = { value: at(nowMm), loadCase: '', risenMm: nowMm }] = cases;
      const worst = cases.reduce((sofar, one) => (worse(one.value, sofar.value) ? one : sofar), first);
      const ends = endsOf(here);
      return {
        now: at(nowMm),
        after: at(here.risenMm),
        worst: { value: worst.value, loadCase: worst.loadCase },
        atBump: at(ends.bump),
        atDroop: at(ends.droop),
        risenMm: {
          now: nowMm,
          after: here.risenMm,
          worst: worst.risenMm,
          atBump: ends.bump,
          atDroop: ends.droop,
        },
      };
    };
    return [
      ...clearances.map((_, index): LedgerLine => {
        const { one, atMm, assumed } = knownClearance(answer, id, index);
        const since = (risenMm: number) => risenMm - atMm;
        const followed = line(
          (risenMm) => distanceAfter(one, since(risenMm)),
          (a, b) => a < b,
        );
        const { now, after, worst, atBump, atDroop } = followed.risenMm;
        const risenMm = {
          now: since(now),
          after: since(after),
          worst: since(worst),
          atBump: since(atBump),
          atDroop: since(atDroop),
        };
        return { ...clearanceLine(one, { ...followed, risenMm }), corner: id, index, assumed };
      }),
      ...boots.map((one, index): LedgerLine => {
        const at = (risenMm: number) => angleAfter(one, risenMm);
        return {
          ...jointLine(
            one,
            line(at, (a, b) => a > b),
          ),
          corner: id,
          index,
          assumed: false,
        };
      }),
    ];
  });
}

type Followed = Pick<LedgerLine, 'now' | 'after' | 'worst' | 'atBump' | 'atDroop' | 'risenMm'>;

/** mm the body has risen over a wheel at both ends of its travel. */
function endsOf({ risenMm, travelMm, corner }: Standing) {
  return { bump: risenMm - (corner.zMax - travelMm), droop: risenMm + travelMm };
}

function clearanceLine({ name, nowMm, leastMm }: ClearanceDocument, followed: Followed) {
  return {
    ...followed,
    kind: 'clearance' as const,
    name,
    measured: nowMm,
    limit: leastMm,
    ok: followed.worst.value >= leastMm,
    touchesAtEnd: Math.min(followed.atBump, followed.atDroop) <= 0,
  };
}

function jointLine({ name, nowDeg, mostDeg }: BootDocument, followed: Followed) {
  return {
    ...followed,
    kind: 'joint' as const,
    name,
    measured: nowDeg,
    limit: mostDeg,
    ok: followed.worst.value <= mostDeg,
    touchesAtEnd: false,
  };
}
