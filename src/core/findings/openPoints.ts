import { isTurned } from '../kinds/adjusters/index.ts';
import { footingOf } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import type { Answer } from '../planning/answerShape.ts';
import { ringsOff } from '../planning/ringWork.ts';
import { notYet, unreadOf, type NotYet } from '../planning/enough.ts';
import type { Finding } from './finding.ts';

/** Where a job is read now: before anything was turned, after it, or on the sag bench. */
type ReadAt = 'baseline' | 'measure' | 'sag';

/** What is still to be done, or put right, before a machine goes out. */
export type OpenPoint =
  /** A plan is being turned, and these are left. */
  | { code: 'turning'; corners: CornerId[] }
  /** Something is wanted of these, and nothing was read of them since the last turn. */
  | { code: 'unread'; corners: CornerId[]; where: ReadAt }
  | { code: 'out'; corners: CornerId[]; where: ReadAt }
  | { code: 'scales'; scales: NonNullable<NotYet['scales']> }
  /** None is plainly out, and yet it is not likely enough that all are in; what another round would make of it. */
  | { code: 'not-sure'; chance: number; betterBy: number | null; tapeOut: CornerId[]; where: ReadAt }
  | { code: 'rings'; corners: CornerId[] }
  /** The load on board was not seen to. */
  | { code: 'load' }
  | { code: 'finding'; finding: Finding };

/** Every open point, in the order of the work. None, and it may be finished. */
export function openPoints(answer: Answer, findings: readonly Finding[]): OpenPoint[] {
  const { state } = answer;
  const left = notYet(answer);
  const bySag = state.rounds.some(({ sag }) => Object.keys(sag).length > 0);
  const where: ReadAt = bySag ? 'sag' : state.current === 0 ? 'baseline' : 'measure';
  const unread = unreadOf(answer);
  const rings = ringsOff(answer);
  const stops = findings.filter(({ severity, when }) => severity === 'stop' && when !== 'after');
  return [
    ...ifAny(state.turning?.left ?? [], (ids): OpenPoint => ({ code: 'turning', corners: ids })),
    ...ifAny(unread, (ids): OpenPoint => ({ code: 'unread', corners: ids, where })),
    ...(unread.length === 0 && left ? undone(left, where) : []),
    ...ifAny(rings, (ids): OpenPoint => ({ code: 'rings', corners: ids })),
    ...(state.skipped.includes('load') ? [{ code: 'load' } as const] : []),
    ...stops.map((finding): OpenPoint => ({ code: 'finding', finding })),
  ];
}

function undone({ out, tapeOut, scales, chanceNow, betterBy }: NotYet, where: ReadAt): OpenPoint[] {
  const points: OpenPoint[] = [
    ...ifAny(out, (corners): OpenPoint => ({ code: 'out', corners, where })),
    ...(scales ? [{ code: 'scales', scales } as const] : []),
  ];
  return points.length > 0 ? points : [{ code: 'not-sure', chance: chanceNow, betterBy, tapeOut, where }];
}

function ifAny<T>(ids: CornerId[], make: (ids: CornerId[]) => T): T[] {
  return ids.length > 0 ? [make(ids)] : [];
}

/** A limit that nobody has given, so that nothing is said of it; it is listed, and never stands in the way. */
export type Unchecked = 'thread' | 'travel' | 'springs' | 'mount' | 'clearance' | 'joint';

/** Whether nobody knows what thread is left: the way it is turned; where it is left alone, neither way. */
export function isThreadUnknown({
  seatBy,
  room,
}: Pick<Answer['corners'][number], 'seatBy' | 'room'>): boolean {
  return !Number.isFinite(seatBy < 0 ? room.down : seatBy > 0 ? room.up : Math.min(room.up, -room.down));
}

/** What could run out unseen, since its limits are not known. */
export function uncheckedOf({ corners, document, machine }: Answer): Unchecked[] {
  const some = (test: (one: Answer['corners'][number]) => boolean) => corners.some(test);
  const open: Record<Unchecked, boolean> = {
    thread: some((corner) => isTurned(document.corners[corner.id].fitting) && isThreadUnknown(corner)),
    travel: some(
      ({ travelNow, spec }) => travelNow.source === 'assumed' || spec.travelMm.source === 'assumed',
    ),
    springs: some(
      ({ id }) => machine.sources[id].springs === 'assumed' || machine.sources[id].preload === 'assumed',
    ),
    mount: some(({ mount }) => mount !== null && mount.afterMm === null),
    clearance: corners.every(({ id }) => document.corners[id].clearances.length === 0),
    joint:
      footingOf(document.machine.class) === 'wheels' &&
      corners.every(({ id }) => document.corners[id].boots.length === 0),
  };
  return (Object.keys(open) as Unchecked[]).filter((what) => open[what]);
}
