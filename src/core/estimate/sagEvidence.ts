import { sagWish } from '../document/sagWish.ts';
import { cornerSpec } from './corner.ts';
import { isFittedAt } from './fittedIn.ts';
import type { JobMachine } from './believed.ts';
import { lastFitted, type PerCorner, type Round, type RoundsState } from './rounds.ts';
import { newParts } from '../kinds/newParts.ts';
import type { JobDocument } from '../document/types.ts';
import { referenceKinds } from '../geometry/reference.ts';
import type { Situation } from './belief.ts';
import type { Reading, RoundEvidence } from './fit.ts';
import { contactPoint } from '../machine/body.ts';
import { cornersIn } from '../kinds/classes/index.ts';
import { type CornerId } from '../kinds/corners.ts';
import { CornerModel, plainSetting } from '../machine/corner.ts';
import { meanOf } from '../numerics/mean.ts';
import { tolerances } from '../tolerances.ts';
import {
  extendedReadings,
  halfBandOf,
  isReadStanding,
  isReadWith,
  midReading,
  sdsOf,
  type CornerSag,
  type MidReading,
} from '../document/sagReadings.ts';
import { bisect } from '../numerics/bisect.ts';

/** Friction is taken out of sag readings, or counted in their spread: none is left to the fit. */
const NO_FRICTION = 0.01;

/** Corners of which the sag bench has read how they stand as they are fitted now. */
export function sagRead({ rounds, base }: RoundsState): CornerId[] {
  const read = rounds.slice(base).flatMap(({ sag }) => Object.entries(sag) as [CornerId, CornerSag][]);
  return [...new Set(read.flatMap(([id, here]) => (isReadStanding(here) ? [id] : [])))];
}

/**
 * Corners of which something is wanted: a height, or a sag. An end of which only a sag is wanted, and that nobody ever reads
 * while another is read, is left alone: one end is a whole job.
 */
export function askedCorners(document: JobDocument, { rounds }: RoundsState): CornerId[] {
  const wanted = cornersIn(document).filter(
    (id) => document.corners[id].targetMm !== null || sagWish(document, id) !== null,
  );
  const touched = wanted.filter(
    (id) =>
      document.corners[id].targetMm !== null ||
      rounds.some(({ heights, sag, travelUsed }) => (heights[id] ?? sag[id] ?? travelUsed[id]) !== undefined),
  );
  return touched.length > 0 ? touched : wanted;
}

/** Whether a sag of this corner was read as it is fitted now, with nobody on or with somebody. */
export function isSagRead({ rounds, base }: RoundsState, id: CornerId, who: 'alone' | 'ridden'): boolean {
  return rounds.slice(base).some(({ sag }) => isReadWith(sag[id], who));
}

/** Fully extended readings of a corner that still hold, mm: those since the last part went in that changes them. */
export function extendedNow({ rounds }: Pick<RoundsState, 'rounds'>, id: CornerId): number[] {
  const since = lastFitted(rounds, (one) => isFittedAt(one, id) && !newParts[one.part].keepsExtended);
  return extendedReadings(rounds.slice(since), id);
}

/**
 * What each reference reads fully extended, mm as the sheet states it: the latest round that read it. A corner
 * that was only ever read by its band is given its travel, so that what is left of it stands for its height.
 */
export function extendedOf(document: JobDocument, { rounds }: RoundsState): PerCorner<number> {
  const taped = (id: CornerId) =>
    rounds.some(
      ({ sag, heights }) =>
        heights[id] !== undefined ||
        Object.values(sag[id]?.states ?? {}).some(({ press, lift, rest }) => press ?? lift ?? rest),
    );
  return Object.fromEntries(
    cornersIn(document).flatMap((id): [CornerId, number][] => {
      const spec = cornerSpec(document, id);
      const read = extendedNow({ rounds }, id);
      if (read.length > 0) return [[id, meanOf(read) + spec.offsetMm]];
      return taped(id) ? [] : [[id, spec.travelMm.value]];
    }),
  );
}

/**
 * mm, one standard deviation of what the fully extended reading of a corner adds to each sag that is told from it. All of them
 * share its error: spread so that together they say no more of it than one does.
 */
export function extendedSds(document: JobDocument, { rounds }: RoundsState): PerCorner<number> {
  const sags = rounds.flatMap(({ sag }) => Object.entries(sag) as [CornerId, CornerSag][]);
  return Object.fromEntries(
    cornersIn(document).map((id) => {
      const own = sags.filter(([corner]) => corner === id).map(([, one]) => one);
      const told = own.reduce((sum, { states }) => sum + Object.keys(states).length, 0);
      const times = Math.max(extendedNow({ rounds }, id).length, 1);
      const byPicture = own.findLast(({ extended }) => extended.length > 0)?.sdsMm?.extended;
      const sdMm = byPicture ?? tolerances.extendedSdMm / Math.sqrt(times);
      return [id, sdMm * Math.sqrt(Math.max(told, 1))];
    }),
  );
}

