import type { JobDocument } from '../document/types.ts';
import type { CornerId } from '../kinds/corners.ts';
import { isAssembledIn, type Fitted } from './fittedIn.ts';

type PerCorner = Partial<Record<CornerId, number>>;

/** What a round has of seats: what went in before it, and what each edge read. */
interface Read {
  fitted: readonly Fitted[];
  collars: PerCorner;
  seconds: PerCorner;
}

/** Two readings of one seat at one moment, each from its own edge: they tie the two for as long as these parts are in. */
interface Tie {
  firstMm: number;
  secondMm: number;
}

/** What ties the two edges of a corner: the last round in which both were read, since it was put together as it is. */
export function tieOf(rounds: readonly Read[], id: CornerId): Tie | null {
  const from = Math.max(
    0,
    rounds.findLastIndex((round) => isAssembledIn(round, id)),
  );
  const both = rounds
    .slice(from)
    .findLast(({ collars, seconds }) => collars[id] !== undefined && seconds[id] !== undefined);
  const [firstMm, secondMm] = [both?.collars[id], both?.seconds[id]];
  return firstMm === undefined || secondMm === undefined ? null : { firstMm, secondMm };
}

/** +1 where both edges' readings grow together, -1 where one shrinks as the other grows. */
function sense(document: JobDocument, id: CornerId): 1 | -1 {
  const { collar, second } = document.corners[id];
  return second === null || second.grows === collar.grows ? 1 : -1;
}

/** What the second edge reads where the first reads `firstMm`; null where nothing ties them, or there is no second. */
export function atSecond(
  { document, rounds }: { document: JobDocument; rounds: readonly Read[] },
  id: CornerId,
  firstMm: number,
): number | null {
  const tie = document.corners[id].second === null ? null : tieOf(rounds, id);
  return tie && tie.secondMm + sense(document, id) * (firstMm - tie.firstMm);
}

/** Rounds in which a collar that was read by its second edge alone has the reading that its first would have. */
export function withSeconds<R extends Read>(document: JobDocument, rounds: readonly R[]): R[] {
  const ids = Object.keys(document.corners) as CornerId[];
  const ties = new Map(
    ids.flatMap((id) => {
      const tie = document.corners[id].second === null ? null : tieOf(rounds, id);
      return tie ? [[id, tie] as const] : [];
    }),
  );
  if (ties.size === 0) return [...rounds];
  return rounds.map((round) => {
    const read: PerCorner = {};
    for (const [id, { firstMm, secondMm }] of ties) {
      const here = round.seconds[id];
      if (here !== undefined) read[id] = firstMm + sense(document, id) * (here - secondMm);
    }
    // Where both were read, each stands for itself.
    return { ...round, collars: { ...read, ...round.collars } };
  });
}
