import type { Answer } from './answerShape.ts';
import { isOffItsGap } from './cornerAnswer.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { hasFollowed, ringsByPlace } from './ringByPlace.ts';
import { cornerSpec } from '../estimate/corner.ts';
import type { CornerId } from '../kinds/corners.ts';
import { ringWays, type RingWay } from '../kinds/ringWays.ts';
import type { CornerDocument, JobDocument } from '../document/types.ts';
import { isAssembledIn } from '../estimate/fittedIn.ts';
import { type Round, type RoundsState } from '../estimate/rounds.ts';

/** mm. A block that just goes in, or a caliper on a ring, says no more. */
const AT_ITS_PLACE_MM = 0.5;

/** A ring that is set without anything being known of its springs. */
export interface RingWork {
  id: CornerId;
  /** The first ring of its damper, or the second. */
  ring: 0 | 1;
  by: RingWay;
  wantedMm: number | null;
  /** As it reads now; null where it never was read. */
  nowMm: number | null;
  /** What was moved since, where what that did to the reading cannot be told: its seat, or the ring by another way. */
  readAgain: 'seat' | 'ring' | null;
  /** mm that the ring goes towards its slider, away from its seat; null while it is not known where it is. */
  moveMm: number | null;
}

type Rounds = Pick<RoundsState, 'rounds'>;

/** Where a ring is wanted, by the way in which that is said. */
function ringWanted(corner: CornerDocument, ring: 0 | 1): Record<RingWay, number | null> {
  const { gapMm, seatMm, edgeMm, secondMm } = corner.secondRing;
  if (ring === 1) return { gap: gapMm, seat: seatMm, edge: edgeMm, second: secondMm };
  return {
    gap: corner.ringGapMm,
    seat: corner.ringSeatMm,
    edge: corner.ringEdgeMm,
    second: corner.ringSecondMm,
  };
}

/** Whether something is wanted of a ring at this corner whose springs are not known. */
export function wantsRing(corner: CornerDocument): boolean {
  return ([0, 1] as const).some((ring) => Object.values(ringWanted(corner, ring)).some((mm) => mm !== null));
}

/** Rings wanted somewhere, or read by their gap or from their seat, in the order of measuring. */
export function ringWork(document: JobDocument, state: Rounds): RingWork[] {
  return cornersIn(document).flatMap((id) => {
    if (document.corners[id].rings.length > 0) return [];
    return ([0, 1] as const).flatMap((ring) =>
      ringWays.flatMap((by) => {
        const one = workOf(document, state, { id, ring, by });
        // A place that was read and nothing wanted of goes along with its seat: see `ringsByPlace`.
        const shows = one.wantedMm !== null || (one.nowMm !== null && by !== 'edge');
        return shows ? [one] : [];
      }),
    );
  });
}

function workOf(
  document: JobDocument,
  { rounds }: Rounds,
  { id, ring, by }: Pick<RingWork, 'id' | 'ring' | 'by'>,
): RingWork {
  const wantedMm = ringWanted(document.corners[id], ring)[by];
  const readIn = (round: Round) =>
    round.ringReads.findLast((one) => one.corner === id && one.ring === ring && one.by === by);
  const found = rounds.findLastIndex((round) => readIn(round) !== undefined);
  // What was read of before it was put together anew is of another ring, or of another place.
  const at = rounds.slice(found + 1).some((round) => isAssembledIn(round, id)) ? -1 : found;
  const round = rounds[at];
  const readMm = round ? (readIn(round)?.mm ?? null) : null;
  const since = rounds.slice(at + 1);
  const seatBy = since.reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0);
  // The ring stays on the body: a seat that goes towards the spring comes nearer to it, exactly as far as it went.
  const nowMm = readMm !== null && by === 'seat' ? readMm - seatBy : readMm;
  const seatMoved = by === 'gap' && since.some(({ moves, mounts }) => (moves[id] ?? mounts[id] ?? 0) !== 0);
  const reads = rounds.slice(Math.max(at, 0)).flatMap(({ ringReads }) => ringReads);
  const mine = reads.filter((one) => one.corner === id && one.ring === ring);
  const ringMoved = mine.slice(mine.findLastIndex((one) => one.by === by) + 1).some((one) => one.set);
  const readAgain = readMm === null ? null : seatMoved ? 'seat' : ringMoved ? 'ring' : null;
  const known = nowMm !== null && wantedMm !== null && readAgain === null;
  return {
    id,
    ring,
    by,
    wantedMm,
    nowMm,
    readAgain,
    moveMm: !known ? null : growsOutwards(document, id, by) ? wantedMm - nowMm : nowMm - wantedMm,
  };
}

/** Whether what is read grows as the ring goes towards its slider. */
function growsOutwards(document: JobDocument, id: CornerId, by: RingWay): boolean {
  if (by === 'gap') return false;
  if (by === 'second') return document.corners[id].second?.grows !== 'against-seat';
  return by === 'seat' || cornerSpec(document, id).readingSign > 0;
}

/** Whether a ring stands where it is wanted, as it was read last; where none is wanted it is right as it is. */
export function isInPlace({ wantedMm, moveMm }: RingWork): boolean {
  return wantedMm === null || (moveMm !== null && Math.abs(moveMm) <= AT_ITS_PLACE_MM);
}

/** Corners whose ring is still to be set, or to go along with its seat, of those whose springs are not known. */
export function ringsToSet(
  document: JobDocument,
  state: Pick<RoundsState, 'rounds' | 'turning'>,
): CornerId[] {
  const wanted = ringWork(document, state).filter((ring) => !isInPlace(ring));
  // Where it is wanted somewhere, that is what counts in the end.
  const left = ringsByPlace(document, state).filter(
    (ring) => !wantsRing(document.corners[ring.id]) && !hasFollowed(ring),
  );
  const off = new Set([...wanted, ...left].map(({ id }) => id));
  return cornersIn(document).filter((id) => off.has(id));
}

/** Corners with a ring that is not in its place, whether its springs are known or not. */
export function ringsOff({ corners, document, state }: Answer): CornerId[] {
  const known = corners.filter(({ rings }) => rings.some(isOffItsGap)).map(({ id }) => id);
  return [...known, ...ringsToSet(document, state)];
}
