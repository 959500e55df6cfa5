import { numberOf } from '../document/factKinds.ts';
import { meanOf } from '../numerics/mean.ts';
import { wayOf } from '../adjusting/index.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import type { CornerId } from '../kinds/corners.ts';
import { cornerSpec } from '../estimate/corner.ts';
import { sagWish } from '../document/sagWish.ts';
import { sagAsRead } from '../sag/asRead.ts';
import { shaftAsRead } from '../sag/atShaft.ts';
import { standingFacts } from '../document/facts.ts';
import { isAssembledIn } from '../estimate/fittedIn.ts';
import { collarNow, readRounds, type PerCorner, type RoundsState } from '../estimate/rounds.ts';
import type { FactKind, JobDocument, JobRecord } from '../document/types.ts';

/** How one corner was set at some time; a null was not read, or is not there. */
export interface CornerSetting {
  heightMm: number | null;
  collarMm: number | null;
  /** Whether the collar was read in this round; else it is carried from an earlier reading by what was turned since. */
  collarRead: boolean;
  /** The round in which it was put together as it then was; 0 where that was before the job. */
  assembledIn: number;
  /** mm of seat since then, and mm of one turn. */
  seatMm: number;
  pitchMm: number;
  /** Whether nobody gave that, so that turns are counted from the usual one. */
  pitchAssumed: boolean;
  /** +1 when the collar reading grows as the seat goes up. */
  readingSign: 1 | -1;
  mountMm: number;
  cam: number | null;
  /** Whether the cam has halves between its numbers. */
  camHalves: boolean;
  airBar: number | null;
  /** The sag that it is set by, as it was read in this round, mm; at the shaft where that is what was read. */
  sag: { mm: number; who: 'ridden' | 'alone'; atShaft: boolean } | null;
  /** Damper clicks as last noted. */
  compression: number | null;
  rebound: number | null;
}

/** How a machine was set in one round of a job. */
export interface MachineSetting {
  round: number;
  /** ISO time of the last thing seen or done in it. */
  at: string;
  locked: boolean;
  corners: PerCorner<CornerSetting>;
  /** Who was on while sag was read, and whether in full gear; null where no sag with a rider was. */
  rider: { name: string; kg: number | null; gearOn: boolean } | null;
  /** Transfer blocks and limiter strap of a skid, by position; null where nobody has noted them. */
  blocks: number | null;
  strap: number | null;
}

/** Who was on while a round read sag: of its readers the one who stands first in the book; null where nobody was. */
function riderIn({ document, state }: { document: JobDocument; state: RoundsState }, round: number) {
  const read = Object.values(state.rounds[round]?.sag ?? {}).flatMap(({ states }) => Object.keys(states));
  return document.riders.find(({ key }) => read.includes(key)) ?? null;
}

/** The sag that an end is set by, as a round read it; null where none is wanted, or none was read. */
function sagIn(
  job: { document: JobDocument; state: RoundsState },
  id: CornerId,
  round: number,
): CornerSetting['sag'] {
  const wish = sagWish(job.document, id);
  if (!wish) return null;
  const who = wish.who === 'alone' ? 'alone' : (riderIn(job, round)?.key ?? '');
  const atWheel = sagAsRead(job, id, who, round)?.sagMm ?? null;
  const mm = atWheel ?? shaftAsRead(job, id, who, round);
  return mm === null ? null : { mm, who: wish.who, atShaft: atWheel === null };
}

/** Every setting a job has had, baseline first. Empty while nothing was read. */
export function settingsOf(record: JobRecord): MachineSetting[] {
  const { document } = record;
  const state = readRounds(record);
  const facts = standingFacts(record);
  const seats = new Map<CornerId, number>();
  const mounts = new Map<CornerId, number>();
  return state.rounds.flatMap((round, k) => {
    for (const id of cornersIn(document)) {
      if (isAssembledIn(round, id)) [seats, mounts].forEach((all) => all.delete(id));
      seats.set(id, (seats.get(id) ?? 0) + (round.moves[id] ?? 0));
      mounts.set(id, (mounts.get(id) ?? 0) + (round.mounts[id] ?? 0));
    }
    const here = facts.filter(({ fact }) => fact.round === round.round);
    const at = here
      .map((entry) => entry.at)
      .sort()
      .at(-1);
    if (!at) return [];
    // As last noted up to this round.
    const noted = (kind: FactKind, corner: CornerId | null, slot: string): number | null => {
      const last = facts
        .filter(
          ({ fact }) =>
            fact.kind === kind && fact.corner === corner && fact.slot === slot && fact.round <= round.round,
        )
        .sort((a, b) => a.fact.round - b.fact.round)
        .at(-1);
      return last ? numberOf(last.fact) : null;
    };
    const corners: MachineSetting['corners'] = {};
    for (const id of cornersIn(document)) {
      const corner = document.corners[id];
      const { torsion } = corner;
      const { pitchMm, readingSign, offsetMm } = cornerSpec(document, id);
      const read = round.heights[id];
      const seatBy = seats.get(id) ?? 0;
      const { cam, air } = wayOf(corner).carried({ corner, seatBy });
      corners[id] = {
        heightMm: read ? meanOf(read) + offsetMm : null,
        sag: sagIn({ document, state }, id, k),
        collarMm: collarNow(state.rounds.slice(0, k + 1), id, readingSign),
        assembledIn: assembledBy(state.rounds, id, k),
        seatMm: air ? 0 : seatBy,
        pitchMm: pitchMm.value,
        pitchAssumed: pitchMm.source === 'assumed',
        collarRead: round.collars[id] !== undefined,
        readingSign,
        mountMm: mounts.get(id) ?? 0,
        cam: torsion && cam,
        camHalves: torsion?.halves ?? false,
        airBar: air?.gaugeBar ?? null,
        compression: noted('clicks', id, 'compression'),
        rebound: noted('clicks', id, 'rebound'),
      };
    }
    const locked = state.locked && k === state.rounds.length - 1;
    const skid = { blocks: noted('skid', null, 'blocks'), strap: noted('skid', null, 'strap') };
    const on = riderIn({ document, state }, k);
    const ridden = Object.values(corners).some(({ sag }) => sag?.who === 'ridden');
    const rider = on && ridden ? { name: on.name, kg: on.kg, gearOn: document.sagRead.gear } : null;
    return [{ round: round.round, at, locked, corners, rider, ...skid }];
  });
}

/** The last round up to the `k`th in which a corner was put together anew. */
function assembledBy(rounds: RoundsState['rounds'], id: CornerId, k: number): number {
  return Math.max(
    0,
    rounds.slice(0, k + 1).findLastIndex((round) => isAssembledIn(round, id)),
  );
}

/**
 * mm of seat that lead from one setting of a corner to another: by the collar where both were read, else by what was
 * moved in the same job. Null where neither tells, or where other parts were fitted between the two.
 */
export function seatBetween(from: CornerSetting, to: CornerSetting, sameJob: boolean): number | null {
  if (sameJob && from.assembledIn !== to.assembledIn) return null;
  if (from.collarMm !== null && to.collarMm !== null && from.readingSign === to.readingSign)
    return to.readingSign * (to.collarMm - from.collarMm);
  return sameJob ? to.seatMm - from.seatMm : null;
}
