import { wayOf } from '../adjusting/index.ts';
import { isAssembledIn, isFittedAt, type Fitted } from '../estimate/fittedIn.ts';
import { type RoundsState } from '../estimate/rounds.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { type CornerId } from '../kinds/corners.ts';
import { newParts } from '../kinds/newParts.ts';
import type { CornerDocument, JobDocument, Json } from '../document/types.ts';

export type Change = [path: string[], value: Json];

/**
 * What of a job's description no longer holds once new parts are on: figures of the springs that came out, thread of the
 * dampers that did, a ratio that other arms change. Adjusters that stay are carried on from where they stand. Only what
 * changes is given.
 */
export function afterFitting(
  document: JobDocument,
  { rounds }: Pick<RoundsState, 'rounds'>,
  fitted: readonly Pick<Fitted, 'part' | 'axle' | 'corner'>[],
): Change[] {
  return cornersIn(document).flatMap((id): Change[] => {
    const own = fitted.filter((one) => isFittedAt(one, id));
    const corner = document.corners[id];
    const changed = own.reduce<Partial<CornerDocument>>(
      (all, { part }) => ({ ...all, ...goneWith(part, corner, gone(rounds, id)) }),
      {},
    );
    return (Object.entries(changed) as [keyof CornerDocument & string, Json][])
      .filter(([key, value]) => JSON.stringify(value) !== JSON.stringify(corner[key]))
      .map(([key, value]): Change => [['corners', id, key], value]);
  });
}

/** How far a seat and a lower mount have gone since they were put together as they are, mm. */
function gone(rounds: RoundsState['rounds'], id: CornerId): { seatBy: number; mountMm: number } {
  const from = Math.max(
    0,
    rounds.findLastIndex((round) => isAssembledIn(round, id)),
  );
  return rounds.slice(from).reduce(
    ({ seatBy, mountMm }, { moves, mounts }) => ({
      seatBy: seatBy + (moves[id] ?? 0),
      mountMm: mountMm + (mounts[id] ?? 0),
    }),
    { seatBy: 0, mountMm: 0 },
  );
}

function goneWith(
  part: Fitted['part'],
  corner: CornerDocument,
  { seatBy, mountMm }: { seatBy: number; mountMm: number },
): Partial<CornerDocument> {
  const { assembles, otherSprings, keepsRatio, keepsExtended } = newParts[part];
  const { collar, mount, torsion } = corner;
  return {
    ...(otherSprings && {
      springs: [],
      rings: [],
      torsion: torsion && { ...torsion, rateNMmPerDeg: null },
    }),
    ...(assembles && {
      preloadMm: null,
      roomMm: null,
      threadUpMm: null,
      threadDownMm: null,
      ...placesNow(corner, seatBy),
      mount: mount && { ...mount, engagedMm: mount.engagedMm === null ? null : mount.engagedMm - mountMm },
    }),
    ...(part === 'spacer' && { preloadMm: null }),
    // Another damper has another thread.
    ...(assembles &&
      !keepsExtended && {
        collar: { ...collar, minMm: null, maxMm: null },
        second: null,
        damper: { openMm: null, closedMm: null },
      }),
    ...(!keepsRatio && { ratio: null, ratioFrom: null }),
    ...(part === 'tyres' && { tyreRateNPerMm: null }),
  };
}

/** Where a cam stands, or what is pumped in, in place of what the baseline had. */
function placesNow(corner: CornerDocument, seatBy: number): Pick<CornerDocument, 'cam' | 'air'> {
  const { cam, air } = wayOf(corner).carried({ corner, seatBy });
  return { cam: cam ?? corner.cam, air: air ?? corner.air };
}