/** Readings of one round in every state they were taken in, with what was aboard and the seats as they stood. */
export function sagEvidence(
  document: JobDocument,
  machine: JobMachine,
  { round, situation, ...extended }: { round: Round; situation: Situation } & Extended,
  read: readonly CornerId[],
): RoundEvidence[] {
  const states = [...new Set(Object.values(round.sag).flatMap(({ states: all }) => Object.keys(all)))];
  return states.flatMap((who): RoundEvidence[] => {
    const aboard = who === 'alone' ? machine.alone : machine.ridden[who]?.read;
    if (!aboard) return [];
    const readings = (Object.entries(round.sag) as [CornerId, CornerSag][]).flatMap(([id, sag]) => {
      const mid = midReading(sag.states[who] ?? {}, halfBandOf(sag), sdsOf(sag, who));
      return mid ? readingsFrom({ document, machine, situation, read, ...extended }, id, mid) : [];
    });
    return [{ situation: { ...situation, aboard }, readings, frictionScale: NO_FRICTION }];
  });
}

/** What each corner reads fully extended, and what that adds to the spread of a sag, mm. */
interface Extended {
  extendedMm: PerCorner<number>;
  extendedSdMm: PerCorner<number>;
}

interface Setting extends Extended {
  document: JobDocument;
  machine: JobMachine;
  situation: Situation;
  read: readonly CornerId[];
}

/**
 * A reading as the fit takes it. References that are 1 : 1 with wheel or shaft are heights; a mark on the body, which the
 * tyre and the other end move too, gives its own height and, against its extended reading, the travel used.
 */
function readingsFrom(setting: Setting, id: CornerId, mid: MidReading): Reading[] {
  const { document, machine, read, extendedMm } = setting;
  const contact = machine.corners.indexOf(id);
  const model = modelIn(setting, contact);
  if (!model) return [];
  if (mid.by === 'band') return [{ what: 'travel', index: contact, ...travelOfBand(model, mid) }];
  const { kind } = document.corners[id].reference;
  const tape = mid.mm + cornerSpec(document, id).offsetMm;
  const full = extendedMm[id] ?? null;
  const { follows } = referenceKinds[kind];
  const used = full === null ? null : usedMm(setting, id, full - tape);
  const shift = used === null || mid.bandMm === null ? 0 : midForceShift(model, used, mid.bandMm);
  // More travel used is a lower mark.
  const height: Reading = { what: 'height', index: read.indexOf(id), mm: tape - shift, sdMm: mid.sdMm };
  if (follows !== 'body') return [height];
  return used === null
    ? [height]
    : [
        height,
        {
          what: 'travel',
          index: contact,
          mm: used + shift,
          sdMm: Math.hypot(mid.sdMm, setting.extendedSdMm[id] ?? tolerances.extendedSdMm),
        },
      ];
}

/** Shaft used to wheel travel, by halving; the spread by the ratio there. */
function travelOfBand(model: CornerModel, { mm, sdMm }: MidReading): { mm: number; sdMm: number } {
  const used = bisect(0, model.zMax, (z) => model.damperAt(z) < mm);
  return { mm: used, sdMm: sdMm / Math.max(model.ratioAt(used), 0.05) };
}

/** The corner as described, with its seat and mount as they stood. */
function modelIn(
  { machine, situation }: Pick<Setting, 'machine' | 'situation'>,
  contact: number,
): CornerModel | null {
  const description = machine.believed.machine.contacts[contact];
  if (!description) return null;
  const { seatsBy, mountsMm, ringsMm } = situation;
  return new CornerModel(description, {
    ...plainSetting,
    springScales: machine.believed.belief.contacts[contact]?.springs.map(() => 1) ?? [],
    seatBy: seatsBy[contact] ?? 0,
    mountMm: mountsMm[contact] ?? 0,
    ringsMm: ringsMm?.[contact],
  });
}

/**
 * Wheel travel behind what a mark came down by, mm. Lifted by its own end until the suspension hangs, the machine turns
 * about its other end, so that a mark behind the wheel by b comes down by (L + b) / L of the wheel's travel.
 */
function usedMm({ document, machine, situation }: Setting, id: CornerId, downMm: number): number {
  const { kind, aheadMm } = document.corners[id].reference;
  const contact = machine.corners.indexOf(id);
  if (referenceKinds[kind].follows === 'damper') {
    const model = modelIn({ machine, situation }, contact);
    return model ? travelOfBand(model, { mm: downMm, sdMm: 0, bandMm: null, by: 'band' }).mm : downMm;
  }
  if (referenceKinds[kind].follows === 'travel') return downMm;
  const here = contactPoint(document.machine, id).x;
  const others = cornersIn(document).map((one) => contactPoint(document.machine, one).x);
  const far = here > 0 ? Math.min(...others) : Math.max(...others);
  return downMm / (1 + aheadMm / (here - far));
}

/**
 * Where the wheel rate changes, the mean of force, not of travel, is free of friction: mm by which the travel of the mean
 * force lies beyond the middle of the band.
 */
function midForceShift(model: CornerModel, usedMid: number, bandMm: number): number {
  const force = (z: number) => {
    model.evaluate(Math.min(Math.max(z, 0), model.zMax));
    return model.forceN;
  };
  const half = Math.max(bandMm, 0) / 2;
  const wanted = (force(usedMid - half) + force(usedMid + half)) / 2;
  if (half === 0) return 0;
  return bisect(usedMid - half, usedMid + half, (z) => force(z) < wanted) - usedMid;
}
